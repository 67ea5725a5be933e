import fc from 'fast-check'
import highs from 'highs'
import { dispatchByTariff } from './by-tariff'
import { optimum, type DispatchCase } from './optimum'
import { sunnyYear } from './testing'
import { dispatchOwnUse, type BatteryRun, type Dispatch } from './own-use'

const solver = await highs()

/** The same as a linear programme; power bought costs no less than power sold. */
function leastCost(given: DispatchCase, battery: BatteryRun): number {
  const { yieldKwh, loadKwh, stepHours, buy, sell, exportLimitKw, gridCharging, startKwh } = given
  const n = yieldKwh.length
  const goal: string[] = []
  const rows: string[] = []
  const bounds: string[] = []
  const term = (factor: number, name: string) => `${factor < 0 ? '-' : '+'} ${Math.abs(factor)} ${name}`
  for (let i = 0; i < n; i++) {
    const [made, used] = [yieldKwh[i] ?? 0, loadKwh[i] ?? 0]
    goal.push(term(buy[i] ?? 0, `b${i}`), term(-(sell[i] ?? 0), `e${i}`))
    rows.push(`g${i}: b${i} - e${i} - u${i} - c${i} + d${i} = ${used - made}`)
    const before = i === 0 ? (startKwh === null ? `s${n}` : null) : `s${i}`
    const rest = `s${i + 1} ${term(-battery.chargeEfficiency, `c${i}`)} ${term(1 / battery.dischargeEfficiency, `d${i}`)}`
    rows.push(before === null ? `t${i}: ${rest} = ${startKwh}` : `t${i}: ${rest} - ${before} = 0`)
    const most = battery.chargeKw * stepHours
    bounds.push(`c${i} <= ${gridCharging ? most : Math.min(most, Math.max(0, made))}`)
    bounds.push(`d${i} <= ${battery.dischargeKw * stepHours}`)
    bounds.push(`u${i} <= ${Math.max(0, made)}`)
    if (exportLimitKw !== null) bounds.push(`e${i} <= ${exportLimitKw * stepHours}`)
    bounds.push(`${battery.usableKwh * battery.reserve} <= s${i + 1} <= ${battery.usableKwh}`)
  }
  const text = `Minimize\nobj: ${goal.join(' ')}\nSubject To\n${rows.join('\n')}\nBounds\n${bounds.join('\n')}\nEnd`
  return solver.solve(text).ObjectiveValue
}

const costOf = ({ bought, sold }: Dispatch, { buy, sell }: DispatchCase): number =>
  bought.reduce((sum, kwh, i) => sum + kwh * (buy[i] ?? 0) - (sold[i] ?? 0) * (sell[i] ?? 0), 0)

/** Energy in is energy out and what is lost; nothing is taken that is not there. */
function expectSound(run: Dispatch, given: DispatchCase, battery: BatteryRun, start: number | null): void {
  const n = given.yieldKwh.length
  let stored = start ?? run.storedKwh[n - 1] ?? 0
  for (let i = 0; i < n; i++) {
    const [made, used] = [given.yieldKwh[i] ?? 0, given.loadKwh[i] ?? 0]
    const at = (series: Float64Array) => series[i] ?? NaN
    const into = made + at(run.bought) + at(run.discharged)
    expect(into - used - at(run.sold) - at(run.charged) - at(run.curtailed)).toBeCloseTo(0, 9)
    const next =
      stored + at(run.charged) * battery.chargeEfficiency - at(run.discharged) / battery.dischargeEfficiency
    expect(at(run.storedKwh)).toBeCloseTo(next, 9)
    stored = next
    for (const series of [run.bought, run.sold, run.charged, run.discharged, run.curtailed])
      expect(at(series)).toBeGreaterThanOrEqual(-1e-9)
    expect(stored).toBeGreaterThanOrEqual(battery.usableKwh * battery.reserve - 1e-9)
    expect(stored).toBeLessThanOrEqual(battery.usableKwh + 1e-9)
    expect(at(run.charged)).toBeLessThanOrEqual(
      Math.min(battery.chargeKw * given.stepHours, given.gridCharging ? Infinity : Math.max(0, made)) + 1e-9,
    )
    expect(at(run.discharged)).toBeLessThanOrEqual(battery.dischargeKw * given.stepHours + 1e-9)
    if (given.exportLimitKw !== null)
      expect(at(run.sold)).toBeLessThanOrEqual(given.exportLimitKw * given.stepHours + 1e-9)
    expect(at(run.bought) * at(run.sold)).toBe(0)
  }
}

const hours = 48
const series = (min: number, max: number) =>
  fc
    .array(fc.double({ min, max, noNaN: true }), { minLength: hours, maxLength: hours })
    .map((values) => Float64Array.from(values, (value) => Math.round(value * 1e4) / 1e4))
