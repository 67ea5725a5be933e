import { seededRandom } from '../model/random'
import { exampleSheet } from './example-sheet'
import { fitDiode } from './fit-diode'
import { diodePower } from './module-power'
import { type PanelLight } from './panel-light'
import { sweptBest } from './series-reference'
import { diodeAt, maximumPower } from './single-diode'
import { LitGroups, workingPoint } from './working-point'

const model = fitDiode(exampleSheet)
const power = diodePower(model, 3)
const ratedW = maximumPower(diodeAt(model, 1000, 25)).powerW

/** Modules whose groups have this light, one entry after the other; entry: modules: groups. */
function panelsOf(entries: readonly (readonly (readonly number[])[])[]): PanelLight[] {
  const modules = entries[0]?.length ?? 0
  return Array.from({ length: modules }, (_, p) => {
    const own = entries.map((entry) => entry[p] ?? [])
    const shaded = own.flatMap((groups, k) => (new Set(groups).size > 1 ? [k] : []))
    return {
      mean: Float32Array.from(own, (groups) => groups.reduce((sum, light) => sum + light, 0) / groups.length),
      shaded: Int32Array.from(shaded),
      strips: Float32Array.from(shaded.flatMap((k) => own[k] ?? [])),
      stripCount: 3,
      unshadedKwhM2: 0,
      meanKwhM2: 0,
      lostTo: [],
    }
  })
}

/** Power of a string by the fast path, W. */
function fast(
  groups: LitGroups,
  point: ReturnType<typeof workingPoint>,
  k: number,
  modules: number,
  cellC: number,
) {
  groups.read(k)
  const at = point.best(1, cellC, modules)
  return (at.lit / 1000) * modules * ratedW * at.atCell
}

test('a seeded year of a string is within 0.1 % of the whole curves, its hours within 1 % (99 of 100)', () => {
  const random = seededRandom(2026)
  const modules = 9
  const cells: number[] = []
  const entries = Array.from({ length: 160 }, (_, k) => {
    const beam = 100 + random() * 750
    const diffuse = 40 + random() * 150
    cells.push(random() * 55)
    // Of three hours one without a shadow, one with a soft one, one with edges across modules.
    return Array.from({ length: modules }, () => {
      const seen = diffuse * (0.9 + random() * 0.1)
      if (k % 3 === 0) return new Array<number>(3).fill(Math.fround(beam + seen))
      const lit = k % 3 === 1 ? 0.7 + random() * 0.3 : Number(random() < 0.6)
      const split = random() < 0.3 ? random() : lit
      return [lit, lit, split].map((share) => Math.fround(share * beam + seen))
    })
  })
  const groups = new LitGroups(panelsOf(entries))
  const point = workingPoint(groups, { power })
  let [sum, reference] = [0, 0]
  const misses = entries.map((entry, k) => {
    const cellC = cells[k] ?? 25
    const found = fast(groups, point, k, modules, cellC)
    const slow = sweptBest(model, 3, entry.flat(), cellC)
    sum += found
    reference += slow
    return Math.abs(found / slow - 1)
  })
  expect(Math.abs(sum / reference - 1)).toBeLessThan(0.0005)
  expect(misses.sort((a, b) => a - b)[Math.floor(misses.length * 0.99)]).toBeLessThan(0.002)
}, 60_000)

test('without a beam shaded, modules that see unlike shares of the sky lose next to nothing', () => {
  const entry = Array.from({ length: 12 }, (_, p) => new Array<number>(3).fill(Math.fround(600 + p * 3)))
  const groups = new LitGroups(panelsOf([entry]))
  const slow = sweptBest(model, 3, entry.flat(), 40)
  expect(Math.abs(fast(groups, workingPoint(groups, { power }), 0, 12, 40) / slow - 1)).toBeLessThan(0.0005)
  const { lit } = workingPoint(groups, { power }).best(1, 40, 12)
  expect(1 - lit / groups.mean).toBeGreaterThan(0)
  expect(1 - lit / groups.mean).toBeLessThan(0.003)
})

test('three modules below the foot of the window lose what the window takes, and come with its volts', () => {
  const entry = Array.from({ length: 3 }, () => new Array<number>(3).fill(900))
  const groups = new LitGroups(panelsOf([entry]))
  const window = { lowV: 80, highV: 500, startV: 90 }
  const free = 3 * power.volts(900, 78)
  expect(free).toBeLessThan(window.lowV)
  groups.read(0)
  const at = workingPoint(groups, { power, window }).best(1, 78, 3)
  expect(at.voltsV).toBe(80)
  expect(at.held).toBeLessThan(0.999)
  expect(at.held * 3 * ratedW * 0.9 * at.atCell).toBeCloseTo(sweptBest(model, 3, entry.flat(), 78, window), 0)
  // In the cool it is inside, and nothing is lost.
  const cool = new LitGroups(panelsOf([entry]))
  cool.read(0)
  expect(workingPoint(cool, { power, window }).best(1, 25, 3).held).toBe(1)
})
