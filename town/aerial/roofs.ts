import { turnedRectangle } from '@/core/geometry/polygon'
import { rotate2, type Vec2, type Vec3 } from '@/core/geometry/vector'
import { planeHeightM, type RoofPlane } from '@/core/roof/plane'
import { noise } from './noise'
import { paintArea, type Colour, type Picture } from './ground'
import { type Car, type PaintedLot } from './scene'
import { fillSpans, placeAt, strip } from './sheet'
import { type LowSun } from './shadows'

/** Up the slope from course to course, and along it from tile to tile, m. */
const [courseM, tileM] = [0.3, 0.42]

/** The top of a parapet. */
const parapetColour: Colour = [196, 190, 180]

/** Share of the full light on a face. */
function lightOn(normal: Vec3, { towards, risePerMetre }: LowSun): number {
  const k = 1 / Math.hypot(1, risePerMetre)
  const sun = Math.max(0, (normal[0] * towards[0] + normal[1] * towards[1] + normal[2] * risePerMetre) * k)
  return 0.46 + 0.72 * sun
}

/**
 * Roofs as they are seen from above: each point shows the highest plane.
 * @param tops heights painted so far, one a point; raised where a roof is painted
 */
export function paintRoofs(
  picture: Picture,
  { lot, planes }: PaintedLot,
  sun: LowSun,
  tops: Float32Array,
): void {
  for (const { outline, flat } of lot.volumes)
    if (flat && flat.parapetM > 0) paintArea(picture, outline, parapetColour, 0.05)
  for (const { plane, plan } of planes) paintPlane(picture, plane, plan, lot.roofColour, sun, tops)
  for (const { plane, plan } of planes) paintCaps(picture, plane, plan, lot.roofColour, sun, tops)
  for (const { center, widthM, depthM, rotationDeg = 0 } of lot.chimneys) {
    const base = turnedRectangle(center, widthM, depthM, rotationDeg)
    paintArea(picture, base, [158, 100, 84], 0.14)
    paintArea(
      picture,
      base.map(([x, y]): Vec2 => [center[0] + (x - center[0]) * 0.55, center[1] + (y - center[1]) * 0.55]),
      [52, 46, 44],
      0.1,
    )
  }
}

function paintPlane(
  { grid, rgb }: Picture,
  plane: RoofPlane,
  plan: readonly Vec2[],
  colour: Colour,
  sun: LowSun,
  tops: Float32Array,
): void {
  const light = lightOn(plane.normal, sun) * 1.12
  const level = Math.hypot(plane.normal[0], plane.normal[1])
  const foot = Math.min(...plane.corners.map((c) => c[2]))
  // Along the eave, so that tiles of one course lie side by side.
  const way: Vec2 = level < 1e-6 ? [1, 0] : [-plane.normal[1] / level, plane.normal[0] / level]
  const fine = Math.abs(grid.stepM[0]) < 0.12
  fillSpans(grid, plan, (from, to, row) => {
    for (let x = from; x < to; x++) {
      const p = placeAt(grid, x, row)
      const height = planeHeightM(plane, p)
      const index = row * grid.columns + x
      if (height < (tops[index] ?? 0)) continue
      tops[index] = height
      const up = level < 1e-6 ? p[1] : (height - foot) / level
      const course = Math.floor(up / courseM)
      const within = up / courseM - course
      const tile = Math.floor((p[0] * way[0] + p[1] * way[1]) / tileM + (course % 2) * 0.5)
      const uneven = 1 + (noise(course * 7 + 3, tile) - 0.5) * (fine ? 0.16 : 0.05)
      const lap = fine ? (within < 0.16 ? 0.82 : 0.98 + 0.05 * within) : 0.96
      const k = light * uneven * lap
      rgb[index * 3] = colour[0] * k
      rgb[index * 3 + 1] = colour[1] * k
      rgb[index * 3 + 2] = colour[2] * k
    }
  })
}

/** Light caps along ridges and hips, dark channels in valleys, gutters at the eaves. */
function paintCaps(
  picture: Picture,
  plane: RoofPlane,
  plan: readonly Vec2[],
  colour: Colour,
  sun: LowSun,
  tops: Float32Array,
): void {
  const light = lightOn([0, 0, 1], sun) * 1.12
  plan.forEach((a, i) => {
    const b = plan[(i + 1) % plan.length] ?? a
    const kind = plane.edges[i]?.kind
    const middle: Vec2 = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2]
    const column = Math.floor((middle[0] - picture.grid.corner[0]) / picture.grid.stepM[0])
    const row = Math.floor((middle[1] - picture.grid.corner[1]) / picture.grid.stepM[1])
    const inside = column >= 0 && row >= 0 && column < picture.grid.columns && row < picture.grid.rows
    // Of a part that is covered by a higher one nothing shows.
    if (inside && (tops[row * picture.grid.columns + column] ?? 0) > planeHeightM(plane, middle) + 0.3) return
    const [wide, k] =
      kind === 'ridge' || kind === 'hip' ? [0.24, 1.16] : kind === 'valley' ? [0.2, 0.74] : [0.14, 0.84]
    paintArea(
      picture,
      strip(a, b, wide),
      [colour[0] * light * k, colour[1] * light * k, colour[2] * light * k],
      0.08,
    )
  })
}

const [carLengthM, carWidthM] = [4.3, 1.8]

/** A car from above: body, windows, roof. */
export function paintCar(picture: Picture, { at, turnRad, colour }: Car): void {
  const box = (from: number, to: number, half: number, cut: number): Vec2[] =>
    (
      [
        [from, -half + cut],
        [from + cut, -half],
        [to - cut, -half],
        [to, -half + cut],
        [to, half - cut],
        [to - cut, half],
        [from + cut, half],
        [from, half - cut],
      ] as Vec2[]
    ).map((p) => {
      const turned = rotate2(p, turnRad)
      return [at[0] + turned[0], at[1] + turned[1]]
    })
  const [l, w] = [carLengthM / 2, carWidthM / 2]
  paintArea(picture, box(-l, l, w, 0.3), colour, 0.04)
  paintArea(picture, box(-l * 0.62, l * 0.42, w * 0.84, 0.2), [44, 50, 56], 0.06)
  paintArea(picture, box(-l * 0.4, l * 0.16, w * 0.78, 0.15), colour, 0.04)
}
