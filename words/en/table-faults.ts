/** What is wrong with a file or a table of weather or of a meter. */
export const tableFaults = {
  empty: 'The file is empty. Choose another one.',
  'too-large':
    '{reason, select, file {The file has {bytes}; at most {limit} can be read.} rows {The table has more than {limit, number} rows; a year of five-minute intervals has 105,120.} line {Line {line, number, ::group-off} has more than {limit, number} characters: this is not a table.} columns {Line {line, number, ::group-off}: the table has {columns, number} columns; at most {limit, number} can be read.} case {Line {line, number, ::group-off} has more than {limit, number} characters: break the case into smaller ones.} other {At most {limit} can be sent at once.}}',
  'not-text': 'This is not a text file. Unpack an archive first; save a spreadsheet as CSV.',
  'not-epw': 'Line 1: a weather file in EPW begins with LOCATION.',
  'bad-epw':
    '{reason, select, location {Line 1: the {what, select, timezone {time zone} other {{what}}} is “{text}”, expected {low} to {high}.} header {Line {line, number, ::group-off}: an EPW file has {lines, number} header lines before its first record, LOCATION to DATA PERIODS.} columns {Line {line, number, ::group-off}: {found, number} columns were found, at least {expected, number} were expected, separated by commas, with points as decimal marks.} empty {The file has no records after its {lines, number} header lines.} number {Line {line, number, ::group-off}, column {column, number} ({name}): “{text}” is not a number.} order {Line {line, number, ::group-off}: month, day, hour {found} was found, {expected} was expected. Records must be in order, hours from 1 to 24.} other {No record is of 1 January: the columns month and day say otherwise.}}',
  'not-a-year':
    '{reason, select, records {The file has {records, number} records without 29 February and ends in line {line, number, ::group-off}; a whole year has 8,760 of an hour, or 17,520, 35,040 or 105,120 of parts of it.} other {{covered, number} of the {all, number} intervals of {step, number} minutes that a year has are in the table. A whole year is needed.}}',
  'bad-time':
    '{reason, select, moment {“{text}” is not a moment. Write it in ISO 8601 with its offset, such as 2024-06-21T12:00:00-04:00.} other {Line {line, number, ::group-off}: “{text}” is not a time that can be read. Write for example 2024-03-31 14:00, or {example} 14:00.}}',
  'too-many-gaps':
    'Irradiance is missing in {missing, number} of {all, number} intervals of daylight, first in line {line, plural, =0 {–} other {{line, number, ::group-off}}}; at most {limit} can be filled. Choose a more complete year.',
  'no-file-open': 'Choose a file first.',
  'not-read-yet': 'The file cannot be read yet.',
  'no-such-weather': 'There is no such weather file. Import it again.',
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
  'meter-file':
    '{reason, select, nothing {The file has no readings of energy that came from the grid.} coarse {The readings are {step, number} minutes apart: days or months. Enter daily or monthly totals as bills, or ask the utility for hourly or quarter-hourly readings.} step {The readings are {step, number} minutes apart; 60 minutes or an even part of it is needed (30, 15, 10, 5).} long {The readings span {found, number} intervals; at most {limit, number} can be read. Are the dates right?} column {There is no column “{column}”. The columns are: {columns}.} values {No column holds numbers that could be energy. Expected is a column of kWh, Wh, kW or W beside the times.} day {The file has no whole day from midnight to midnight. At least a day is needed, a year is best.} single {The times of the readings are all the same or cannot be read.} times {No column holds times, and {found, number} values are not a year in equal steps (8,760 hours, 17,520, 35,040).} doctype {The file declares a document type. Meter files have none: export it again.} xml {Line {line, number, ::group-off}: the XML cannot be read ({detail}).} deep {The XML is nested more than {limit, number} deep.} many {The file has more than {limit, number} readings. Export fewer years.} field {Line {line, number, ::group-off}: a reading has no number as its {field}.} other {The file cannot be read.}}',
  'horizon-file':
    '{reason, select, nothing {The file has no horizon: at least two lines of azimuth and elevation in degrees are needed.} azimuth {Line {line, number, ::group-off}: the azimuth is “{text}”, expected -180 to 360 degrees.} elevation {Line {line, number, ::group-off}: the elevation is “{text}”, expected -90 to 80 degrees.} other {Line {line, number, ::group-off}: “{text}” is not a number. Expected are azimuth and elevation in degrees.}}',
  'made-none': 'The file has no whole hour, day or month of what was made.',
  'made-step':
    'The rows follow each other by {hours, number} hours. Hours or parts of them, days or months can be compared.',
  'best-too-slow': 'The search took too long and was stopped. Try it with fewer modules.',
  'after-too-slow': 'The comparison took too long and was stopped. Try a shorter file.',
  'no-irradiance':
    'The file has neither global irradiance nor beam and diffuse together. Say which column holds the global horizontal irradiance.',
} as const
