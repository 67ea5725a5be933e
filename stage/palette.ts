/** The light of the model room, linear red, green and blue. Sky and bounce come from above and from below. */
export interface RoomLight {
  readonly sky: Triple
  readonly bounce: Triple
  readonly sun: Triple
  /** How bright the aerial picture is printed. */
  readonly print: number
}
type Triple = readonly [red: number, green: number, blue: number]

/** The tokens of the stylesheet as numbers, for what is drawn on canvases. */
export interface Palette {
  readonly paper: string
  readonly card: string
  readonly ink: string
  readonly pencil: string
  readonly verdigris: string
  readonly clay: string
  readonly straw: string
  readonly panel: string
  /** The maquette's own: what each of its parts is made of. */
  readonly roof: string
  readonly wall: string
  /** Of the houses around: roofs and walls alike. */
  readonly neighbour: string
  readonly leaf: string
  readonly trunk: string
  /** Of bare trees. */
  readonly branch: string
  readonly module: string
  /** Frames and lines between the cells of a module. */
  readonly frame: string
  readonly glass: string
  /** Edges inside a shape, and those against what lies behind it. */
  readonly line: string
  readonly contour: string
  readonly light: RoomLight
}

export const lightPalette: Palette = {
  paper: '#F7F4ED',
  card: '#FFFDF8',
  ink: '#1E2A32',
  pencil: '#6B7780',
  verdigris: '#1F7A6C',
  clay: '#B5492B',
  straw: '#E2B84B',
  panel: '#1B2C5A',
  roof: '#FFFDF8',
  wall: '#FBF7EF',
  neighbour: '#F6F3EC',
  leaf: '#C6CFAE',
  trunk: '#B7A48F',
  branch: '#4A565F',
  module: '#1B2C5A',
  frame: '#D9DCE2',
  glass: '#9FB4B8',
  line: '#1E2A32',
  contour: '#1E2A32',
  light: {
    sky: [0.475, 0.495, 0.535],
    bounce: [0.41, 0.4, 0.375],
    sun: [0.545, 0.51, 0.44],
    print: 1,
  },
}

export const darkPalette: Palette = {
  paper: '#20272C',
  card: '#2A333A',
  ink: '#E9E4D8',
  pencil: '#9AA6AE',
  verdigris: '#58B8A8',
  clay: '#E07F61',
  straw: '#E2B84B',
  panel: '#3C5AA8',
  roof: '#8C949A',
  wall: '#7F878D',
  neighbour: '#5C656B',
  leaf: '#66745E',
  trunk: '#5D5349',
  branch: '#98A2A8',
  module: '#2B4796',
  frame: '#AEBAD8',
  glass: '#C9B06A',
  line: '#0C1114',
  contour: '#ECE7DC',
  light: {
    sky: [0.4, 0.44, 0.5],
    bounce: [0.31, 0.325, 0.35],
    sun: [0.56, 0.53, 0.46],
    print: 0.36,
  },
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
