import { containsPoint, signedArea } from '../geometry/polygon'
import { type Vec2, type Vec3 } from '../geometry/vector'
import { seededRandom } from '../model/random'
import { type RoofEdge } from './profile'
import { planOf, planeHeightM, type Building, type Roof } from './plane'
import { buildRoof } from './roof'
import { straightened } from './straighten'

const gable: RoofEdge = { gable: true }
const areaOf = (corners: readonly Vec3[]) => signedArea(planOf(corners))

/** Planes as they are told apart, whatever the order of corners. */
const toldApart = ({ planes }: Roof) =>
  planes.map(({ id, areaM2, edges }) => ({ id, areaM2, edges: edges.map(({ kind }) => kind).sort() }))

/** A bar with wings at either side, its ends gabled by chance, turned, moved and drawn to a step. */
function naturalHouse(seed: number): Building {
  const random = seededRandom(seed)
  const between = (low: number, high: number) => low + (high - low) * random()
  const [w, d, e, f] = [between(9, 18), between(6, 10), between(2, 6), between(2, 6)]
  const [a, b] = [between(1, w / 2 - 1), between(w / 2 + 1, w - 1)]
  const shapes: (readonly (readonly [number, number])[])[] = [
    [
      [0, 0],
      [w, 0],
      [w, d],
      [0, d],
    ],
    [
      [0, 0],
      [w, 0],
      [w, d],
      [a, d],
      [a, d + e],
      [0, d + e],
    ],
    [
      [0, 0],
      [a, 0],
      [a, -e],
      [b, -e],
      [b, 0],
      [w, 0],
      [w, d],
      [0, d],
    ],
    [
      [0, -e],
      [a, -e],
      [a, 0],
      [b, 0],
      [b, -f],
      [w, -f],
      [w, d],
      [0, d],
    ],
    [
      [0, 0],
      [a, 0],
      [a, -e],
      [b, -e],
      [b, 0],
      [w, 0],
      [w, d],
      [b, d],
      [b, d + f],
      [a, d + f],
      [a, d],
      [0, d],
    ],
    [
      [0, -e],
      [a, -e],
      [a, 0],
      [b, 0],
      [b, -e],
      [w, -e],
      [w, d + f],
      [b, d + f],
      [b, d],
      [a, d],
      [a, d + f],
      [0, d + f],
    ],
  ]
  const turn = random() < 0.3 ? 0 : between(0, 2 * Math.PI)
  const step = random() < 0.5 ? 1e-3 : 1e-9
  const outline = (shapes[seed % shapes.length] ?? []).map(([x, y]): Vec2 => {
    const p = [x * Math.cos(turn) - y * Math.sin(turn), x * Math.sin(turn) + y * Math.cos(turn)]
    return [Math.round((p[0] ?? 0) / step) * step, Math.round((p[1] ?? 0) / step) * step]
  })
  const pitchDeg = Math.round(between(15, 50))
  const edges = outline.map((_, i): RoofEdge => {
    const at = (k: number) => outline[(k + outline.length) % outline.length] as Vec2
    const left = (p: Vec2, q: Vec2, r: Vec2) =>
      (q[0] - p[0]) * (r[1] - q[1]) - (q[1] - p[1]) * (r[0] - q[0]) > 0.1
    const isEnd = left(at(i - 1), at(i), at(i + 1)) && left(at(i), at(i + 1), at(i + 2))
    return isEnd && random() < 0.35 ? gable : { pitchDeg }
  })
  return {
    outline,
    edges: edges.every((edge) => 'gable' in edge) ? [{ pitchDeg }, ...edges.slice(1)] : edges,
    eaveHeightM: 3,
  }
}

