/** What looks wrong in a weather file that could be read all the same. */
export const problems = {
  'too-bright':
    'More light than the sun can give in {count, plural, one {# interval} other {# intervals}}{line, plural, =0 {} other {, first in line {line, number, ::group-off}}}.',
  'night-sun':
    'Sun at night in {count, plural, one {# interval} other {# intervals}}{line, plural, =0 {} other {, first in line {line, number, ::group-off}}}: is the clock or the place wrong?',
  'temperature-range':
    'Air at {air}{line, plural, =0 {} other { in line {line, number, ::group-off}}}, and {count, plural, one {# such interval} other {# such intervals}}: are the degrees Celsius?',
  closure:
    'Global irradiance differs from beam and diffuse together in {count, number} of {all, number} intervals{line, plural, =0 {} other {, first in line {line, number, ::group-off}}}.',
  units:
    'The year has {share} of the light of a clear sky: are the units W/m²?{guess, select, none {} other { They look like {guess}.}}',
  'wrong-season':
    'The year is brightest in the winter of {latitude} {hemisphere}: was it measured on the other side of the equator, or are day and month swapped?',
  'shifted-clock':
    'The sun in this file runs {minutes, number} minutes {way}: moving all values {minutes, number} minutes {way, select, late {earlier} other {later}} fits best. Is the time zone or daylight saving wrong?',
  negative:
    '{what, select, global {Global} beam {Beam} other {Diffuse}} irradiance below zero in {count, plural, one {# interval} other {# intervals}}, as in line {line, number, ::group-off}: taken as zero.',
  'night-offset':
    'Irradiance slightly below zero in {count, plural, one {# interval} other {# intervals}}, as instruments read at night: taken as zero.',
  gap: 'Irradiance is missing in {count, plural, one {# interval} other {# intervals}}{line, plural, =0 {} other {, first in line {line, number, ::group-off}}}: filled from the same time of the days around.',
  split: 'Only global irradiance is given: beam and diffuse were worked out from it (Erbs 1982).',
  'no-temperature': 'The file has no air temperature: {assumed, number} °C is assumed throughout.',
  'no-wind': 'The file has no wind speed: {assumed, number} m/s is assumed throughout.',
  'gap-temperature':
    'Air temperature is missing in {count, plural, one {# interval} other {# intervals}}: the gaps are interpolated.',
  'gap-wind':
    'Wind speed is missing in {count, plural, one {# interval} other {# intervals}}: the gaps are interpolated.',
  'several-years': 'The table holds more than a year: the one from {from} on was taken.',
  'leap-day': '29 February is left out: every modelled year has 365 days.',
  twice:
    '{count, plural, one {# interval appears} other {# intervals appear}} twice, first in line {line, number, ::group-off}: the later row counts. Is the clock one with daylight saving?',
} as const
