import { containsPoint, signedArea } from '../geometry/polygon'
import { type Vec2 } from '../geometry/vector'
import { Fault } from '../model/fault'
import { seededRandom } from '../model/random'
import { toRadians } from '../model/units'
import { faultIn } from '../model/fault-in'
import { profileOf, speedOf, type RoofEdge } from './profile'
import { planeHeightM, planOf, type Roof } from './plane'
import { buildRoof } from './roof'

const box: Vec2[] = [
  [0, 0],
  [10, 0],
  [10, 8],
  [0, 8],
]
const tan = (deg: number) => Math.tan(toRadians(deg))
const planAreaOf = ({ planes }: Roof) =>
  planes.reduce(
    (sum, { corners, holes = [] }) =>
      sum + signedArea(planOf(corners)) + holes.reduce((all, hole) => all + signedArea(planOf(hole)), 0),
    0,
  )

test('a half-hip is upright first: a gable below, a small hip over it', () => {
  const end: RoofEdge = {
    profile: [
      [0, 90],
      [2, 60],
    ],
  }
  const roof = buildRoof({
    outline: box,
    edges: [{ pitchDeg: 40 }, end, { pitchDeg: 40 }, end],
    eaveHeightM: 3,
  })
  expect(roof.planes.map(({ id }) => id)).toEqual(['e0', 'e1.1', 'e2', 'e3.1'])
  expect(roof.ridgeHeightM).toBeCloseTo(3 + 4 * tan(40), 9)
  const hip = roof.planes[1]
  // A triangle over the width that the slopes have left at 2 m, up to the ridge.
  const width = 8 - 4 / tan(40)
  const rise = 4 * tan(40) - 2
  expect(hip?.areaM2).toBeCloseTo((width * rise) / Math.sin(toRadians(60)) / 2, 9)
  expect(hip?.edges.map(({ kind }) => kind).sort()).toEqual(['eave', 'hip', 'hip'])
  expect(planAreaOf(roof)).toBeCloseTo(80, 9)
  expect(roof.gables).toHaveLength(2)
})

test('a mansard is steep first, and changes its pitch at one height all round', () => {
  const side: RoofEdge = {
    profile: [
      [0, 70],
      [2.5, 25],
    ],
  }
  const roof = buildRoof({ outline: box, edges: [side, side, side, side], eaveHeightM: 5 })
  expect(roof.planes.map(({ id }) => id)).toEqual(['e0', 'e0.1', 'e1', 'e1.1', 'e2', 'e2.1', 'e3', 'e3.1'])
  const inset = 2.5 / tan(70)
  expect(roof.ridgeHeightM).toBeCloseTo(5 + 2.5 + (4 - inset) * tan(25), 9)
  const [steep, flat] = roof.planes
  expect(steep?.edges.map(({ kind }) => kind)).toEqual(['eave', 'hip', 'ridge', 'hip'])
  expect(flat?.edges[0]?.lengthM).toBeCloseTo(10 - 2 * inset, 9)
  expect(planAreaOf(roof)).toBeCloseTo(80, 9)
})

/** A ring round the origin whose corners stand out unlike far. */
function ringOf(random: () => number, corners: number, depth: number): Vec2[] {
  return Array.from({ length: corners }, (_, i) => {
    const angle = ((i + 0.7 * random()) / corners) * 2 * Math.PI
    const far = 6 * (1 - depth * random())
    return [far * Math.cos(angle), far * Math.sin(angle)]
  })
}

const anyEdge = (random: () => number): RoofEdge => {
  const kind = random()
  const pitch = 15 + 45 * random()
  if (kind < 0.3) return { pitchDeg: pitch }
  const at = 0.3 + 2 * random()
  const foot = kind < 0.5 ? 90 : kind < 0.8 ? 60 + 20 * random() : 15 + 20 * random()
  return {
    profile: [[0, foot], [at, pitch], ...(random() < 0.3 ? ([[at + 1, 10 + 30 * random()]] as const) : [])],
  }
}