test('no natural house is refused: planes cover it, and every corner lies on its plane', () => {
  for (let seed = 0; seed < 2000; seed++) {
    const house = naturalHouse(seed)
    const outline = straightened(house.outline, house.edges)
    const roof = buildRoof({ ...house, outline })
    const covered = roof.planes.reduce((sum, plane) => sum + areaOf(plane.corners), 0)
    expect(Math.abs(covered / signedArea(outline) - 1)).toBeLessThan(1e-8)
    for (const plane of roof.planes) {
      expect(areaOf(plane.corners)).toBeGreaterThan(0)
      for (const corner of plane.corners)
        expect(Math.abs(planeHeightM(plane, [corner[0], corner[1]]) - corner[2])).toBeLessThan(1e-6)
    }
  }
})

test('over a convex outline it is the lowest of all planes, for seeded outlines and pitches', () => {
  const random = seededRandom(17)
  for (let round = 0; round < 300; round++) {
    const corners = 3 + Math.floor(random() * 12)
    const outline = Array.from({ length: corners }, (_, i): Vec2 => {
      const a = ((i + 0.6 * random()) / corners) * 2 * Math.PI
      return [9 * Math.cos(a), 7 * Math.sin(a)]
    })
    const edges = outline.map((): RoofEdge => ({ pitchDeg: 10 + 50 * random() }))
    const roof = buildRoof({ outline, edges, eaveHeightM: 2 })
    const rise = (p: Vec2) =>
      Math.min(
        ...outline.map((a, i) => {
          const b = outline[(i + 1) % corners] ?? a
          const edge = edges[i]
          const away =
            ((b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0])) /
            Math.hypot(b[0] - a[0], b[1] - a[1])
          return edge && 'pitchDeg' in edge ? away * Math.tan((edge.pitchDeg * Math.PI) / 180) : Infinity
        }),
      )
    for (let k = 0; k < 20; k++) {
      const p: Vec2 = [(random() - 0.5) * 18, (random() - 0.5) * 14]
      const plane = roof.planes.find(({ corners: c }) => containsPoint(planOf(c), p))
      if (plane) expect(planeHeightM(plane, p)).toBeCloseTo(2 + rise(p), 6)
      else if (containsPoint(outline, p)) throw new Error(`round ${round}: nothing over ${p.join()}`)
    }
  }
})

test('the same house moved 100 km, turned, and begun at another corner has the same planes', () => {
  for (let seed = 0; seed < 120; seed++) {
    const house = naturalHouse(seed)
    const outline = straightened(house.outline, house.edges)
    const known = toldApart(buildRoof({ ...house, outline }))
    const moved = buildRoof({ ...house, outline: outline.map(([x, y]): Vec2 => [x + 100_000, y - 70_000]) })
    const turned = buildRoof({
      ...house,
      outline: outline.map(([x, y]): Vec2 => [0.6 * x - 0.8 * y, 0.8 * x + 0.6 * y]),
    })
    const n = outline.length
    const shift = 1 + (seed % (n - 1))
    const again = buildRoof({
      ...house,
      outline: outline.map((_, i) => outline[(i + shift) % n] as Vec2),
      edges: outline.map((_, i) => house.edges[(i + shift) % n] as RoofEdge),
    })
    const areas = (planes: ReturnType<typeof toldApart>) =>
      planes.map(({ areaM2 }) => areaM2).sort((a, b) => a - b)
    for (const other of [toldApart(moved), toldApart(turned)])
      other.forEach((plane, i) => {
        expect([plane.id, plane.edges]).toEqual([known[i]?.id, known[i]?.edges])
        expect(plane.areaM2).toBeCloseTo(known[i]?.areaM2 ?? NaN, 4)
      })
    areas(toldApart(again)).forEach((area, i) => expect(area).toBeCloseTo(areas(known)[i] ?? NaN, 4))
  }
})

const square = (half: number): Vec2[] => [
  [-half, -half],
  [half, -half],
  [half, half],
  [-half, half],
]

