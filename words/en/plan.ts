/** What stands on a roof plan. */
export const plan = {
  title: 'Roof plan',
  modules: '{count, plural, one {# module} other {# modules}} {module}, {power}',
  scale: 'Scale 1:{scale} on {paper}, printed at full size',
  north: 'N',
  array: '{count} × {power}, {tilt}',
  arrayFacing: '{count} × {power}, {tilt}, {azimuth}',
  arrayFacingBoth: '{count} × {power}, {tilt}, {azimuth} and {other}',
  save: 'Roof plan (SVG)',
} as const
