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

/** Horizons measured on site. */
export const readings = {
  title: 'Horizon readings',
  none: 'None yet. A device that measures the horizon on the roof gives a table of azimuth and elevation for each point.',
  add: 'Add readings',
  hint: 'Tables of azimuth (degrees clockwise from north) and elevation (degrees), one for each point; drag them to where they were taken',
  sources: { model: 'the model', readings: 'the readings' },
  from: { model: 'Shade from the model', readings: 'Shade from the readings' },
  compare: 'Compare',
  compareHere: 'Compare with the model',
  another: 'Another CSV',
  height: 'Over the roof',
  picture: 'Horizon reading: elevation over azimuth',
  compared: 'Horizon readings and the model',
  hours: 'Hours of sun a year at',
  byModel: 'The model',
  byReading: 'The reading',
  difference: 'Difference',
  shadeLoss: 'Shade loss of this option',
  yield: 'Yield of this option',
  computing: 'Computing both …',
  lookHint: 'See the sun path from here with the horizon that was measured',
  note: 'Between {count, plural, one {this point} other {these points}} a module takes the {count, plural, one {reading} other {mean of the readings, nearer ones more}}, in the place of everything drawn but this option’s own racks. A reading is opaque, and shades a module as a whole: trees let no light through, and shadows cross no module. Shade loss is at rated power.',
  seen: 'Seen from “{name}”, {height} over the ground; the line is the horizon that was measured',
  sunLeft:
    'Of {open} hours of sun in a year {model} reach it past what is drawn ({modelShare}) and {measured} over the horizon that was measured ({measuredShare}).',
} as const
