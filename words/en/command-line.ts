/** What only the command line asks of its cases. */
export const caseRules = {
  parallelogram: 'four corners of a parallelogram, one after the other',
  'no-area': 'corners that are not in one line',
  'top-over-bottom': 'no lower than bottomM',
  'both-or-none': 'latitude and longitude are given together, or neither',
  'place-or-outline': 'a place is given instead of an outline, not beside one',
  'each-year': 'one for each of the years',
  'share-or-twelve': 'one share, or twelve by month',
  'corners-in-line': 'all corners lie in one line',
  'corner-off-plane': 'this corner is more than {limit} off the plane of the others',
  'not-under-lowest': 'no lower than lowestTemperatureC',
  'not-with-micro': 'a microinverter holds each module at its best point by itself: leave the optimizer out',
  'modules-together': 'at most {limit, number} modules together',
  'as-many-as':
    '{expected, number} values were expected, one for each of yieldKwh, but {given, number} are given',
  'start-within': 'between the reserve of {low} kWh and the usable {high} kWh',
  'whole-year':
    'a whole year of equal intervals was expected: {hours, number} of an hour each, or a multiple; {given, number} are given',
  'as-many-bought':
    '{expected, number} values were expected, as many as in buyKwh, but {given, number} are given',
  'upright-plane': 'the plane stands upright',
  'setback-each':
    '{sides, number} values were expected, one for each plane edge, but {given, number} are given',
} as const

/** What only the command line finds wrong. */
export const caseFaults = {
  'bad-case': '{at, select, none {The case} other {{at}}}: {rule}',
  'counted-twice': 'losses.{name}: {model} is already computed here; leave it out, or it counts twice.',
  'no-offer-file': 'This is not the file of an offer. The bench saves one beside each offer that was sent.',
  'bad-offer-file': '{at, select, none {The file} other {{at}}}: {rule}',
  'model-unit': 'The model does not say its units. Give --unit mm, cm, m, in or ft.',
  'model-up': 'The model does not say which way is up. Give --up y or --up z.',
  'no-file':
    '{file, select, stdin {Standard input} other {{file}}} cannot be {doing, select, write {written} other {read}} ({reason}).',
  'bad-since': '“{day}” is no day: write it as 2025-07-01.',
  'bad-year-file': '“{given}” names no year and file: write 2025=weather.epw.',
  'bad-papers-form': '“{file}” ends in no form that is written: .pdf or .dxf.',
  'bad-quote-form': '“{file}” ends in no form that is written: .csv or .json.',
  'no-modules-to-draw': 'Option {option} has no modules yet: there is nothing to draw.',
  'bad-form': '“{file}” ends in no form that is written: .svg, .pdf or .dxf.',
  'bad-option': '--{name} is “{text}”; a number from {low} to {high} was expected.',
} as const
