/** Units that a drawing or a model may be drawn in. */
export const fileUnits = {
  mm: 'millimetres',
  cm: 'centimetres',
  m: 'metres',
  in: 'inches',
  ft: 'feet',
} as const
