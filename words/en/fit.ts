/** Of houses that are read from heights. */
export const fit = {
  title: 'House from heights',
  fetching: 'Fetching heights and outlines…',
  reading: 'Reading roofs: {share, number, percent}',
  stop: 'Stop',
  stopped: 'Stopped. Nothing was changed.',
  again: 'Read again',
  own: 'Own heights (GeoTIFF, ASCII grid, XYZ)',
  ownHint: 'One file of surfaces, or two: of surfaces and of bare ground, in any order',
  assumed:
    'The file does not say which reference system it is in: taken to be in the UTM zone of this place (EPSG {code, number, ::group-off}).',
  source:
    'Heights: {file}. Outline of the house: {outline, select, drawn {as it is drawn} found {none was known, so it was found in the heights; check its corners} other {from the survey}}. Buildings around: from the survey, and what else stands in the heights.',
  shiftEast: 'Shift heights east',
  shiftNorth: 'north',
  offset:
    'The buildings in the heights lie {away} to the {side} of the outlines of {buildings, plural, one {# building} other {# buildings}}.',
  shiftThere: 'Shift onto outlines',
  survey: 'survey of the place',
  fit: '{planes, plural, one {# plane} other {# planes}}. {share, number, percent} of the heights lie within {near} of them; the scatter is {rms}.',
  agreement: 'As objects, {share, number, percent} of the roof lies within {near} of these planes.',
  weak: 'Check first: the plane of {pitch} facing {azimuth}, which rests on {cells, plural, one {# height} other {# heights}} and may be off by {off}.',
  picture:
    'The planes from above, north up, each with its pitch and by how much that may be off; heights over their plane are red, under it blue',
  found: 'Found',
  house: '{drawn, select, yes {House: sets outline, eave and pitches of what is drawn} other {House}}',
  volume: '{flat, select, yes {level roof} other {eave at {eave}, {pitches}}}',
  part: 'Part {n, number} of the house',
  dormer: 'Dormer, {form, select, gable {gabled} hip {hipped} shed {shed} other {flat}}, {width} wide',
  block: '{is, select, chimney {Chimney} vent {Vent} other {Block}}, {width} × {depth}, {height} high',
  tree: 'Tree, {height} high, crown {crown}, {where}',
  neighbour:
    'Neighbouring building, {flat, select, yes {level roof at {eave}} other {eave at {eave}, {pitches}}}, {where}',
  neighboursLeft:
    '{left, plural, one {# neighbouring building} other {# neighbouring buildings}} could not be read.',
  where: '{away} to the {side}',
  stands: 'drawn already',
  accept: 'Put {count, plural, one {# object} other {# objects}} in place',
  none: 'Nothing is chosen',
  byHand: 'Draw by hand over these lines',
  lines: 'Lines of the heights: drawings hold on to them, new outlines take their roof from them.',
  hide: 'Hide lines',
  plane:
    '{pitch} by {cells, plural, one {# height} other {# heights}}: set it on the side that the plane rises from',
  reads:
    'The plane falls by {pitch} to {azimuth}; it rests on {cells, plural, one {# height} other {# heights}}. No side of a drawn house is under it.',
  pitched: '{name}: side to {azimuth} set to {pitch} from the heights.',
  pitch: 'Pitch from heights',
  told: '{flat, select, yes {Level roof at {eave} from the heights.} other {Eave at {eave}, {pitches} from the heights.}}',
  taken:
    '{count, plural, one {# object} other {# objects}} read from heights. Check the pitches against a photo.',
  label: 'Read from heights',
} as const
