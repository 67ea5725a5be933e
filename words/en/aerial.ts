/** Aerial pictures, and how they are brought to lie where the house is. */
export const aerial = {
  title: 'Aerial picture',
  picture: 'Taken',
  choice: '{when}{bare, select, true {, bare trees} other {}}{slant, select, true {, at a slant} other {}}',
  usual: 'usual picture',
  away: 'not known here',
  missing: 'This picture is not there at this place. Choose another.',
  strength: 'Strength',
  slanted:
    'Taken from the {from}, {degrees} off vertical: what stands is displaced by {share} of its height. Choose the height at which the picture sits right.',
  rightAt: 'Sits right at',
  ground: 'Ground',
  eaves: 'Eaves',
  ridge: 'Ridge',
  height: 'Height',
  east: 'Shift east',
  north: 'Shift north',
  move: 'By two points',
  moveHint: 'Move the picture: click a point of it, then where that point belongs',
  reset: 'Reset',
  label: 'Aerial picture',
  shifted: 'Shift of the aerial picture',
  first:
    'Click a point of the aerial picture, such as the corner of a roof, or go there with the arrow keys and press Enter.',
  second: 'Click where that point belongs; corners of the model are held on to.',
  done: 'Aerial picture moved {by}.',
} as const
