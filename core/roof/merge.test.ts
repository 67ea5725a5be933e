import { containsPoint, signedArea } from '../geometry/polygon'
import { type Vec2 } from '../geometry/vector'
import { seededRandom } from '../model/random'
import { toRadians } from '../model/units'
import { mergeRoofs, type MergedPlane } from './merge'
import { type RoofEdge } from './profile'
import { planeHeightM, planOf } from './plane'
import { buildRoof } from './roof'

const gable: RoofEdge = { gable: true }
const slope: RoofEdge = { pitchDeg: 40 }
const tan40 = Math.tan(toRadians(40))
const box = (x: number, y: number, w: number, d: number): Vec2[] => [
  [x, y],
  [x + w, y],
  [x + w, y + d],
  [x, y + d],
]
const main = buildRoof({ outline: box(0, 0, 12, 8), edges: [slope, gable, slope, gable], eaveHeightM: 3 })
const planM2 = ({ corners, holes = [] }: MergedPlane) =>
  signedArea(planOf(corners)) + holes.reduce((sum, hole) => sum + signedArea(planOf(hole)), 0)
const kinds = (plane: MergedPlane | undefined) => plane?.edges.map(({ kind }) => kind)

test('a cross wing meets the main roof in two valleys', () => {
  const wing = buildRoof({ outline: box(4, -5, 4, 9), edges: [gable, slope, gable, slope], eaveHeightM: 3 })
  const merged = mergeRoofs([main, wing])
  expect(merged.map(({ volume, id }) => `${volume} ${id}`)).toEqual(['0 e0', '0 e2', '1 e1', '1 e3'])
  expect(merged.map(planM2).map((m2) => Math.round(m2 * 1000) / 1000)).toEqual([44, 48, 12, 12])
  expect(kinds(merged[0])).toEqual(['eave', 'valley', 'valley', 'eave', 'rake', 'ridge', 'rake'])
  expect([...(kinds(merged[2]) ?? [])].sort()).toEqual(['eave', 'rake', 'ridge', 'valley'])
  // Where the wing's ridge runs into the slope.
  const tip = merged[0]?.corners.find(([x, y]) => Math.abs(x - 6) < 1e-4 && Math.abs(y - 2) < 1e-4)
  expect(tip?.[2]).toBeCloseTo(3 + 2 * tan40, 4)
  expect(merged[0]?.edges[1]?.lengthM).toBeCloseTo(Math.hypot(2, 2, 2 * tan40), 3)
})

test('a tower through a slope leaves an opening; at its corner it leaves walls', () => {
  const tower = buildRoof({ outline: box(5, 1, 2, 2), edges: [slope, slope, slope, slope], eaveHeightM: 9 })
  const [south] = mergeRoofs([main, tower])
  expect(south?.holes).toHaveLength(1)
  expect(planM2(south as MergedPlane)).toBeCloseTo(44, 3)
  const corner = buildRoof({
    outline: box(-1, -1, 4, 3),
    edges: [slope, slope, slope, slope],
    eaveHeightM: 9,
  })
  const [cut] = mergeRoofs([main, corner])
  expect(kinds(cut)?.filter((kind) => kind === 'wall')).toHaveLength(2)
  expect(planM2(cut as MergedPlane)).toBeCloseTo(48 - 6, 3)
})

test('planes in one are the earlier volume’s, and a lower roof under a higher one is gone', () => {
  const longer = buildRoof({ outline: box(8, 0, 8, 8), edges: [slope, gable, slope, gable], eaveHeightM: 3 })
  const merged = mergeRoofs([main, longer])
  expect(merged.map(planM2).map((m2) => Math.round(m2 * 1000) / 1000)).toEqual([48, 48, 16, 16])
  const shed = buildRoof({ outline: box(2, 1, 3, 2), edges: [slope, gable, gable, gable], eaveHeightM: 0.5 })
  expect(mergeRoofs([main, shed])).toHaveLength(2)
})

test('from above the highest roof is seen, over seeded volumes', () => {
  const random = seededRandom(71)
  let [worst, looked, wrong] = [0, 0, 0]
  for (let round = 0; round < 120; round++) {
    const roofs = Array.from({ length: 2 + Math.floor(random() * 2) }, () => {
      const turn = Math.floor(random() * 4) * 15
      const [c, s] = [Math.cos(toRadians(turn)), Math.sin(toRadians(turn))]
      const [x, y, w, d] = [random() * 8 - 4, random() * 8 - 4, 4 + random() * 8, 4 + random() * 6]
      const outline = box(x - w / 2, y - d / 2, w, d).map(([px, py]): Vec2 => [
        px * c - py * s,
        px * s + py * c,
      ])
      const edges = outline.map((): RoofEdge => ({ pitchDeg: 20 + 30 * random() }))
      if (random() < 0.5) edges[1] = edges[3] = gable
      return buildRoof({ outline, edges, eaveHeightM: 2.5 + 3 * random() })
    })
    const merged = mergeRoofs(roofs)
    for (let k = 0; k < 60; k++) {
      const p: Vec2 = [random() * 20 - 10, random() * 20 - 10]
      const highest = Math.max(
        ...roofs.flatMap(({ planes }) =>
          planes
            .filter(({ corners }) => containsPoint(planOf(corners), p))
            .map((plane) => planeHeightM(plane, p)),
        ),
      )
      const seen = merged.filter(
        ({ corners, holes = [] }) =>
          containsPoint(planOf(corners), p) && !holes.some((hole) => containsPoint(planOf(hole), p)),
      )
      if (highest === -Infinity) {
        expect(seen).toHaveLength(0)
        continue
      }
      looked++
      if (seen.length !== 1) wrong++
      else worst = Math.max(worst, Math.abs(planeHeightM(seen[0] as MergedPlane, p) - highest))
    }
    for (const plane of merged) {
      // Corners lie on their plane, and every edge has a name and a length.
      for (const at of plane.corners)
        expect(Math.abs(planeHeightM(plane, [at[0], at[1]]) - at[2])).toBeLessThan(1e-9)
      expect(plane.edges).toHaveLength(plane.corners.length)
    }
  }
  expect(looked).toBeGreaterThan(1000)
  // Slivers of a thousandth of a square metre are left out.
  expect(wrong).toBeLessThan(3)
  expect(worst).toBeLessThan(1e-3)
})
