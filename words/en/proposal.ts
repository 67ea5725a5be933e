/** The customer's page. */
export const proposal = {
  title: 'Your solar offer',
  offerFor: 'Solar offer for {name}',
  pdf: 'PDF',
  savedFirstYear: 'Saved in the first year',
  paidBackAfter: 'Payback',
  ownShare: 'Your own share of your energy',
  billText:
    'Your bill goes from {before} a year to {after}. Doing nothing would cost {nothing} over {years, plural, one {# year} other {# years}} if energy prices grow by {growth} a year.',
  energyText: 'The modules produce {yield} in their first year: {used} are used at home, {sold} are sold.',
  equipment: 'Equipment',
  price: 'Price',
  installed: 'Installed',
  incentive: 'Incentive, {share}',
  youPay: 'You pay',
  cumulative: 'Cumulative cash flow after {years, plural, one {# year} other {# years}}',
  irr: 'Return per year (IRR)',
  modules: 'modules of {power}, {total} in total',
  inverter: 'inverter, {power}',
  battery: 'battery, {energy} usable',
  footer:
    'Computed hour by hour for a typical year with the shade of roof, obstructions, trees and neighbours; the modules degrade every year. A forecast, not a promise: weather and prices vary.',
  picture: 'The house with its modules',
  turn: 'The house with its modules; drag to turn it',
  dragToTurn: 'drag to turn',
  noPicture: 'The picture of the roof needs WebGL.',
} as const
