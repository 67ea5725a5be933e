/** Short pieces that stand inside other sentences. */
export const phrases = {
  range: '{low} to {high}',
  away: '{distance} away',
  'on-snow': '{albedo, number} on snow',
  'of-the-sky': '{sky} of it from the sky',
  'far-horizon': 'Far horizon',
  'horizon-readings': 'Horizon readings',
  'mount-open': 'open rack',
  gauge: '{gauge} AWG',
  'mount-gap': '{gap} off the roof',
  'model-shade': 'shade',
  'model-mismatch': 'mismatch',
  'model-clipping': 'clipping',
  'model-heat': 'heat',
  'model-reflection': 'reflection',
  'model-low-light': 'low light',
  'model-inverter': 'the inverter',
} as const
