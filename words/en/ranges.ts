import { type Unknown } from '@/core/finance/ranges'

/** Where an offer may end up. */
export const ranges = {
  title: 'How sure it is',
  note: '{trials, number} courses of the years, drawn from the uncertainties entered here: P50 is the middle, P90 is at least this good in nine of ten courses, P10 in one of ten. {share} of the courses pay back.',
  progress: 'Drawing courses of the years …',
  payback: 'Payback',
  left: 'Left after {years, plural, one {# year} other {# years}}',
  npv: 'Net present value',
  movers: 'What moves payback most',
  moversNote: 'Payback with one input at the ends of its eight in ten, all others as entered.',
  uncertainty: 'Uncertainty (standard deviation)',
  unknowns: {
    weather: 'Weather of the years',
    yieldModel: 'Yield model',
    priceGrowth: 'Energy price growth',
    loadGrowth: 'Consumption growth',
    degradation: 'Module degradation',
  } satisfies Record<Unknown, string>,
  ofRecord: 'from the station’s record',
  ofUsual: 'usual, no record',
  aYear: '% a year',
} as const
