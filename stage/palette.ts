/** The tokens of the stylesheet as numbers, for what is drawn on canvases. */
export interface Palette {
  readonly paper: string
  readonly card: string
  readonly cardShade: string
  readonly wall: string
  readonly ink: string
  readonly pencil: string
  readonly verdigris: string
  readonly clay: string
  readonly straw: string
  readonly panel: string
  readonly crown: string
  readonly glass: string
  /** Strength of the light from all around. */
  readonly ambient: number
}

export const lightPalette: Palette = {
  paper: '#F7F4ED',
  card: '#FFFDF8',
  cardShade: '#F1E7D6',
  wall: '#F6EFE2',
  ink: '#1E2A32',
  pencil: '#6B7780',
  verdigris: '#1F7A6C',
  clay: '#B5492B',
  straw: '#E2B84B',
  panel: '#1B2C5A',
  crown: '#DDE0C3',
  glass: '#C3D3D6',
  ambient: 1.55,
}

export const darkPalette: Palette = {
  paper: '#20272C',
  card: '#2A333A',
  cardShade: '#3A444B',
  wall: '#434E55',
  ink: '#E9E4D8',
  pencil: '#9AA6AE',
  verdigris: '#58B8A8',
  clay: '#E07F61',
  straw: '#E2B84B',
  panel: '#3C5AA8',
  crown: '#6C7660',
  glass: '#5E737C',
  ambient: 1.2,
}

type Rgb = readonly [number, number, number]

/** The sun map: even steps of lightness from little to much (ink, moss, straw). */
const ramp: readonly Rgb[] = [
  [20, 33, 61],
  [38, 66, 84],
  [79, 122, 91],
  [158, 170, 108],
  [244, 222, 138],
]

/** @param share 0..1 */
export function sunMapColour(share: number): Rgb {
  const at = Math.max(0, Math.min(1, share)) * (ramp.length - 1)
  const i = Math.min(ramp.length - 2, Math.floor(at))
  const [a, b] = [ramp[i] ?? [0, 0, 0], ramp[i + 1] ?? [0, 0, 0]]
  const mix = (k: 0 | 1 | 2) => Math.round((a[k] ?? 0) + ((b[k] ?? 0) - (a[k] ?? 0)) * (at - i))
  return [mix(0), mix(1), mix(2)]
}

export const cssColour = ([r, g, b]: Rgb) => `rgb(${r}, ${g}, ${b})`

export const rampCss = `linear-gradient(90deg, ${ramp.map(cssColour).join(', ')})`

/** Black or white, whichever is read better on a colour (relative luminance of WCAG 2). */
export function textOn(colour: Rgb): string {
  const linear = colour.map((value) => {
    const v = value / 255
    return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4
  })
  const luminance = 0.2126 * (linear[0] ?? 0) + 0.7152 * (linear[1] ?? 0) + 0.0722 * (linear[2] ?? 0)
  // Both are read equally well at the root of 1.05 * 0.05, less 0.05.
  return luminance > 0.179 ? '#000000' : '#ffffff'
}
