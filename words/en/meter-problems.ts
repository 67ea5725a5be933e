/** What looks wrong in a meter's file that could be read all the same. */
export const meterProblems = {
  backwards: 'The latest reading came first; the order was turned round.',
  unsorted:
    '{count, plural, one {# reading is} other {# readings are}} out of order, first in line {line, number, ::group-off}; sorted by time.',
  'daylight-saving': 'The clock of the file keeps daylight saving; all readings were set to standard time.',
  'off-step':
    '{count, plural, one {# reading lies} other {# readings lie}} between the steps, first in line {line, number, ::group-off}; moved to the nearest.',
  repeated:
    '{count, plural, one {# time comes} other {# times come}} twice, first in line {line, number, ::group-off}; the first reading was taken.',
  negative:
    '{count, plural, one {# value is} other {# values are}} below zero, first in line {line, number, ::group-off}: energy sent out counts as zero here.',
  gaps: '{count, plural, one {# interval is} other {# intervals are}} missing, the longest gap {longest}; filled with the mean of the same weekday and time in the weeks around.',
  silent: 'Nothing was used for {longest} on end: was the meter off, or the house empty?',
  spike:
    '{count, plural, one {# value is} other {# values are}} more than {times, number} times the mean, first in line {line, number, ::group-off}.',
  'columns-left': 'Read from “{column}”; not used: {others}.',
  counter: '“{column}” is a counter: use is the difference between readings.',
  'counter-falls':
    'The counter falls {count, plural, one {once} other {# times}}, first in line {line, number, ::group-off}: was the meter changed? These intervals were filled.',
  'unit-guessed': 'No unit was found; the values were taken to be {unit}.',
  'bad-time':
    '{count, plural, one {# line has} other {# lines have}} no time that can be read, first line {line, number, ::group-off}; left out.',
  'bad-value':
    '{count, plural, one {# value is} other {# values are}} no number, first in line {line, number, ::group-off}; filled.',
  'no-times': 'The values have no times: a whole year of {step, number}-minute steps from 1 January.',
  'reverse-left': 'Energy sent to the grid was left out.',
  'other-unit':
    '{count, plural, one {# block} other {# blocks}} of another quantity than energy or power were left out.',
  estimated:
    '{count, plural, one {# reading is} other {# readings are}} estimated by the utility, first in line {line, number, ::group-off}.',
  'several-meters': '{count, number} meters were added together.',
} as const
