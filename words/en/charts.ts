/** Charts that the bench and the customer's page share. */
export const charts = {
  bill: 'Bill by month',
  billNow: 'Bill now',
  billThen: 'Bill with solar',
  energy: 'Yield and consumption by month',
  yield: 'Yield',
  used: 'of which used at home',
  consumption: 'Consumption',
  cash: 'Cumulative cash flow',
  years: 'years',
  paidBack: 'payback after {years} years',
} as const

/** What stands with figures. */
export const units = {
  years: 'years',
  aYear: '/year',
  perYear: 'a year',
  perKelvin: 'per kelvin',
  never: 'never',
  atOnce: 'at once',
  none: 'none',
  toCome: 'to come',
} as const
