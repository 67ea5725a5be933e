import { containsPoint, signedArea } from '../geometry/polygon'
import { type Vec2 } from '../geometry/vector'
import { Fault } from '../model/fault'
import { seededRandom } from '../model/random'
import { toRadians } from '../model/units'
import { faultIn } from '../model/fault-in'
import { buildOverhung } from './overhang'
import { type RoofEdge } from './profile'
import { planeHeightM, planOf, type Roof } from './plane'
import { buildRoof } from './roof'

const box: Vec2[] = [
  [0, 0],
  [10, 0],
  [10, 8],
  [0, 8],
]
const tan = (deg: number) => Math.tan(toRadians(deg))
const heightAt = ({ planes }: Roof, p: Vec2) => {
  const plane = planes.find(({ corners }) => containsPoint(planOf(corners), p))
  return plane ? planeHeightM(plane, p) : NaN
}

test('eaves go out and down along their plane, rakes go out, the ridge stays', () => {
  const slope: RoofEdge = { pitchDeg: 40 }
  const roof = buildOverhung(
    { outline: box, edges: [slope, { gable: true }, slope, { gable: true }], eaveHeightM: 3 },
    0.5,
  )
  expect(roof.planes.map(({ id }) => id)).toEqual(['e0', 'e2'])
  expect(roof.ridgeHeightM).toBeCloseTo(3 + 4 * tan(40), 9)
  const [south] = roof.planes
  expect(south?.areaM2).toBeCloseTo((11 * 4.5) / Math.cos(toRadians(40)), 9)
  expect(Math.min(...(south?.corners ?? []).map((c) => c[2]))).toBeCloseTo(3 - 0.5 * tan(40), 9)
  // Over the wall the plane is at the eave's height still.
  expect(heightAt(roof, [5, 1e-9])).toBeCloseTo(3, 6)
})

test('the hip of a half-hipped end comes down with its plane over the rake', () => {
  const slope: RoofEdge = { pitchDeg: 45 }
  const end: RoofEdge = {
    profile: [
      [0, 90],
      [2, 60],
    ],
  }
  const building = { outline: box, edges: [slope, end, slope, end], eaveHeightM: 3 }
  const [bare, out] = [buildRoof(building), buildOverhung(building, 0.4)]
  for (const p of [
    [9.9, 4],
    [9.5, 3.5],
    [0.2, 4.2],
  ] as Vec2[])
    expect(heightAt(out, p)).toBeCloseTo(heightAt(bare, p), 9)
  expect(out.planes.map(({ id }) => id)).toEqual(bare.planes.map(({ id }) => id))
})

test('over the walls the roof is the same with and without, over seeded hipped outlines with corners that turn', () => {
  let [looked, narrow] = [0, 0]
  for (let seed = 0; seed < 300; seed++) {
    const random = seededRandom(seed)
    const corners = 4 + Math.floor(random() * 6)
    const outline = Array.from({ length: corners }, (_, i): Vec2 => {
      const angle = ((i + 0.5 * random()) / corners) * 2 * Math.PI
      const far = 7 * (1 - 0.4 * random())
      return [far * Math.cos(angle), far * Math.sin(angle)]
    })
    const building = {
      outline,
      edges: outline.map(() => ({ pitchDeg: 20 + 30 * random() })),
      eaveHeightM: 2.5,
    }
    const bare = buildRoof(building)
    let out: Roof
    try {
      out = buildOverhung(building, 0.3)
    } catch (error) {
      if (!(error instanceof Fault) || error.code !== 'wide-overhang') throw error
      narrow++
      continue
    }
    const plan = out.planes.reduce((sum, { corners }) => sum + signedArea(planOf(corners)), 0)
    expect(plan).toBeGreaterThan(signedArea(outline))
    for (let k = 0; k < 10; k++) {
      const p: Vec2 = [random() * 14 - 7, random() * 14 - 7]
      const bareM = heightAt(bare, p)
      if (Number.isNaN(bareM)) continue
      looked++
      expect(Math.abs(heightAt(out, p) - bareM)).toBeLessThan(1e-6)
    }
  }
  expect(looked).toBeGreaterThan(400)
  // Short sides between two steep ones have no room to go out.
  expect(narrow).toBeLessThan(30)
})

test('sides in one line that go out unlike far have a short side between, and keep their names', () => {
  const outline: Vec2[] = [
    [0, 0],
    [6, 0],
    [12, 0],
    [12, 8],
    [0, 8],
  ]
  const building = {
    outline,
    edges: [{ pitchDeg: 20 }, { pitchDeg: 40 }, { pitchDeg: 30 }, { pitchDeg: 30 }, { pitchDeg: 30 }],
    eaveHeightM: 3,
  }
  const roof = buildOverhung(building, 0.5)
  expect(new Set(roof.planes.map(({ id }) => id))).toEqual(new Set(['e0', 'e1', 'e2', 'e3', 'e4']))
})

test('eaves that would run into each other are refused in words', () => {
  const outline: Vec2[] = [
    [0, 0],
    [9, 0],
    [9, 8],
    [5, 8],
    [5, 3],
    [4.6, 3],
    [4.6, 8],
    [0, 8],
  ]
  const building = { outline, edges: outline.map(() => ({ pitchDeg: 30 })), eaveHeightM: 3 }
  expect(() => buildOverhung(building, 0.1)).not.toThrow()
  expect(faultIn(() => buildOverhung(building, 0.3))?.code).toBe('wide-overhang')
})
