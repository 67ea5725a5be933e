/** Rows raised off a flat roof. */
export const tiltedRows = {
  title: 'Tilted rows',
  tilt: 'Tilt from roof',
  faces: 'Facing',
  distance: 'Row to row',
  gap: 'Gap between rows',
  free: 'No row shade',
  freeHint: 'The gap at which no row shades the next on the shortest day, between these hours of solar time',
  own: 'own gap',
  hours: '{from}–{to} h, {month, select, june {Jun 21} other {Dec 21}}',
  cover: 'Ground cover',
  on: 'Tilt rows',
  off: 'Lay flat',
} as const
