import { seededRandom } from '../model/random'
import { financeStage, priceStage } from '../stages/finance'
import { powerStage } from '../stages/power'
import { wiringAccount } from '../stages/accounts/wiring'
import { siteStage } from '../stages/site'
import { panelsOf } from '../site/site'
import { theOne } from '../kinds/documents'
import { electricalId } from '../kinds/electrical/electrical'
import { freshGraph, option, runOf, without, worldOf } from '@/town/testing'
import { bestFor, candidatesFor, frontOf, fulfils, optionOf, type Candidate, type Wish } from './best-of'

const patience = { atMostMs: Infinity, pause: async () => true }
const graph = freshGraph()
const world = await worldOf()
const panels = panelsOf(runOf(world, graph).value(siteStage))
const told: number[] = []
const found = await candidatesFor(graph, world, patience, (share) => told.push(share))

test('from all modules down to a few, with and without batteries, and it is told how far it is', () => {
  const counts = [...new Set(found.map(({ kept }) => kept.length))]
  expect(counts[0]).toBe(panels.length)
  expect(counts.length).toBeGreaterThanOrEqual(7)
  expect(Math.min(...counts)).toBeLessThanOrEqual(4)
  for (const count of counts) {
    const own = found.filter(({ kept }) => kept.length === count)
    expect(new Set(own.map(({ inverterId }) => inverterId)).size).toBe(1)
    expect(own.filter(({ battery }) => battery.batteryId === null)).toHaveLength(1)
    const inverter = world.catalogue.inverters.find(({ id }) => id === own[0]?.inverterId)
    // DC-coupled batteries are tried behind hybrids alone.
    const suiting = world.catalogue.batteries.filter((sheet) => !sheet.dcSide || inverter?.batteryPort)
    expect(own.length).toBe(1 + 3 * suiting.length)
  }
  expect(told.at(-1)).toBeCloseTo(1, 9)
  expect(told.every((share, i) => share > (told[i - 1] ?? 0))).toBe(true)
})

test('an option made of one has its figures to the cent, and breaks no rule of the wiring', () => {
  const random = seededRandom(12)
  const some = Array.from({ length: 6 }, () => found[Math.floor(random() * found.length)])
  for (const candidate of some) {
    if (!candidate) throw new Error('there are candidates')
    const run = runOf({ ...world, option: optionOf(option, panels, candidate) })
    expect(run.value(powerStage)).toEqual({ count: candidate.kept.length, powerW: candidate.powerW })
    expect(run.value(priceStage).net).toBeCloseTo(candidate.net, 6)
    const { npv, paybackYears, cumulative } = run.value(financeStage)
    expect(npv).toBeCloseTo(candidate.npv, 6)
    expect(paybackYears).toEqual(candidate.paybackYears)
    expect(cumulative.at(-1)).toBeCloseTo(candidate.left, 6)
    expect(run.value(wiringAccount).checks.filter(({ severity }) => severity === 'broken')).toEqual([])
  }
})

/** Made up, with many ties. */
function madeUp(seed: number): Candidate[] {
  const random = seededRandom(seed)
  const few = (most: number) => Math.floor(random() * most)
  return Array.from({ length: 1 + few(40) }, () => ({
    kept: [],
    powerW: 1000,
    inverterId: 'a',
    inverterCount: 1,
    battery: { batteryId: null, count: 1 },
    usableKwh: 0,
    price: 0,
    annualKwh: 0,
    npv: 0,
    net: few(9) * 1000,
    billOffset: few(9) / 10,
    paybackYears: few(6) === 0 ? null : few(9),
    left: few(9) * 1000,
  }))
}

test('against every pair of a thousand lists: none of the front is beaten, and whatever is not on it is', () => {
  for (let seed = 0; seed < 1000; seed++) {
    const all = madeUp(seed)
    const front = frontOf(all)
    const beats = (a: Candidate, b: Candidate) =>
      a.paybackYears !== null &&
      b.paybackYears !== null &&
      a.paybackYears <= b.paybackYears &&
      a.left >= b.left &&
      (a.paybackYears < b.paybackYears || a.left > b.left)
    for (const one of front) expect(all.some((other) => beats(other, one))).toBe(false)
    for (const one of all)
      if (one.paybackYears !== null && !front.includes(one))
        expect(
          all.some((other) => beats(other, one)) ||
            front.some(({ paybackYears, left }) => paybackYears === one.paybackYears && left === one.left),
        ).toBe(true)
  }
})

test('the best is within what is wished, and none within it is better', () => {
  const random = seededRandom(8)
  for (let seed = 0; seed < 1000; seed++) {
    const all = madeUp(seed)
    const wishes: Wish[] = [
      { by: 'budget', net: random() * 9000 },
      { by: 'offset', share: random() },
      { by: 'payback', years: random() * 10 },
    ]
    for (const wish of wishes) {
      const best = bestFor(all, wish)
      const fit = all.filter((one) => fulfils(one, wish))
      if (!best) expect(fit).toEqual([])
      else {
        expect(fulfils(best, wish)).toBe(true)
        if (wish.by === 'offset') expect(best.net).toBe(Math.min(...fit.map(({ net }) => net)))
        else expect(best.left).toBe(Math.max(...fit.map(({ left }) => left)))
      }
    }
  }
})

test('of a house without modules there is no way, and of a catalogue without an inverter that suits none either', async () => {
  const nothing = without(without(option, 'array-south'), 'array-west')
  expect(await candidatesFor(freshGraph(), { ...world, option: nothing }, patience)).toEqual([])
  const huge = world.catalogue.inverters
    .filter(({ id }) => id === theOne(option, 'electrical', electricalId).inverterId)
    .map((one) => ({ ...one, startV: 5000, mppLowV: 5000, mppHighV: 6000 }))
  const none = { ...world, catalogue: { ...world.catalogue, inverters: huge } }
  expect(await candidatesFor(freshGraph(), none, patience)).toEqual([])
})
