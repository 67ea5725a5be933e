import { type Cause } from '@/core/after/cause'

const causes = {
  string: 'All day long, by as much as string {string} gives: check its fuse, connectors and disconnect.',
  even: 'All day long and evenly: dirt, a module that failed, or a setting.',
  morning: 'Mostly in the morning: something new casts shade from the east.',
  afternoon: 'Mostly in the afternoon: something new casts shade from the west.',
  better: 'More than before: what was wrong was put right.',
  untold: 'Days do not tell why: a file by hours or quarter-hours would.',
} as const satisfies Record<Cause['is'], string>

/** What was promised against what was made. */
export const after = {
  title: 'Promised and made',
  open: 'Promised and made',
  intro:
    'Choose what the meter or the monitoring has recorded since: a CSV by quarter-hours, hours, days or months. It is held against the offer that was accepted, or else this option, run again with the weather that was, and is kept with the job.',
  choose: 'Choose production file',
  another: 'Choose another file',
  remove: 'Remove file',
  keep: 'Keep production file',
  against: 'Promised by',
  asItIs: 'This option as it is now',
  acceptedOffer: 'Offer {name}, accepted {at}',
  away: 'Whether an offer was accepted could not be asked: this option promises.',
  statedOther:
    'The offer said {stated} of a typical year. The same design comes to {now} today, by models that have changed since.',
  unkept: 'It is not kept: you may look at this job, not change it.',
  leftOut:
    '{spans, plural, one {# older value is} other {# older values are}} not kept: a job keeps three years of hours.',
  readingFile: 'Reading the file …',
  reading: 'Running the years again with the weather that was …',
  stop: 'Stop',
  stopped: 'Stopped.',
  none: 'Lay modules first: there is nothing to compare with.',
  of: '{file}, {from} to {to}',
  promised: 'Promised',
  expected: 'Expected with the weather that was',
  made: 'Made',
  ofExpected: 'Made of expected',
  kwh: 'kWh',
  weather: 'The weather gave {share} {direction, select, more {more} other {less}} than a typical year.',
  weatherSame: 'The weather was that of a typical year.',
  noWeather:
    'The weather of this time is not known here: the typical year stands in for it, and a sunny or dull year cannot be told from a good or bad system.',
  clock:
    'The file’s clock is {hours, plural, one {# hour} other {# hours}} {direction, select, ahead {ahead of} other {behind}} standard time at the house; it was set right.',
  chart: 'Promised, expected and made by month',
  table: 'Month by month',
  findings: 'What is off and since when',
  fine: 'Nothing: it makes what the weather lets it make.',
  outage:
    '{days, plural, one {{from}: nothing was made all day} other {{from} to {to}: nothing was made for # days}}, {lost} lost.',
  change:
    'Since {day}: {after} of what is expected, {before} before. {direction, select, less {About {loss} a year less.} other {About {loss} a year more.}}',
  lid: 'Since {day}: never above {power}, although the light would give more. About {loss} a year less. Check the export limit and the inverter’s settings.',
  causes,
  month: 'Month',
  hours: 'Measured',
  total: 'Total',
  problems: 'About the file',
} as const
