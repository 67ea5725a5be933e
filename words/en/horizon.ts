/** What stands far off around the site: hills and mountains. */
export const farHorizon = {
  title: 'Far horizon',
  import: 'Import CSV',
  hint: 'A table of azimuth (degrees clockwise from north) and elevation (degrees)',
  none: 'Level all around. Hills and mountains come as a table of azimuth and elevation.',
  told: '{count, plural, one {# point} other {# points}}, highest {highest} in the {side}',
  turn: 'Count from south',
  turnHint: 'For tables whose azimuth 0° is south: turns the horizon by 180°',
  remove: 'Remove',
  label: 'Far horizon',
  picture: 'Far horizon: elevation over azimuth',
} as const
