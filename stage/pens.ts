import { type StrokeKind } from '@/core/kinds/standing'
import { type Pen } from './ink'
import { type Palette } from './palette'

/** Pixels of a line inside a shape, and where it parts the shape from what lies behind it. */
const widths: Readonly<Record<StrokeKind, readonly [number, number]>> = {
  ridge: [1.35, 1.7],
  hip: [1.1, 1.6],
  valley: [0.85, 1.1],
  eave: [1.15, 1.6],
  rake: [1.15, 1.6],
  corner: [0.8, 1.35],
  foot: [0.9, 0.9],
  wall: [0.9, 0.9],
  edge: [0.9, 1.35],
  post: [0.8, 0.8],
  measure: [1.2, 1.2],
  mark: [1.2, 1.2],
  walkway: [1.1, 1.1],
  lot: [1.2, 1.2],
  hatch: [0.8, 0.8],
}

const fainter: Readonly<Partial<Record<StrokeKind, number>>> = { post: 0.7, lot: 0.6, hatch: 0.6 }

/** Houses around are drawn finer and fainter. */
const fadedWidth = 0.62
const faded = 0.6

/** Pens for the lines of one object. */
export function pensOf(
  palette: Palette,
  state: 'plain' | 'picked' | 'faulty',
  isFaded: boolean,
  isGlass: boolean,
): (kind: StrokeKind) => Pen {
  const own = { plain: null, picked: palette.verdigris, faulty: palette.clay }[state]
  const times = isFaded ? fadedWidth : state === 'picked' ? 1.35 : 1
  return (kind) => {
    const [inner, contour] = isGlass ? [1.3, 1.3] : widths[kind]
    return {
      colour: own ?? (isGlass ? palette.verdigris : palette.line),
      contour: own ?? (isGlass ? palette.verdigris : palette.contour),
      opacity: isFaded ? faded : (fainter[kind] ?? 1),
      width: [inner * times, contour * times],
    }
  }
}

/** Around what is picked: a line on a wider one of card, so that it is seen on any ground. */
export const casing = (palette: Palette): Pen => ({
  colour: palette.card,
  opacity: 1,
  width: [4.8, 4.8],
})
export const pickedPen = (palette: Palette): Pen => ({
  colour: palette.verdigris,
  opacity: 1,
  width: [2.5, 2.5],
})
export const brokenPen = (palette: Palette): Pen => ({ colour: palette.clay, opacity: 1, width: [2.4, 2.4] })
/** Round a module that has the colour of the roof under it. */
export const mappedPen = (palette: Palette): Pen => ({
  colour: palette.contour,
  opacity: 0.75,
  width: [0.9, 0.9],
})
export const placePen = (palette: Palette): Pen => ({ colour: palette.pencil, opacity: 0.9, width: [1, 1] })
/** Over what is kept free of modules, and around what is left to them. */
export const hatchPen = (palette: Palette): Pen => ({
  colour: palette.pencil,
  opacity: 0.55,
  width: [0.8, 0.8],
})
export const marginPen = (palette: Palette): Pen => ({ colour: palette.pencil, opacity: 0.9, width: [1, 1] })
/** Rails over modules, dark or light, and the plates of their feet. */
export const railCasing = (palette: Palette): Pen => ({
  colour: palette.line,
  opacity: 0.85,
  width: [2.6, 2.6],
})
export const railPen = (palette: Palette): Pen => ({ colour: palette.card, opacity: 1, width: [1.2, 1.2] })
export const footPen = (palette: Palette): Pen => ({
  colour: palette.verdigris,
  opacity: 1,
  width: [2.4, 2.4],
})