const share = fc.double({ min: 0.8, max: 1, noNaN: true })
const anyBattery = fc.record({
  usableKwh: fc.double({ min: 0.5, max: 15, noNaN: true }),
  chargeKw: fc.double({ min: 0.3, max: 6, noNaN: true }),
  dischargeKw: fc.double({ min: 0.3, max: 6, noNaN: true }),
  chargeEfficiency: share,
  dischargeEfficiency: share,
  reserve: fc.double({ min: 0, max: 0.5, noNaN: true }),
})
const flows = fc
  .tuple(
    series(-0.05, 6).map((made) =>
      made.map((kwh, i) => (i % 24 < 6 || i % 24 > 18 ? Math.min(0, kwh) : kwh)),
    ),
    series(0, 4),
    series(0, 0.5),
    series(0, 1),
  )
  .map(([yieldKwh, loadKwh, buy, part]) => ({
    yieldKwh,
    loadKwh,
    buy,
    sell: buy.map((p, i) => p * (part[i] ?? 0)),
  }))
const rest = fc.record({
  stepHours: fc.constantFrom(1, 0.5, 0.25),
  exportLimitKw: fc.option(fc.double({ min: 0, max: 5, noNaN: true })),
  gridCharging: fc.boolean(),
})

test('as cheap as the linear programme, wherever it begins, and no rule is cheaper', () => {
  fc.assert(
    fc.property(flows, rest, anyBattery, fc.option(share), (own, more, battery, from) => {
      const startKwh = from === null ? null : battery.usableKwh * Math.max(battery.reserve, from)
      const given: DispatchCase = { ...own, ...more, startKwh }
      const best = optimum(given, battery)
      expectSound(best, given, battery, startKwh)
      expect(best.cost).toBeCloseTo(leastCost(given, battery), 6)
      expect(best.cost).toBeCloseTo(best.bound, 9)
      expect(costOf(best, given)).toBeCloseTo(best.cost, 9)
      const ownUse = dispatchOwnUse(
        own.yieldKwh,
        own.loadKwh,
        more.stepHours,
        battery,
        more.exportLimitKw,
        startKwh,
      )
      expectSound(ownUse, given, battery, startKwh)
      expect(costOf(ownUse, given)).toBeGreaterThanOrEqual(best.cost - 1e-9)
      const rule = dispatchByTariff(given, battery)
      expectSound(rule, given, battery, startKwh)
      expect(costOf(rule, given)).toBeGreaterThanOrEqual(best.cost - 1e-6)
    }),
    { seed: 151, numRuns: 60, endOnFailure: true },
  )
})

const lossless: BatteryRun = {
  usableKwh: 10,
  chargeKw: 5,
  dischargeKw: 5,
  chargeEfficiency: 1,
  dischargeEfficiency: 1,
  reserve: 0,
}

test('by hand: filled at night, emptied in the dear hour', () => {
  const given: DispatchCase = {
    yieldKwh: new Float64Array(4),
    loadKwh: Float64Array.of(1, 1, 1, 8),
    stepHours: 1,
    buy: Float64Array.of(0.1, 0.2, 0.2, 0.5),
    sell: new Float64Array(4),
    exportLimitKw: null,
    gridCharging: true,
    startKwh: 0,
  }
  // Five at 0.10 on top of the house’s own; five of eight in the last hour are spared.
  expect(optimum(given, lossless).cost).toBeCloseTo(0.1 * 6 + 0.2 + 0.2 + 0.5 * 3, 9)
  expect(optimum({ ...given, gridCharging: false }, lossless).cost).toBeCloseTo(0.1 + 0.4 + 4, 9)
})

test('prices that turn against each other: the bound is no higher than what any way costs', () => {
  const given: DispatchCase = {
    yieldKwh: new Float64Array(2),
    loadKwh: Float64Array.of(1, 1),
    stepHours: 1,
    buy: Float64Array.of(0.1, 0.1),
    sell: Float64Array.of(0.3, 0.3),
    exportLimitKw: null,
    gridCharging: true,
    startKwh: null,
  }
  const { bound, cost } = optimum(given, lossless)
  // Filled in one hour and sold in the other: 6 x 0.1 - 4 x 0.3.
  expect(bound).toBeLessThanOrEqual(-0.6 + 1e-9)
  expect(cost).toBeGreaterThanOrEqual(-0.6 - 1e-9)
})

test('a year: under one price own use is the optimum, under many the tariff’s rule is between', () => {
  const given = sunnyYear(1)
  const battery = { ...lossless, chargeEfficiency: 0.95, dischargeEfficiency: 0.95, reserve: 0.1 }
  const own = dispatchOwnUse(given.yieldKwh, given.loadKwh, 1, battery, null)
  const flat = { ...given, buy: given.buy.map(() => 0.3) }
  expect(optimum(flat, battery).cost).toBeCloseTo(costOf(own, flat), 6)
  const best = optimum(given, battery)
  const rule = costOf(dispatchByTariff(given, battery), given)
  expectSound(best, given, battery, null)
  expect(rule).toBeLessThan(costOf(own, given))
  expect(rule).toBeGreaterThan(best.cost)
  // Of what perfect foresight saves over own use, the rule finds more than a third where days are unlike each other.
  expect((costOf(own, given) - rule) / (costOf(own, given) - best.cost)).toBeGreaterThan(1 / 3)
})
