/** Pictures and drawings of one's own under the model. */
export const underlays = {
  add: 'Add picture or drawing',
  reading: 'Reading …',
  label: 'Add picture or drawing',
  laid: 'Laid at the site. Drag it by its grip, or set its scale{count, plural, =0 {} one {; # text or hatch is not shown} other {; # texts, hatches and dimensions are not shown}}.',
  waiting: 'Fetching …',
  size: 'Size',
  calibrate: 'Set scale by two points',
  turnHint: 'Clockwise',
  order: 'Order',
  top: 'To the top',
  bottom: 'To the bottom',
  unitTitle: 'Unit of the drawing',
  whichUnit: '“{name}” does not say its units. How large is it?',
} as const
