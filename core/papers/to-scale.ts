import { type Mark } from '../drawing/paper'
import { type Vec2 } from '../geometry/vector'
import { formatLength, metresPerFoot, type UnitSystem } from '../model/units'
import { letters, type Room } from './sheet'

/** Scales people draw in, metric and feet to the inch; the largest that has room is taken. */
const scales = {
  metric: [20, 25, 50, 75, 100, 125, 150, 200, 250, 500, 1000, 2000, 5000],
  imperial: [24, 32, 48, 64, 96, 128, 192, 240, 360, 480, 600, 1200, 2400, 4800],
} as const

/** How ground comes to lie on paper, north up. */
export interface ToScale {
  /** Metres in nature for one on paper. */
  readonly scale: number
  /** Millimetres on paper for a metre. */
  readonly perM: number
  readonly at: (p: readonly [number, number, ...number[]]) => Vec2
  /** The middle of the room on the ground. */
  readonly middle: Vec2
}

/** The largest usual scale at which all of that lies in the room, in its middle. */
export function toScale(
  points: readonly (readonly [number, number, ...number[]])[],
  room: Room,
  units: UnitSystem,
): ToScale {
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)]
  const [x0, x1, y0, y1] = points.length === 0 ? [0, 1, 0, 1] : [least(xs), most(xs), least(ys), most(ys)]
  const [roomW, roomH] = [room.right - room.left, room.bottom - room.top]
  const scale =
    scales[units].find((one) => ((x1 - x0) * 1000) / one <= roomW && ((y1 - y0) * 1000) / one <= roomH) ??
    Math.ceil((Math.max((x1 - x0) / roomW, (y1 - y0) / roomH) * 1000) / 1000) * 1000
  const perM = 1000 / scale
  const middle: Vec2 = [(x0 + x1) / 2, (y0 + y1) / 2]
  const [midX, midY] = [(room.left + room.right) / 2, (room.top + room.bottom) / 2]
  return {
    scale,
    perM,
    middle,
    at: ([x, y]) => [midX + (x - middle[0]) * perM, midY - (y - middle[1]) * perM],
  }
}

const least = (values: readonly number[]) => values.reduce((a, b) => Math.min(a, b), Infinity)
const most = (values: readonly number[]) => values.reduce((a, b) => Math.max(a, b), -Infinity)

/** What a drawing to scale says of itself in the title block. */
export interface ScaleWords {
  /** @param scale metres in nature for one on paper */
  readonly scale: (scale: number) => string
  readonly north: string
}

/** A bar of round lengths beside which anything may be measured whatever a printer made of the scale, and north. */
export function furniture(
  { perM, scale }: ToScale,
  [x, y]: Vec2,
  { units, locale }: { readonly units: UnitSystem; readonly locale: string },
  words: ScaleWords,
): Mark[] {
  const oneM = units === 'imperial' ? metresPerFoot : 1
  const whole = [1, 2, 5, 10, 20, 50, 100].filter((n) => n * oneM * perM <= 40).at(-1) ?? 1
  const width = whole * oneM * perM
  const bar = (to: number, fill?: number): Mark => ({
    layer: 'SCALE',
    is: 'line',
    closed: true,
    widthMm: 0.25,
    points: [
      [x, y + 8],
      [x + to, y + 8],
      [x + to, y + 9.6],
      [x, y + 9.6],
    ],
    ...(fill === undefined ? {} : { fill }),
  })
  const [tip, foot] = [x + 70, y + 4]
  return [
    bar(width),
    bar(width / 2, 0),
    letters('0', [x, y + 7], { layer: 'SCALE', anchor: 'middle' }),
    letters(formatLength(whole * oneM, units, locale), [x + width, y + 7], {
      layer: 'SCALE',
      anchor: 'middle',
    }),
    letters(words.scale(scale), [x, y + 18], { layer: 'SCALE' }),
    {
      layer: 'SCALE',
      is: 'line',
      closed: true,
      widthMm: 0,
      fill: 0,
      points: [
        [tip - 4, foot + 11],
        [tip, foot],
        [tip + 4, foot + 11],
        [tip, foot + 8],
      ],
    },
    letters(words.north, [tip, foot + 15.5], { layer: 'SCALE', anchor: 'middle' }),
  ]
}

/** A closed outline on paper. */
export const outlined = (
  view: ToScale,
  ring: readonly (readonly [number, number, ...number[]])[],
  layer: string,
  style: { readonly widthMm: number; readonly fill?: number; readonly dashed?: boolean },
): Mark => ({ layer, is: 'line', closed: true, points: ring.map(view.at), ...style })