test('over convex outlines a roof that flattens on its way up is the lowest of all its planes, seeded', () => {
  const random = seededRandom(88)
  let worst = 0
  for (let round = 0; round < 150; round++) {
    // On a circle every ring is convex.
    const outline = ringOf(random, 3 + Math.floor(random() * 7), 0)
    const edges = outline.map((): RoofEdge => {
      const foot = 50 + 25 * random()
      return {
        profile: [
          [0, foot],
          [0.2 + 1.5 * random(), foot * (0.3 + 0.5 * random())],
        ],
      }
    })
    const roof = buildRoof({ outline, edges, eaveHeightM: 0 })
    for (let k = 0; k < 20; k++) {
      const p: Vec2 = [random() * 12 - 6, random() * 12 - 6]
      const plane = roof.planes.find(({ corners }) => containsPoint(planOf(corners), p))
      if (!plane) continue
      const lowest = Math.min(
        ...outline.flatMap((a, i) => {
          const b = outline[(i + 1) % outline.length] ?? a
          const length = Math.hypot(b[0] - a[0], b[1] - a[1])
          const far = ((b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0])) / length
          const [[, foot] = [0, 0], [at, upper] = [0, 0]] = profileOf(edges[i] ?? { gable: true })
          return [far / speedOf(foot), at + (far - at * speedOf(foot)) / speedOf(upper)]
        }),
      )
      worst = Math.max(worst, Math.abs(planeHeightM(plane, p) - lowest))
    }
  }
  expect(worst).toBeLessThan(1e-6)
})

test('no outline with any profiles is refused, and its planes cover it, seeded', () => {
  const refused: string[] = []
  for (let seed = 0; seed < 1500; seed++) {
    const random = seededRandom(5000 + seed)
    const outline = ringOf(random, 3 + Math.floor(random() * 10), 0.6)
    const edges = outline.map(() => anyEdge(random))
    try {
      const roof = buildRoof({ outline, edges, eaveHeightM: 2 })
      const area = signedArea(outline)
      if (Math.abs(planAreaOf(roof) / area - 1) > 1e-6) refused.push(`${seed} covers`)
    } catch (error) {
      refused.push(`${seed} ${error instanceof Fault ? error.code : String(error)}`)
    }
  }
  expect(refused).toEqual([])
})

test.each([
  ['its first stretch not at the eave', [[0.5, 40]]],
  [
    'stretches out of order',
    [
      [0, 60],
      [2, 30],
      [1, 20],
    ],
  ],
  ['a pitch over 90', [[0, 95]]],
  ['no stretch at all', []],
] as const)('a profile with %s is refused by its path', (_, profile) => {
  const edges: RoofEdge[] = [{ pitchDeg: 30 }, { profile }, { pitchDeg: 30 }, { pitchDeg: 30 }]
  const fault = faultIn(() => buildRoof({ outline: box, edges, eaveHeightM: 3 }))
  expect(fault?.code).toBe('bad-profile')
  expect(fault?.path).toMatch(/^edges\.1\.profile/)
})

test('a roof that is flat on all sides is one level face; one that is flat on some is refused', () => {
  const flat: RoofEdge = { pitchDeg: 0 }
  const roof = buildRoof({ outline: box, edges: [flat, flat, { gable: true }, flat], eaveHeightM: 3 })
  expect(roof.planes.map(({ areaM2, pitchDeg }) => [areaM2, pitchDeg])).toEqual([[80, 0]])
  expect(roof.ridgeHeightM).toBe(3)
  const some = [flat, flat, { pitchDeg: 5 }, flat]
  const fault = faultIn(() => buildRoof({ outline: box, edges: some, eaveHeightM: 3 }))
  expect([fault?.code, fault?.path]).toEqual(['flat-edge', 'edges.0'])
})
