import { type Mark } from '../drawing/paper'
import { type Vec2 } from '../geometry/vector'

/** Symbols of the general form of IEC 60617, drawn anew; sizes in millimetres. */
const thin = 0.25
const layer = 'SYMBOLS'

export const wire = (points: readonly Vec2[], dashed = false): Mark => ({
  layer: 'WIRES',
  is: 'line',
  points,
  widthMm: 0.35,
  dashed,
})
const stroke = (points: readonly Vec2[], more: { closed?: boolean; fill?: number } = {}): Mark => ({
  layer,
  is: 'line',
  points,
  widthMm: thin,
  ...more,
})
const letter = (text: string, at: Vec2, sizeMm = 3): Mark => ({
  layer,
  is: 'text',
  at,
  text,
  sizeMm,
  anchor: 'middle',
})
const box = ([x, y]: Vec2, width: number, height: number): Mark =>
  stroke(
    [
      [x - width / 2, y - height / 2],
      [x + width / 2, y - height / 2],
      [x + width / 2, y + height / 2],
      [x - width / 2, y + height / 2],
    ],
    { closed: true },
  )

/** Two short lines and a tilde in a box's halves: direct and alternating current. */
const direct = ([x, y]: Vec2): Mark[] => [
  stroke([
    [x - 2, y - 0.7],
    [x + 2, y - 0.7],
  ]),
  stroke([
    [x - 2, y + 0.7],
    [x + 2, y + 0.7],
  ]),
]
const alternating = ([x, y]: Vec2): Mark =>
  stroke(
    Array.from({ length: 17 }, (_, k): Vec2 => {
      const along = k / 16
      return [x - 2.2 + 4.4 * along, y - Math.sin(along * 2 * Math.PI) * 1.1]
    }),
  )

/** A generator that light drives; the wire goes on from its right side. */
export const photovoltaic = (at: Vec2): Mark[] => {
  const [x, y] = at
  const arrow = (dx: number): Mark[] => [
    stroke([
      [x + dx - 3.6, y - 8.2],
      [x + dx - 1.2, y - 5.6],
    ]),
    stroke(
      [
        [x + dx - 1.2, y - 5.6],
        [x + dx - 2.3, y - 6],
        [x + dx - 1.5, y - 6.8],
      ],
      { closed: true, fill: 0 },
    ),
  ]
  return [box(at, 10, 10), letter('G', [x, y + 0.4], 3.4), ...direct([x, y + 3]), ...arrow(0), ...arrow(2.6)]
}

/** Between direct and alternating current, what comes from the left first; `height` lets it stand beside several inputs. */
export const converter = (
  at: Vec2,
  width: number,
  height: number,
  is: 'from-direct' | 'from-alternating' = 'from-direct',
): Mark[] => {
  const [x, y] = at
  const [left, right]: [Vec2, Vec2] = [
    [x - width / 4, y - height / 4],
    [x + width / 4, y + height / 4],
  ]
  return [
    box(at, width, height),
    stroke([
      [x - width / 2, y + height / 2],
      [x + width / 2, y - height / 2],
    ]),
    ...direct(is === 'from-direct' ? left : right),
    alternating(is === 'from-direct' ? right : left),
  ]
}

/** A panel in which circuits from the left come together on one bar. */
export const enclosedBar = ([x, y]: Vec2, width: number, height: number): Mark[] => [
  box([x, y], width, height),
  wire([
    [x - width / 2, y],
    [x + width / 2, y],
  ]),
  busBar(x, y - height / 2 + 2, y + height / 2 - 2),
]

/** A contact in a wire from left to right, 8 mm long, drawn open. */
const contact = ([x, y]: Vec2): Mark[] => [
  wire([
    [x - 4, y],
    [x - 2.4, y],
  ]),
  wire([
    [x - 2.4, y],
    [x + 2, y - 2.6],
  ]),
  wire([
    [x + 2.4, y],
    [x + 4, y],
  ]),
]

/** Opens a circuit so that it can be seen. */
export const disconnector = (at: Vec2): Mark[] => [
  ...contact(at),
  stroke([
    [at[0] + 2.4, at[1] - 1.3],
    [at[0] + 2.4, at[1] + 1.3],
  ]),
]

/** Opens a circuit by itself when too much flows. */
export const breaker = (at: Vec2): Mark[] => {
  const [x, y] = [at[0] + 2.4, at[1]]
  return [
    ...contact(at),
    stroke([
      [x - 1.1, y - 1.1],
      [x + 1.1, y + 1.1],
    ]),
    stroke([
      [x - 1.1, y + 1.1],
      [x + 1.1, y - 1.1],
    ]),
  ]
}

/** Counts energy, here both ways. */
export const meter = (at: Vec2): Mark[] => {
  const [x, y] = at
  return [
    box(at, 10, 10),
    stroke([
      [x - 5, y - 2.4],
      [x + 5, y - 2.4],
    ]),
    letter('kWh', [x, y + 2.4], 3),
  ]
}

/** Cells in a row. */
export const storage = (at: Vec2, led: 'from-left' | 'from-right' = 'from-left'): Mark[] => {
  const [x, y] = at
  const side = led === 'from-left' ? 1 : -1
  const plate = (dx: number, half: number): Mark =>
    stroke([
      [x + side * dx, y - half],
      [x + side * dx, y + half],
    ])
  return [
    plate(-3, 3),
    plate(-1.4, 1.5),
    plate(1.4, 3),
    plate(3, 1.5),
    wire([
      [x - 7 * side, y],
      [x - 3 * side, y],
    ]),
    wire(
      [
        [x - 1.4, y],
        [x + 1.4, y],
      ],
      true,
    ),
  ]
}

/** The public supply. */
export const supply = (at: Vec2): Mark[] => [
  { layer, is: 'circle', at, radiusMm: 5, widthMm: thin },
  alternating(at),
]

export const earth = ([x, y]: Vec2): Mark[] =>
  [3, 2, 1].map((half, k) =>
    stroke([
      [x - half, y + k],
      [x + half, y + k],
    ]),
  )

/** What the house uses: an arrow out. */
export const load = ([x, y]: Vec2): Mark[] => [
  stroke(
    [
      [x, y - 1.2],
      [x + 2.6, y],
      [x, y + 1.2],
    ],
    { closed: true, fill: 0 },
  ),
]

/** Where wires join. */
export const joint = (at: Vec2): Mark => ({
  layer,
  is: 'circle',
  at,
  radiusMm: 0.5,
  widthMm: 0.1,
  fill: 0,
})

/** A bar that many circuits hang on. */
export const busBar = (x: number, from: number, to: number): Mark => ({
  layer,
  is: 'line',
  points: [
    [x, from],
    [x, to],
  ],
  widthMm: 0.9,
})
