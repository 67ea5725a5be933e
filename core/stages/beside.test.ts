import { freshGraph, job, option, runOf, set, worldOf } from '@/town/testing'
import { inverterAc } from '../energy/inverter-curve'
import { electricalId } from '../kinds/electrical/electrical'
import { defaultTree } from '../kinds/tree/tree'
import { siteId } from '../kinds/site/site'
import { type Objects } from '../kinds/documents'
import { builtOf } from '../readers/built'
import { checksOf, ledgerOf } from '../readers/ledger'
import { partsList } from '../parts/parts-list'
import { acStage } from './ac'
import { cableOhmsStage, cablesStage, ohmsOf } from './cables'
import { dcStage, feedsStage } from './dc'
import { priceStage } from './finance'
import { lossChainStage } from './loss-chain'
import { stringsStage } from './strings'
import { sunStage } from './sun'
import { inverterIn, lossesIn } from './world'

const with_ = async (fields: object, house: Objects = job.house) => {
  const world = await worldOf(house, set(option, electricalId, fields))
  return { world, run: runOf(world) }
}
const small = 'halyard-3800'
const placed = { inverterAt: { at: [5, -3.3], heightM: 1.6 } }
const house = set(job.house, siteId, { loadCentreAt: { at: [3, -3.6], heightM: 1.4 } })

const one = await with_({ inverterId: small })
const two = await with_({ inverterId: small, inverterCount: 2 })
const led = await with_({ inverterId: small, inverterCount: 2, ...placed }, house)

test('two share the strings, and their inputs are numbered on', () => {
  const { strings, inverters } = two.run.value(stringsStage)
  expect(inverters).toBe(2)
  const { mppInputs } = inverterIn(two.world)
  expect(one.run.value(stringsStage).strings.map(({ panelIds }) => panelIds.length)).toEqual([13, 4])
  expect(strings.map(({ input, panelIds }) => [Math.floor(input / mppInputs), panelIds.length])).toEqual([
    [0, 7],
    [1, 6],
    [1, 4],
  ])
})

test.each([
  ['as they stand', two],
  ['with cables that are led', led],
])('hour by hour each converts and clips what its own strings give: %s', (_, { world, run }) => {
  const feeds = run.value(feedsStage)
  const [dc, ac, sun] = [run.value(dcStage), run.value(acStage), run.value(sunStage)]
  const [inverter, { availability }] = [inverterIn(world), lossesIn(world)]
  expect(feeds).toHaveLength(2)
  const { ac: ohm } = ohmsOf(run.value(cableOhmsStage))
  expect(ohm > 0).toBe(world.house === house)
  let [worstDc, worstAc, clippedKwh, lit] = [0, 0, 0, 0]
  for (let k = 0; k < dc.powerW.length; k++) {
    const steps = feeds.map(({ powerW, voltsV }) => inverterAc(powerW[k] ?? NaN, inverter, voltsV[k]))
    const all = feeds.reduce((sum, { powerW }) => sum + (powerW[k] ?? NaN), 0)
    worstDc = Math.max(worstDc, Math.abs(all - (dc.powerW[k] ?? NaN)))
    // At 240 V of a split phase: the square of amperes in the cable of each.
    const given = steps.reduce((sum, { acW }) => sum + acW - Math.max(0, acW / 240) ** 2 * ohm, 0)
    const kwh = (given * sun.stepMinutes * (1 - availability)) / 60_000
    worstAc = Math.max(worstAc, Math.abs(kwh - (ac.kwhByInterval[sun.interval[k] ?? NaN] ?? NaN)))
    clippedKwh += (steps.reduce((sum, { clippedW }) => sum + clippedW, 0) * sun.stepMinutes) / 60_000
    lit += Number(all > 0)
  }
  expect(lit).toBeGreaterThan(3000)
  expect(worstDc).toBeLessThan(1e-6)
  expect(worstAc).toBeLessThan(1e-9)
  expect(ac.clippedKwh).toBeCloseTo(clippedKwh, 6)
})

test('two clip far less than one, and both draw at night', () => {
  const [alone, both] = [one.run.value(acStage), two.run.value(acStage)]
  expect(alone.clippedKwh).toBeGreaterThan(200)
  expect(both.clippedKwh).toBeLessThan(alone.clippedKwh / 20)
  expect(both.kwh).toBeGreaterThan(alone.kwh + 200)
  // At midnight nothing shines: what is drawn is drawn twice.
  expect(both.kwhByInterval[0]).toBeCloseTo(2 * (alone.kwhByInterval[0] ?? NaN), 12)
  const { nightW } = inverterIn(two.world)
  const midnight = (2 * nightW * two.run.value(sunStage).stepMinutes * 0.99) / 60_000
  expect(-(both.kwhByInterval[0] ?? NaN)).toBeCloseTo(midnight, 3)
})

test('the ledger tells in how many hours it clips, and what share of the year that is', () => {
  for (const { run } of [one, two]) {
    const { inputs = [] } = ledgerOf(run).find(({ id }) => id === 'clipping')?.explanation ?? {}
    const told = (code: string) => inputs.find((input) => input.code === code)?.value
    const [ac, sun] = [run.value(acStage), run.value(sunStage)]
    const hours = (ac.lostKwh.clipping.filter((kwh) => kwh > 0).length * sun.stepMinutes) / 60
    expect(hours).toBeGreaterThan(run === one.run ? 500 : -1)
    expect(told('clipped-hours')).toMatchObject({ value: hours, unit: 'h' })
    const given = ac.kwhByInterval.reduce((sum, kwh) => sum + kwh, 0)
    const share = ac.clippedKwh / (given + ac.clippedKwh)
    expect((told('clipped-share') as { value: number }).value).toBeCloseTo(share, 9)
  }
})

