/** 3D models from files. */
export const models = {
  reading: 'Reading …',
  stop: 'Stop',
  label: 'Add 3D model',
  title: 'Size of the model',
  whichSize: '“{name}” does not say its units or which way is up. How large is it?',
  up: 'Up',
  ups: { y: 'Y axis', z: 'Z axis' },
  cancel: 'Cancel',
  added:
    '{name} stands at the site, with {triangles, plural, one {# triangle} other {# triangles}}{simplified, select, yes { of {all, number}; nothing is off by more than {off}} other {}}. Drag it to its place.',
  plan: 'In plan',
  partOf: { house: 'the house', around: 'surroundings' },
  keepClear: { yes: 'where it rises over them', no: 'no' },
} as const
