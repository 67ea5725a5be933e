import fc from 'fast-check'
import highs from 'highs'
import { dispatchByTariff } from './by-tariff'
import { optimum, type DispatchCase } from './optimum'
import { expectSound, sunnyYear } from './testing'
import { type BatteryRun } from './battery-run'
import { dispatchOwnUse, type Dispatch } from './own-use'

const solver = await highs()

/** The same as a linear programme; power bought costs no less than power sold. */
function leastCost(given: DispatchCase, battery: BatteryRun): number {
  const { yieldKwh, loadKwh, stepHours, buy, sell, exportLimitKw, gridCharging, startKwh } = given
  const { chargeEfficiency, dischargeEfficiency, dcSide } = battery
  const gridStores = dcSide?.gridEfficiency ?? chargeEfficiency
  const n = yieldKwh.length
  const goal: string[] = []
  const rows: string[] = []
  const bounds: string[] = []
  const term = (factor: number, name: string) => `${factor < 0 ? '-' : '+'} ${Math.abs(factor)} ${name}`
  for (let i = 0; i < n; i++) {
    const [made, used] = [yieldKwh[i] ?? 0, loadKwh[i] ?? 0]
    goal.push(term(buy[i] ?? 0, `b${i}`), term(-(sell[i] ?? 0), `e${i}`))
    // Into the battery: of the sun, of what would be clipped, of the grid.
    rows.push(`g${i}: b${i} - e${i} - u${i} - c${i} - q${i} + d${i} = ${used - made}`)
    const before = i === 0 ? (startKwh === null ? `s${n}` : null) : `s${i}`
    const into = [
      term(-chargeEfficiency, `c${i}`),
      term(-chargeEfficiency, `f${i}`),
      term(-gridStores, `q${i}`),
    ]
    const rest = `s${i + 1} ${into.join(' ')} ${term(1 / dischargeEfficiency, `d${i}`)}`
    rows.push(before === null ? `t${i}: ${rest} = ${startKwh}` : `t${i}: ${rest} - ${before} = 0`)
    const most = battery.chargeKw * stepHours
    rows.push(`m${i}: c${i} + f${i} ${term(gridStores / chargeEfficiency, `q${i}`)} <= ${most}`)
    const clipped = dcSide ? (given.clippedKwh?.[i] ?? 0) : 0
    const inverterMost = (dcSide?.inverterKw ?? 1e6) * stepHours
    bounds.push(`c${i} <= ${Math.max(0, made)}`)
    bounds.push(`f${i} <= ${clipped}`)
    bounds.push(`q${i} <= ${gridCharging ? inverterMost : 0}`)
    const room = clipped > 0 ? 0 : Math.max(0, inverterMost - Math.max(0, made))
    bounds.push(`d${i} <= ${Math.min(battery.dischargeKw * stepHours, room)}`)
    bounds.push(`u${i} <= ${Math.max(0, made)}`)
    if (exportLimitKw !== null) bounds.push(`e${i} <= ${exportLimitKw * stepHours}`)
    bounds.push(`${battery.usableKwh * battery.reserve} <= s${i + 1} <= ${battery.usableKwh}`)
  }
  const text = `Minimize\nobj: ${goal.join(' ')}\nSubject To\n${rows.join('\n')}\nBounds\n${bounds.join('\n')}\nEnd`
  return solver.solve(text).ObjectiveValue
}

const costOf = ({ bought, sold }: Dispatch, { buy, sell }: DispatchCase): number =>
  bought.reduce((sum, kwh, i) => sum + kwh * (buy[i] ?? 0) - (sold[i] ?? 0) * (sell[i] ?? 0), 0)

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
/** A DC-coupled one. */
const onDcSide = fc
  .tuple(anyBattery, fc.double({ min: 0.5, max: 5, noNaN: true }), share)
  .map(([battery, inverterKw, part]): BatteryRun => ({
    ...battery,
    dcSide: { inverterKw, gridEfficiency: battery.chargeEfficiency * part },
  }))
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
/** Clipped in some hours. */
const spilt = series(-4, 2).map((values) => values.map((value) => Math.max(0, value)))
const rest = fc.record({
  stepHours: fc.constantFrom(1, 0.5, 0.25),
  exportLimitKw: fc.option(fc.double({ min: 0, max: 5, noNaN: true })),
  gridCharging: fc.boolean(),
})

test.each([
  ['AC-coupled', anyBattery],
  ['DC-coupled', onDcSide],
] as const)('%s: as cheap as the linear programme, wherever it begins, and no rule is cheaper', (_, any) => {
  fc.assert(
    fc.property(
      flows,
      spilt,
      rest,
      any,
      fc.option(share),
      (own, clippedKwh, more, battery: BatteryRun, from) => {
        const startKwh = from === null ? null : battery.usableKwh * Math.max(battery.reserve, from)
        const given: DispatchCase = { ...own, clippedKwh, ...more, startKwh }
        const best = optimum(given, battery)
        expectSound(best, given, battery, startKwh)
        expect(best.cost).toBeCloseTo(leastCost(given, battery), 6)
        expect(best.cost).toBeCloseTo(best.bound, 9)
        expect(costOf(best, given)).toBeCloseTo(best.cost, 9)
        const ownUse = dispatchOwnUse(given, battery)
        expectSound(ownUse, given, battery, startKwh)
        expect(costOf(ownUse, given)).toBeGreaterThanOrEqual(best.cost - 1e-9)
        const rule = dispatchByTariff(given, battery)
        expectSound(rule, given, battery, startKwh)
        expect(costOf(rule, given)).toBeGreaterThanOrEqual(best.cost - 1e-6)
        const foreseen = dispatchByTariff(given, battery, undefined, 'forecast')
        expectSound(foreseen, given, battery, startKwh)
        expect(costOf(foreseen, given)).toBeGreaterThanOrEqual(best.cost - 1e-6)
      },
    ),
    { seed: 151, numRuns: 30, endOnFailure: true },
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
  const own = dispatchOwnUse(given, battery)
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
