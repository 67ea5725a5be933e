import {
  crownMeets,
  slabUnder,
  columnsUnder,
  sheetOf,
  type Body,
  type CrownBody,
  type SolidBody,
} from '../geometry/body'
import { type Vec3 } from '../geometry/vector'
import { seededRandom } from '../model/random'
import { toRadians } from '../model/units'
import { outlinesOf, silhouetteOf } from './silhouette'

const first = <T>(items: readonly T[]): T => {
  const [item] = items
  if (item === undefined) throw new Error('there is one')
  return item
}
const towards = (azimuthDeg: number, elevationDeg: number): Vec3 => {
  const [a, e] = [toRadians(azimuthDeg), toRadians(elevationDeg)]
  return [Math.cos(e) * Math.sin(a), Math.cos(e) * Math.cos(a), Math.sin(e)]
}

test('a wall ten metres to the south, four high, from its foot: up to the arctangent, wider by nothing', () => {
  const wall = first(
    columnsUnder(
      [
        [-5, -11, 4],
        [5, -11, 4],
        [5, -10, 4],
        [-5, -10, 4],
      ],
      0,
    ),
  )
  const { spans } = silhouetteOf([0, 0, 0], wall, 1)
  expect(spans[180]?.[0]).toBeCloseTo(0, 9)
  expect(spans[180]?.[1]).toBeCloseTo((Math.atan(4 / 10) * 180) / Math.PI, 9)
  expect(spans[0]).toBeNull()
  // Its near corners stand 26.6 degrees to either side of south.
  expect(spans.flatMap((span, i) => (span ? [i] : []))).toEqual(Array.from({ length: 53 }, (_, k) => 154 + k))
})

test('a crown overhead and one beside: the zenith is hidden, and tangents are those of a ball', () => {
  const ball = (center: Vec3): CrownBody => ({
    kind: 'crown',
    center,
    crownRadiusM: 3,
    halfHeightM: 3,
    transmissivity: new Array<number>(12).fill(0.2),
    radiusM: 3,
  })
  for (const span of silhouetteOf([0, 0, 0], ball([0, 0, 6]), 5).spans) {
    expect(span?.[0]).toBeCloseTo(60, 9)
    expect(span?.[1]).toBeCloseTo(90, 9)
  }
  const east = silhouetteOf([0, 0, 0], ball([6, 0, 0]), 5).spans[18]
  expect(east?.[1]).toBeCloseTo(30, 9)
  expect(silhouetteOf([0, 0, 0], ball([0, 1, 1]), 5).spans.every((span) => span?.[1] === 90)).toBe(true)
})

/** Whether a ray meets a body, by half-spaces. */
function meets(body: Body, [px, py, pz]: Vec3, [dx, dy, dz]: Vec3): boolean {
  if (body.kind === 'crown') return crownMeets(body, px, py, pz, dx, dy, dz)
  let [from, to] = [0, Infinity]
  for (let f = 0; f < body.faces.length; f += 4) {
    const [nx, ny, nz, c] = body.faces.subarray(f, f + 4) as unknown as [number, number, number, number]
    const along = nx * dx + ny * dy + nz * dz
    const room = c - nx * px - ny * py - nz * pz
    if (Math.abs(along) < 1e-12) {
      if (room < 0) return false
    } else if (along > 0) to = Math.min(to, room / along)
    else from = Math.max(from, room / along)
  }
  return from <= to
}

const random = seededRandom(20_261_127)
const between = (low: number, high: number) => low + random() * (high - low)

function someBody(): Body {
  const center: Vec3 = [between(-12, 12), between(-12, 12), between(-3, 10)]
  if (random() < 0.35)
    return {
      kind: 'crown',
      center,
      crownRadiusM: between(0.3, 5),
      halfHeightM: between(0.3, 6),
      transmissivity: new Array<number>(12).fill(0.3),
      radiusM: 6,
    }
  const turn = between(0, 6)
  const [w, d] = [between(0.1, 8), between(0.1, 8)]
  const lid = (
    [
      [-w, -d],
      [w, -d],
      [w, d],
      [-w, d],
    ] as const
  ).map(([x, y]): Vec3 => {
    const [cos, sin] = [Math.cos(turn), Math.sin(turn)]
    return [center[0] + x * cos - y * sin, center[1] + x * sin + y * cos, center[2] + 0.3 * x]
  })
  const kind = random()
  const body: SolidBody | null | undefined =
    kind < 0.4
      ? columnsUnder(lid, center[2] - 6)[0]
      : kind < 0.8
        ? slabUnder(lid, between(0.05, 2))
        : sheetOf([lid[0], lid[1], lid[2]] as [Vec3, Vec3, Vec3])
  if (!body) throw new Error('a body has an area')
  return body
}

test('a thousand bodies against rays: what lies inside a span is met, what lies outside is not', () => {
  let met = 0
  const wrong: object[] = []
  for (let k = 0; k < 1000; k++) {
    const body = someBody()
    const from: Vec3 = [between(-3, 3), between(-3, 3), between(-1, 4)]
    const { spans } = silhouetteOf(from, body, 4)
    for (let i = 0; i < spans.length; i += 3) {
      const span = spans[i]
      for (let j = 0; j < 6; j++) {
        const elevation = between(-89, 89)
        // A direction that only grazes may count either way.
        if (span && span.some((edge) => Math.abs(edge - elevation) < 1e-4)) continue
        const inside = span !== null && span !== undefined && elevation > span[0] && elevation < span[1]
        const is = meets(body, from, towards(i * 4, elevation))
        if (is) met++
        if (inside !== is) wrong.push({ k, i, elevation, inside })
      }
    }
  }
  expect(wrong).toEqual([])
  expect(met).toBeGreaterThan(10_000)
})

test('outlines stand above the horizon, close, and part where north is crossed', () => {
  const wall = (y: number) =>
    first(
      columnsUnder(
        [
          [-2, y, 3],
          [2, y, 3],
          [2, y + 1, 3],
          [-2, y + 1, 3],
        ],
        -2,
      ),
    )
  const south = outlinesOf(silhouetteOf([0, 0, 0], wall(-9), 0.5))
  expect(south).toHaveLength(1)
  const north = outlinesOf(silhouetteOf([0, 0, 0], wall(9), 0.5))
  expect(north).toHaveLength(2)
  for (const [azimuth, elevation] of [...south, ...north].flat()) {
    expect(azimuth).toBeGreaterThanOrEqual(0)
    expect(azimuth).toBeLessThanOrEqual(360)
    expect(elevation).toBeGreaterThanOrEqual(0)
  }
  expect(north.flat().some(([azimuth]) => azimuth === 0)).toBe(true)
  expect(north.flat().some(([azimuth]) => azimuth === 360)).toBe(true)
  // What lies below the horizon is not seen against the sky.
  expect(outlinesOf(silhouetteOf([0, 0, 20], wall(9), 0.5))).toEqual([])
})
