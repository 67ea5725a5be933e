/** The sheet that says what a kWh costs by the hour in which it is used. */
export const hours = {
  open: 'What an hour costs',
  title: 'What a kWh costs by the hour it is used in',
  begins: 'Computing …',
  progress: '{done, number} of {all, number} hours computed …',
  chart: 'One more kWh in this hour of every day',
  now: 'Before solar',
  then: 'With solar',
  hour: 'hour of the day',
  shift:
    'A kWh used each day at {cheap} in place of {dear} costs {least} and not {most}: {saved} a year less. Before solar the same shift made a difference of {before} a year.',
  flat: 'It makes no difference when power is used: a kWh costs {least} at any hour.',
  note: 'For each hour the house uses a kWh a day more, and the year is run again as far as the bills: battery, steps, demand charges and settlement are in it.',
} as const
