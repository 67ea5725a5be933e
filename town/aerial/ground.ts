import { rotate2, type Vec2 } from '@/core/geometry/vector'
import { pavementM, vergeM } from '../lot-lines'
import { type TownMap } from '../town-map'
import { grain, grainRow, patch } from './noise'
import { fillSpans, placeAt, strip, type Grid } from './sheet'

export type Colour = readonly [red: number, green: number, blue: number]

/** A picture being painted: three numbers a point, 0..255. */
export interface Picture {
  readonly grid: Grid
  readonly rgb: Uint8ClampedArray
}

/** Points of the coarse lattice of a lawn's patches that share one value. */
const coarse = 4
/** Stripes of the mower, m. */
const mownM = 1.15

const lawns: Readonly<Record<string, readonly [Colour, Colour]>> = {
  fresh: [
    [104, 128, 72],
    [148, 156, 98],
  ],
  dry: [
    [142, 140, 92],
    [184, 172, 126],
  ],
  wintry: [
    [124, 122, 84],
    [166, 160, 118],
  ],
}

/** A lawn at the end of winter is faded where there was frost and at its greenest where summers are dry. */
const lawnOf = (map: TownMap, wintry: boolean) =>
  map.town.id === 'pellworth' ? (wintry ? 'wintry' : 'fresh') : wintry ? 'fresh' : 'dry'

/** Lawns in patches of three sizes, with the mower's stripes where they are well kept. */
export function paintLawn({ grid, rgb }: Picture, map: TownMap, wintry: boolean): void {
  const { columns, rows } = grid
  const [low, high] = lawns[lawnOf(map, wintry)] ?? [[0, 0, 0] as Colour, [0, 0, 0] as Colour]
  const fine = Math.abs(grid.stepM[0]) < 0.3
  const seed = Math.round(grid.corner[0] * 31 + grid.corner[1] * 17)
  for (let r = 0; r < rows; r += coarse)
    for (let c = 0; c < columns; c += coarse) {
      const p = placeAt(grid, c + coarse / 2, r + coarse / 2)
      const tone =
        0.5 * patch(p[0] / 6.3, p[1] / 6.3) +
        0.32 * patch(p[0] / 1.9, p[1] / 1.9) +
        0.18 * patch(p[0] / 0.55, p[1] / 0.55)
      const [along, across] = rotate2(p, -map.turnRad)
      const kept = patch(along / 25 + 7.3, across / 44) > 0.42 ? 1 : 0
      const stripe = kept * (Math.floor(across / mownM) % 2 === 0 ? 0.045 : -0.045)
      for (let y = r; y < Math.min(rows, r + coarse); y++) {
        const start = grainRow(y + seed)
        for (let x = c; x < Math.min(columns, c + coarse); x++) {
          const blade = fine ? (grain(start, x) - 0.5) * 0.26 : 0
          const t = Math.max(0, Math.min(1, tone + stripe + blade))
          const at = (y * columns + x) * 3
          rgb[at] = low[0] + (high[0] - low[0]) * t
          rgb[at + 1] = low[1] + (high[1] - low[1]) * t
          rgb[at + 2] = low[2] + (high[2] - low[2]) * t
        }
      }
    }
}

/** Fills a polygon with a colour that varies from point to point. */
export function paintArea(
  { grid, rgb }: Picture,
  polygon: readonly Vec2[],
  colour: Colour,
  rough: number,
): void {
  fillSpans(grid, polygon, (from, to, row) => {
    const start = grainRow(row)
    for (let x = from; x < to; x++) {
      const k = 1 + (grain(start, x) - 0.5) * rough
      const at = (row * grid.columns + x) * 3
      rgb[at] = colour[0] * k
      rgb[at + 1] = colour[1] * k
      rgb[at + 2] = colour[2] * k
    }
  })
}

const kerbM = 0.25
const dashM = 3
const flagM = 1.4

/** Streets with kerbs, pavements of flags, and a broken line in the middle. */
export function paintStreets(
  picture: Picture,
  map: TownMap,
  near: (p: Vec2, reachM: number) => boolean,
): void {
  const detailed = Math.abs(picture.grid.stepM[0]) < 0.3
  for (const { from, to, widthM } of map.streets) {
    const length = Math.hypot(to[0] - from[0], to[1] - from[1])
    const way: Vec2 = [(to[0] - from[0]) / length, (to[1] - from[1]) / length]
    const side: Vec2 = [-way[1], way[0]]
    const at = (along: number, across: number): Vec2 => [
      from[0] + way[0] * along + side[0] * across,
      from[1] + way[1] * along + side[1] * across,
    ]
    for (const s of [-1, 1]) {
      const middle = s * (widthM / 2 + vergeM + pavementM / 2)
      paintArea(picture, strip(at(0, middle), at(length, middle), pavementM), [182, 177, 166], 0.08)
      if (!detailed) continue
      for (let d = 0; d < length; d += flagM)
        if (near(at(d, middle), 2))
          paintArea(
            picture,
            strip(at(d, middle - pavementM / 2), at(d, middle + pavementM / 2), 0.06),
            [158, 153, 144],
            0.05,
          )
    }
    paintArea(picture, strip(from, to, widthM + 2 * kerbM), [168, 165, 158], 0.08)
  }
  for (const { from, to, widthM } of map.streets) {
    paintArea(picture, strip(from, to, widthM), [112, 112, 114], 0.12)
    if (!detailed) continue
    const length = Math.hypot(to[0] - from[0], to[1] - from[1])
    const on = (d: number): Vec2 => [
      from[0] + ((to[0] - from[0]) * d) / length,
      from[1] + ((to[1] - from[1]) * d) / length,
    ]
    for (let d = 0; d < length; d += 3 * dashM)
      if (near(on(d), dashM))
        paintArea(picture, strip(on(d), on(Math.min(length, d + dashM)), 0.12), [206, 202, 188], 0.05)
  }
}

const slabM = 2.2

/** A drive of concrete slabs. */
export function paintDrive(picture: Picture, drive: readonly Vec2[]): void {
  paintArea(picture, drive, [172, 166, 156], 0.09)
  const [a, b, c, d] = drive
  if (!a || !b || !c || !d || Math.abs(picture.grid.stepM[0]) > 0.3) return
  const length = Math.hypot(c[0] - b[0], c[1] - b[1])
  for (let s = slabM; s < length; s += slabM) {
    const t = s / length
    const along = (p: Vec2, q: Vec2): Vec2 => [p[0] + (q[0] - p[0]) * t, p[1] + (q[1] - p[1]) * t]
    paintArea(picture, strip(along(a, d), along(b, c), 0.06), [146, 141, 132], 0.05)
  }
}
