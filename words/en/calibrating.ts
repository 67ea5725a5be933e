/** Setting the scale of a picture or a drawing by two of its points. */
export const calibrating = {
  first: 'Click a point of the picture or drawing, or go there with the arrow keys and press Enter.',
  second: 'Click a second point whose distance from the first you know.',
  length:
    'Type how far apart they are, then Enter; “12.4 90°” also turns it: the second lies due east of the first.',
  none: 'Select the picture or drawing in the list of Site first.',
  label: 'Set scale',
  scaled: 'Scale set.',
  scaledAndTurned: 'Scale and north set.',
} as const