test('from the light to the house nothing is lost without a name', () => {
  for (const { run } of [two, led]) {
    const { sun, lost, ac } = run.value(lossChainStage)
    const all = Object.values(lost).reduce((sum, { kwh }) => sum + kwh, 0)
    expect(sun.kwh - all).toBeCloseTo(ac.kwh, 4)
  }
})

test('both are bought, opened, protected and labelled; each has its own cable', () => {
  const count = ({ world, run }: typeof two, code: string) =>
    partsList(builtOf(run, world))
      .filter((line) => line.code === code)
      .map((line) => line.count)
  for (const code of ['inverter', 'dc-disconnect', 'ac-breaker', 'ac-disconnect'])
    expect([code, ...count(two, code)]).toEqual([code, 2])
  expect([count(one, 'label'), count(two, 'label')]).toEqual([[3], [5]])
  const cables = led.run.value(cablesStage).ac
  expect(cables).toHaveLength(2)
  expect(new Set(cables.map(({ id }) => id)).size).toBe(2)
  // One line for both, rounded up once.
  expect(count(led, 'ac-cable')).toEqual([Math.ceil(2 * (cables[0]?.cableM ?? NaN))])
  const price = ({ run }: typeof two) => run.value(priceStage).total
  expect(price(two) - price(one)).toBeCloseTo(inverterIn(two.world).price, 6)
})

test('one that has nothing to do is told, with what takes it away', async () => {
  const six = await with_({ inverterId: small, inverterCount: 6 })
  const used = six.run.value(stringsStage).strings.length
  expect(used).toBeLessThan(6)
  const check = checksOf(six.run).find(({ code }) => code === 'inverter-idle')
  expect(check).toMatchObject({
    severity: 'warning',
    measured: { figure: used, limit: 6 },
    remedy: { set: { id: electricalId, field: 'inverterCount', value: used } },
  })
  expect(checksOf(two.run).some(({ code }) => code === 'inverter-idle')).toBe(false)
})

test('the fullest may have no more modules than one may, and all together not too few', async () => {
  const ratio = async (fields: object) => checksOf((await with_(fields)).run).find(({ id }) => id === 'dc-ac')
  const { highestDcAc, acPowerW } = inverterIn(two.world)
  expect(highestDcAc).toBeLessThan((17 * 420) / acPowerW)
  expect(await ratio({ inverterId: small, inverterCount: 2 })).toBeUndefined()
  // All on the first: as many as it would have alone.
  const panelIds = one.run.value(stringsStage).strings.flatMap((string) => string.panelIds)
  const drawn = [
    { input: 0, panelIds: panelIds.slice(0, 13) },
    { input: 1, panelIds: panelIds.slice(13) },
  ]
  const many = await ratio({ inverterId: small, inverterCount: 2, drawn })
  expect(many).toMatchObject({ code: 'dc-ac-high' })
  expect(many?.measured?.figure).toBeCloseTo((17 * 420) / acPowerW, 9)
  const idle = await ratio({ inverterId: 'halyard-7600', inverterCount: 2 })
  expect(idle).toMatchObject({ code: 'dc-ac-low' })
  expect(idle?.measured?.figure).toBeCloseTo((17 * 420) / 15_200, 9)
})

test('the bus bar bears both, and on three phases each is on one of its own', async () => {
  const codes = async (site: object, inverterCount: number) =>
    checksOf((await with_({ inverterId: small, inverterCount }, set(job.house, siteId, site))).run).flatMap(
      ({ code, measured }) => (code === 'busbar' || code === 'unbalanced' ? [{ code, measured }] : []),
    )
  const bar = { busbarA: 100, mainBreakerA: 95 }
  // 95 + 1.25 × 3800 / 240 = 114.8 of 120 A; with the second 134.6.
  expect(await codes(bar, 1)).toEqual([])
  const [both] = await codes(bar, 2)
  expect(both?.measured?.figure).toBeCloseTo(95 + (1.25 * 7600) / 240, 9)
  const three = { gridPhases: 'three', gridVoltageV: 400, unbalancedKw: 3 }
  for (const [count, figure] of [
    [1, 3.8],
    [2, 3.8],
  ] as const)
    expect((await codes(three, count))[0]?.measured?.figure).toBeCloseTo(figure, 9)
  expect(await codes(three, 3)).toEqual([])
})

test('under the modules there are as many as it takes, whatever is entered', async () => {
  const [plain, entered] = [
    await with_({ inverterId: 'tarnbeck-360' }),
    await with_({ inverterId: 'tarnbeck-360', inverterCount: 4 }),
  ]
  expect(entered.run.value(stringsStage)).toEqual(plain.run.value(stringsStage))
  expect(entered.run.value(acStage).kwh).toBe(plain.run.value(acStage).kwh)
})

test('a tree far away reruns no year, of two as of one', async () => {
  const graph = freshGraph()
  const world = await worldOf(
    house,
    set(option, electricalId, { inverterId: small, inverterCount: 2, ...placed }),
  )
  graph.open(world).value(acStage)
  const tree = {
    ...defaultTree,
    id: 'tree-far',
    center: [250, 320],
    heightM: 4,
    crownDiameterM: 2,
    transmissivity: new Array<number>(12).fill(0.4),
  }
  const run = graph.open({ ...world, house: set(house, tree.id, tree) })
  run.value(acStage)
  const fresh = Object.fromEntries(run.times.map(({ name, fresh: count }) => [name, count]))
  expect(fresh['strings']).toBe(1)
  for (const name of ['string years', 'inverter feeds', 'ac'])
    expect({ name, fresh: fresh[name] ?? 0 }).toEqual({ name, fresh: 0 })
})
