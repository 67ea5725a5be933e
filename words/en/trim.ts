/** Dropping modules, the least useful first. */
export const trim = {
  title: 'Trim',
  kept: 'Modules kept',
  modules: 'Modules',
  ofLaid: 'of {n}',
  power: 'Power',
  consumption: 'Energy offset',
  price: 'Price',
  first: 'First to go',
  access: 'least sun access',
  sun: 'least irradiance',
  unbroken: 'Keep rows unbroken',
  waiting: 'Waiting for the figures …',
  bill: 'Bill offset',
  most: 'All {n} modules together come to {what}. Lay more first.',
  least: 'One module is the least that can stay; it comes to {what}.',
  hint: 'Type what to trim to',
} as const
