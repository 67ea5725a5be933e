/** Where the energy of a year goes, and the mean day of each month. */
export const flows = {
  title: 'Where the energy goes in a year',
  sun: 'Yield',
  grid: 'Bought',
  battery: 'Battery',
  house: 'Consumption',
  out: 'Sold',
  lost: 'Battery losses',
  curtailed: 'Curtailed',
  flow: '{from} to {to}: {kwh}',
  days: 'The mean day of each month',
  daysNote: 'Up to {kw}; hours of the local clock from 0 to 24.',
  yield: 'Yield',
  load: 'Consumption',
  bought: 'Bought',
  day: '{month}: {made} made, {used} used, {bought} bought a day',
} as const
