/** What is wrong with a table of weather that somebody brings along. */
export const tableFaults = {
  'not-a-table':
    'No table was found: a line of headings and under it rows of numbers, separated by commas, semicolons or tabs, are expected.',
  'bad-cell':
    'Line {line, number, ::group-off}, column “{column}”: “{text}” is not a number with the decimal mark “{decimal}”.',
  'no-time':
    'No column holds the time, and {rows, number} rows are not a year in equal steps (8,760 hours, 35,040 quarters). Say which column holds the time.',
  'bad-step':
    'Rows follow each other by {step, number} minutes; an hour or an even part of it is needed (60, 30, 15, 10, 5 minutes).',
  'no-place':
    'The table does not say where it was measured. Put a line before the headings, such as: # latitude=41.6, longitude=-71.4, elevation_m=18, time_zone_h=-5',
  'no-irradiance':
    'The file has neither global irradiance nor beam and diffuse together. Say which column holds the global horizontal irradiance.',
} as const
