import { catalogue } from '@/town/equipment'
import { job, option, runOf, set, worldOf } from '@/town/testing'
import { stringLosses } from '../energy/string-year'
import { electricalId } from '../kinds/electrical/electrical'
import { siteId } from '../kinds/site/site'
import { partsList } from '../parts/parts-list'
import { builtOf } from '../readers/built'
import { checksOf, ledgerOf } from '../readers/ledger'
import { moduleShareStage } from './dc'
import { priceStage } from './finance'
import { lossChainStage } from './loss-chain'
import { stringYearStage } from './string-years'
import { stringsStage } from './strings'

const sheet = catalogue.optimizers.find(({ id }) => id === 'thrushfield-one-430')
if (!sheet) throw new Error('the town has one for single modules')
const wired = async (fields: object, house = job.house) => {
  const world = await worldOf(house, set(option, electricalId, fields))
  return { world, run: runOf(world) }
}
const plain = await wired({})
const ids = plain.run.value(stringsStage).strings.flatMap(({ panelIds }) => panelIds)
const some = ids.slice(0, 5)
const at = (optimizersAt: readonly string[] | null) => wired({ optimizerId: sheet.id, optimizersAt })
const [few, each, nowhere] = [await at(some), await at(null), await at([])]
const lost = ({ run }: typeof plain) => run.value(lossChainStage).lost
const codes = ({ run }: typeof plain) => checksOf(run).map(({ code }) => code)

test('strings stay as they are, whether none, some or all of their modules have one', () => {
  const strings = plain.run.value(stringsStage)
  for (const { run } of [few, each, nowhere])
    expect(run.value(stringsStage)).toEqual({ ...strings, optimized: run.value(stringsStage).optimized })
  expect(few.run.value(stringsStage).optimized.toSorted()).toEqual(some.toSorted())
  expect(each.run.value(stringsStage).optimized).toHaveLength(17)
  expect(nowhere.run.value(stringsStage).optimized).toEqual([])
})

test('the more modules have one, the less they hold each other back; at none it is the string without', async () => {
  expect(lost(nowhere)).toEqual(lost(plain))
  expect(lost(few).mismatch.kwh).toBeLessThan(lost(plain).mismatch.kwh)
  expect(lost(each).mismatch.kwh).toBeLessThan(lost(few).mismatch.kwh)
  // What remains with all is what remains with optimizers of the other kind: shade within a module.
  const whole = await wired({ optimizerId: 'thrushfield-430' })
  expect(lost(each).mismatch.kwh).toBeCloseTo(lost(whole).mismatch.kwh, 0)
  const through = each.run
    .value(stringYearStage)
    .reduce((sum, { value }) => sum + value.powerW.reduce((all, watts) => all + watts, 0) / 1000, 0)
  expect(lost(each).optimizers.kwh / (through + lost(each).optimizers.kwh)).toBeCloseTo(
    1 - sheet.efficiency,
    4,
  )
})

test('in every hour nothing is lost without a name, and the ledger says what modules have', () => {
  for (const one of [few, each])
    for (const { value } of one.run.value(stringYearStage))
      for (let k = 0; k < value.powerW.length; k++) {
        const all = stringLosses.reduce((sum, name) => sum + (value.lostW[name][k] ?? 0), 0)
        if (Math.abs((value.sunW[k] ?? 0) - (value.powerW[k] ?? 0) - all) > 1e-6)
          throw new Error(`entry ${k} does not add up`)
      }
  const lines = ledgerOf(few.run)
  expect(lines.find(({ id }) => id === 'optimizers')?.value).toBeLessThan(0)
  const mismatch = lines.find(({ id }) => id === 'mismatch')
  expect(mismatch?.explanation.assumptions).toContainEqual({ code: 'steps-down', data: { modules: 5 } })
  expect(ledgerOf(nowhere.run).some(({ id }) => id === 'optimizers')).toBe(false)
})

