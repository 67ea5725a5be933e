import { type BatteryDeed } from '@/core/battery/reasons'

/** The chapter of the battery. */
export const battery = {
  rules: {
    'own-use': 'Own use first',
    'by-tariff': 'By the tariff’s prices',
    'by-forecast': 'By prices and forecast',
    'peak-shaving': 'Highest power first',
  },
  ruleNotes: {
    'own-use': 'Stores what would be sold and supplies what would be bought, as it comes.',
    'by-tariff':
      'Keeps what dearer hours of the next day will need, and sells where that earns more. It knows prices a day ahead, and takes sun and consumption to be as the day before.',
    'by-forecast':
      'The same by the sun and the consumption of the next day, as if a forecast came true; and it keeps room for sun that could neither be sold nor pass the inverter later.',
    'peak-shaving':
      'In the hours of the demand charge it supplies only what the house needs over a limit, the lowest that it can hold in each month; in all others it supplies the house, and keeps what those hours needed the day before. Without a demand charge all hours count.',
  },
  peaks:
    'Highest power in the hours of the demand charge, mean of the months: {kept} with this battery, {bare} without one.',
  mayCharge: 'may charge it',
  mayNot: 'no',
  sizes: 'Batteries side by side',
  sizesProgress: '{done, number} of {all, number} computed …',
  sizesNote:
    'Each run by the same rule through bills and payback. “Of the best” is what it earns of what it would earn knowing the whole year.',
  battery: 'Battery',
  none: 'No battery',
  several: '{count, number} × {name}',
  usable: 'Usable',
  bill: 'Bill with solar',
  billOffset: 'Bill offset',
  selfSufficiency: 'Self-sufficiency',
  cycles: 'Cycles a year',
  price: 'Net price',
  payback: 'Payback',
  npv: 'NPV',
  ofBest: 'Of the best',
  never: 'never',
  chosen: 'chosen',
  take: 'Take',
  takes: 'Take {name}',
  mostWorth: 'highest NPV',
  shortestPayback: 'shortest payback',
  reaching: 'cheapest for a bill offset of {offset}',
  wantedOffset: 'Bill offset wanted',
  noneReaches: 'No size offsets {offset} of the bill; the most is {most}.',
  yardstick:
    '“{rule}” earns {share} of what perfect foresight would: {earned} of {best} a year at the tariff’s hourly prices.',
  unsuited:
    '{port, select, yes {{count, plural, one {# battery has} other {# batteries have}} volts that the battery port of {inverter} does not take.} other {{count, plural, one {# battery needs} other {# batteries need}} a battery port, which {inverter} does not have.}}',
  onDcSide: 'DC-coupled, on the inverter’s battery port',
  life: 'In year {year, number} it holds {held} of what it held new.{ends, select, age { Its warranty is over after {end} years, by its age.} use { Its warranty is over after {end} years, by the {kwh} that have come out by then.} other {}}',
  fades: {
    year: 'Loses {year} a year',
    cycle: 'Loses {lost} in {cycles, number} full cycles',
    both: 'Loses {year} a year, and {lost} in {cycles, number} full cycles',
    usual: 'How it ages is not told: {year} a year unless the offer says otherwise',
  },
  further: 'What one more kWh of storage saves in a year',
  furtherNote:
    'With its share of power, {rule, select, peaks {run by the rule by all that is on the bill, with perfect foresight by the hourly prices alone} other {at the tariff’s hourly prices}}.{kw, select, none {} other { One more kW of power would save {kw} a year with perfect foresight.}}',
  byRule: 'Run by the rule',
  atBest: 'With perfect foresight',
  size: 'Usable storage, kWh',
  backup: 'If the grid fails',
  backupKw: 'Stays on, all the time',
  backupLoads: 'Stays on too',
  backupShare: 'And of other consumption',
  backupName: 'Backup',
  backupNote:
    'What stays on runs {worst} h in the worst case, from {moment} on; {mostly} h or longer in 95 of 100 hours; a day or longer from {day} of all hours. Sun counts while it lasts, and the reserve is used; the inverter must be able to run without the grid.',
  backupByMonth: 'Typical run by the month the grid fails in, hours',
  backupMost: '{hours} or more',
  backupCarpet: 'How long it runs, by the day and hour the grid fails',
  offGrid: 'The same house without a grid',
  offGridName: 'Hours without grid',
  offGridWanted: 'Hours of the year to be served',
  offGridNote:
    'Sun first, then the battery down to nothing; the reserve is used, and what batteries draw themselves counts. A larger array comes with a larger inverter; a generator gives what is missing and fills no battery.',
  served: 'Hours served',
  unserved: 'Missing a year',
  arrayFor: 'Array for {share}',
  generatorFor: 'Generator for {share}',
  generatorKwh: 'It gives a year',
  generatorHours: 'It runs',
  noArray: 'none up to {most}',
  offGridOpen: 'Show',
  offGridClose: 'Hide',
  noGenerator: 'none needed',
  longestGap:
    '{name}, and the array as it is: {kwh} are missing in a year, for {hours, number} h without a break from {moment} on.',
  noGap: '{name}, and the array as it is: nothing is missing.',
  missingCarpet: 'Power that is missing without a grid, by day and hour',
  missingByMonth: 'Missing by month without a grid, kWh',
  day: 'The battery on {day}',
  dayNote: 'Drag on the carpet below to see another day.',
  nothing: 'The battery rests all day.',
  hour: 'Hour',
  reason: 'What it does, and why',
} as const

/** What a battery does in an hour and why; prices are of a kWh. */
export const batteryDeeds = {
  'stores-sun':
    'Stores {kwh} of sun{later, select, spares { for {hour}, when it spares {then}} earns { for {hour}, when it earns {then}} other {}}; sold now it would earn {now}.',
  'fills-from-grid':
    'Takes {kwh} from the grid at {now}{later, select, spares { for {hour}, when it spares {then}} earns { for {hour}, when it earns {then}} other {}}.',
  'serves-house': 'Supplies {kwh} that would cost {now}.',
  sells: 'Gives {kwh}, what the house does not need sold at {now}.',
  keeps:
    'Keeps what it has{later, select, spares { for {hour}, when it spares {then}} earns { for {hour}, when it earns {then}} other {}}; {kwh} are bought at {now}.',
  'leaves-sun': 'Leaves {kwh} of sun to be sold at {now}, though it has room.',
  'is-full': 'Is full: {kwh} are sold at {now}.',
  'is-empty': 'Is down to its reserve: {kwh} are bought at {now}.',
} as const satisfies Readonly<Record<BatteryDeed, string>>