test('round a courtyard ridges run in the middle: 45 degrees over 4 m is 2 m high', () => {
  const courtyard = [...square(3)].reverse()
  const roof = buildRoof({
    outline: square(7),
    holes: [courtyard],
    edges: Array.from({ length: 8 }, (): RoofEdge => ({ pitchDeg: 45 })),
    eaveHeightM: 3,
  })
  expect(roof.planes.map(({ id }) => id)).toEqual(['e0', 'e1', 'e2', 'e3', 'e4', 'e5', 'e6', 'e7'])
  expect(roof.ridgeHeightM).toBeCloseTo(5, 9)
  expect(roof.planes.reduce((sum, { corners }) => sum + areaOf(corners), 0)).toBeCloseTo(14 * 14 - 36, 9)
  const inner = roof.planes.find(({ id }) => id === 'e4')
  expect(inner?.edges.map(({ kind }) => kind).sort()).toEqual(['eave', 'ridge', 'valley', 'valley'])
})

test('a walled shaft in the middle of a plane is an opening of that plane', () => {
  const shaft = square(0.5)
    .reverse()
    .map(([x, y]): Vec2 => [x, y - 4])
  const edges = Array.from({ length: 8 }, (_, i): RoofEdge => (i < 4 ? { pitchDeg: 45 } : gable))
  const roof = buildRoof({ outline: square(7), holes: [shaft], edges, eaveHeightM: 3 })
  const south = roof.planes.find(({ id }) => id === 'e0')
  expect(south?.holes).toHaveLength(1)
  expect(south?.areaM2).toBeCloseTo((49 - 1) * Math.SQRT2, 9)
  for (const [, y, z] of south?.holes?.[0] ?? []) expect(z).toBeCloseTo(3 + 7 + y, 9)
})

test('neighbours in one line of unlike pitch meet in a wall square to the eave', () => {
  const roof = buildRoof({
    outline: [
      [0, 0],
      [5, 0],
      [10, 0],
      [10, 6],
      [0, 6],
    ],
    edges: [{ pitchDeg: 45 }, { pitchDeg: 30 }, gable, { pitchDeg: 30 }, gable],
    eaveHeightM: 3,
  })
  const [steep, flat] = roof.planes
  expect([steep?.id, steep?.pitchDeg, flat?.id, flat?.pitchDeg]).toEqual(['e0', 45, 'e1', 30])
  expect(steep?.edges.map(({ kind }) => kind)).toContain('rake')
  expect(roof.gables.some(({ corners }) => corners.every(([x]) => Math.abs(x - 5) < 1e-6))).toBe(true)
  expect(roof.planes.reduce((sum, { corners }) => sum + areaOf(corners), 0)).toBeCloseTo(60, 9)
})

test('sides of a centimetre make planes of their own; a millimetre more or less is refused with the side', () => {
  const cut = (m: number): Vec2[] => [
    [m, 0],
    [8, 0],
    [8, 6],
    [0, 6],
    [0, m],
  ]
  const edges = cut(1).map((): RoofEdge => ({ pitchDeg: 35 }))
  const roof = buildRoof({ outline: cut(0.01), edges, eaveHeightM: 3 })
  expect(roof.planes).toHaveLength(5)
  expect(() => buildRoof({ outline: cut(5e-4), edges, eaveHeightM: 3 })).toThrow(
    expect.objectContaining({ code: 'short-edge', path: 'outline.4' }) as Error,
  )
})

test('a courtyard that leaves the outline, or runs the wrong way, is refused with where', () => {
  const edges = Array.from({ length: 8 }, (): RoofEdge => ({ pitchDeg: 30 }))
  const shifted = [...square(3)].reverse().map(([x, y]): Vec2 => [x + 5, y])
  expect(() => buildRoof({ outline: square(7), holes: [shifted], edges, eaveHeightM: 3 })).toThrow(
    expect.objectContaining({ code: 'crossing-outline' }) as Error,
  )
  expect(() => buildRoof({ outline: square(7), holes: [square(3)], edges, eaveHeightM: 3 })).toThrow(
    expect.objectContaining({ code: 'clockwise-outline', path: 'holes.0' }) as Error,
  )
  expect(() => buildRoof({ outline: square(7), edges, eaveHeightM: 3 })).toThrow(
    expect.objectContaining({ code: 'bad-edges', path: 'edges' }) as Error,
  )
})