test('modules with one bring their own, the others of their string alike', () => {
  const shares = few.run.value(moduleShareStage)
  const { strings } = few.run.value(stringsStage)
  const of = (held: boolean) =>
    strings.flatMap(({ panelIds }, s) =>
      panelIds.flatMap((id, p) => (some.includes(id) === held ? [[s, shares[s]?.[p] ?? NaN] as const] : [])),
    )
  expect(new Set(of(true).map(([, share]) => share)).size).toBe(5)
  const others = of(false).filter(([s]) => s === 0)
  expect(
    Math.max(...others.map(([, share]) => share)) - Math.min(...others.map(([, share]) => share)),
  ).toBeLessThan(1e-12)
  expect(shares.flat().reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 9)
})

test('price, parts and shutdown count those that there are', async () => {
  expect(few.run.value(priceStage).optimizers).toBeCloseTo(5 * sheet.price, 9)
  expect(nowhere.run.value(priceStage).optimizers).toBe(0)
  const line = (one: typeof few) =>
    partsList(builtOf(one.run, one.world)).find(({ code }) => code === 'optimizer')
  expect(line(few)).toMatchObject({ count: 5, data: { at: 'some' } })
  expect(line(each)).toMatchObject({ count: 17, data: { at: 'each' } })
  expect(line(nowhere)).toBeUndefined()
  const asked = set(job.house, siteId, { shutdownAsked: true })
  const short = await wired({ optimizerId: sheet.id, optimizersAt: some }, asked)
  const check = checksOf(short.run).find(({ code }) => code === 'shutdown')
  expect(check?.measured).toMatchObject({ figure: 12 })
  expect(codes(await wired({ optimizerId: sheet.id, optimizersAt: null }, asked))).not.toContain('shutdown')
})

test('modules that are gone have none, and a module that does not suit is told where one has one', async () => {
  const gone = await at([...some, 'array-gone/0:0'])
  expect(gone.run.value(stringsStage).optimized).toHaveLength(5)
  const weak = {
    ...few.world,
    catalogue: {
      ...catalogue,
      optimizers: catalogue.optimizers.map((one) => (one.id === sheet.id ? { ...one, powerW: 300 } : one)),
    },
  }
  const check = checksOf(runOf(weak)).find(({ code }) => code === 'unit-power')
  expect(check?.objects.toSorted()).toEqual(some.toSorted())
  expect(lost({ world: weak, run: runOf(weak) }).optimizers.kwh).toBeGreaterThan(lost(few).optimizers.kwh)
  const spared = { ...weak, option: set(weak.option, electricalId, { optimizersAt: [] }) }
  expect(checksOf(runOf(spared)).map(({ code }) => code)).not.toContain('unit-power')
})

test('strings of one input of which one has some have their volts together', async () => {
  const drawn = [
    { input: 0, panelIds: ids.slice(0, 6) },
    { input: 0, panelIds: ids.slice(6, 12) },
  ]
  const held = await wired({
    drawn,
    optimizerId: sheet.id,
    optimizersAt: ids.slice(0, 3),
    // One that asks for the volts of its strings.
    inverterId: catalogue.inverters.find(({ king, micro }) => king && !micro)?.id,
  })
  const [a, b] = held.run.value(stringYearStage)
  if (!a || !b) throw new Error('two strings hang on the input')
  const volts = ({ value }: typeof a, k: number) => (value.voltWatts[k] ?? 0) / (value.powerW[k] ?? 1)
  let [hours, apart] = [0, 0]
  for (let k = 0; k < a.value.powerW.length; k++) {
    if (!((a.value.powerW[k] ?? 0) > 50 && (b.value.powerW[k] ?? 0) > 50)) continue
    hours++
    apart = Math.max(apart, Math.abs(volts(a, k) / volts(b, k) - 1))
  }
  expect(hours).toBeGreaterThan(2500)
  expect(apart).toBeLessThan(0.001)
})
