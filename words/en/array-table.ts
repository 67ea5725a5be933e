/** The table of arrays. */
export const arrayTable = {
  open: 'Table of arrays',
  title: 'Arrays',
  by: 'Lines for',
  groupings: { array: 'each array', plane: 'each plane', direction: 'each direction' },
  columns: {
    name: 'Array',
    modules: 'Modules',
    power: 'Power, kW',
    tilt: 'Tilt',
    azimuth: 'Azimuth',
    access: 'Sun access',
    kwh: 'Yield, kWh a year',
    each: 'kWh per kW',
  },
  total: 'Together',
  none: 'No modules yet. Choose “Modules” and click a roof plane.',
  csv: 'Save as CSV',
  note: 'The yield is shared out by what each array’s strings give to the inverter.',
} as const
