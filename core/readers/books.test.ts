import { freshGraph, job, option, rack, runOf, set, withBattery, worldOf } from '@/town/testing'
import { seededRandom } from '../model/random'
import { type LineId } from '../model/ledger'
import { dispatchStage } from '../stages/dispatch'
import { type ShownLine } from './books'
import { ledgerOf } from './ledger'
import { monthlyCsv } from './results-csv'
import { summarise } from './summary'

const graph = freshGraph()

function shownIn(lines: readonly ShownLine[]) {
  return (id: LineId) => lines.find((line) => line.id === id)?.shown ?? 0
}

/** What an accountant adds up with the figures on the screen. */
function expectBalance(lines: readonly ShownLine[]) {
  const shown = shownIn(lines)
  const losses = lines.filter(({ weight, group }) => weight === 'loss' && group === 'sun')
  for (const { shown: figure, unit } of lines)
    if (figure !== null && (unit === 'kWh' || unit === 'money/year'))
      expect(Number.isInteger(figure)).toBe(true)
  expect(losses.reduce((rest, { shown: lost }) => rest + (lost ?? 0), shown('sun-on-modules'))).toBe(
    shown('yield'),
  )
  expect(shown('used') + shown('sold') - shown('battery-loss') - shown('curtailed')).toBe(shown('yield'))
  expect(shown('used') + shown('bought')).toBe(shown('consumption'))
  // Before anything is laid there is no bill with solar, and nothing saved.
  if (lines.some(({ id, value }) => id === 'saving' && value !== null))
    expect(shown('bill-now') - shown('bill-then')).toBe(shown('saving'))
  else expect(shown('bill-then')).toBe(0)
  // Rounded, not made up: none is off by one or more.
  for (const { shown: figure, value, unit } of lines)
    if (value !== null && unit === 'kWh') expect(Math.abs((figure ?? 0) - value)).toBeLessThan(1.5)
}

test('the books balance in the figures shown, whatever the job: seeded tariffs, loads, batteries, limits and roofs', async () => {
  const random = seededRandom(1010)
  const pick = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)] as T
  for (let round = 0; round < 25; round++) {
    let house = set(job.house, 'load', { annualKwh: Math.round(random() * 30_000) })
    house = set(house, 'site', {
      exportLimitKw: pick([null, 0, 0.5, 2.5]),
      exportLimitShare: pick([null, null, 0, 0.4]),
    })
    house = set(house, 'tariff-then', { exportPerKwh: random() / 5, fixedPerMonth: random() * 30 })
    let objects = set(pick([option, withBattery]), 'offer', { pricePerWatt: 1 + random() * 3 })
    objects = set(objects, 'storage', {
      batteryId: pick([null, 'kestrelite-5', 'kestrelite-10', 'marrowstone-13']),
      count: pick([1, 2]),
      reserve: random() / 2,
    })
    objects = set(objects, 'electrical', { inverterId: pick(['halyard-3800', 'halyard-7600', 'orrin-10']) })
    if (random() < 0.3) objects = { ...objects, 'rack-1': rack }
    const run = runOf(await worldOf(house, objects), graph)
    const lines = ledgerOf(run)
    expectBalance(lines)
    const value = (id: LineId) => lines.find((line) => line.id === id)?.value ?? 0
    expect(value('used') + value('sold') - value('battery-loss') - value('curtailed')).toBeCloseTo(
      value('yield'),
      6,
    )
    // Interval by interval as well.
    const { bought, sold, charged, discharged, usedDirect } = run.value(dispatchStage)
    for (let i = 0; i < bought.length; i += 331) {
      expect(Math.min(bought[i] ?? 0, sold[i] ?? 0)).toBe(0)
      expect(Math.min(charged[i] ?? 0, discharged[i] ?? 0)).toBe(0)
      expect(usedDirect[i]).toBeGreaterThanOrEqual(0)
    }
  }
}, 120_000)

test('in the monthly table used, sold, lost and curtailed are the yield, used and bought the load', async () => {
  const world = await worldOf(set(job.house, 'site', { exportLimitKw: 1 }), withBattery)
  const [header = '', ...rows] = monthlyCsv(summarise(runOf(world, graph), world))
    .trim()
    .split('\n')
  const names = header.split(',')
  const sum = (name: string) => {
    expect(names).toContain(name)
    return rows.reduce((total, row) => total + Number(row.split(',')[names.indexOf(name)]), 0)
  }
  expect(sum('curtailedKwh')).toBeGreaterThan(10)
  expect(sum('usedKwh') + sum('soldKwh') + sum('batteryLostKwh') + sum('curtailedKwh')).toBeCloseTo(
    sum('yieldKwh'),
    1,
  )
  expect(sum('usedKwh') + sum('boughtKwh')).toBeCloseTo(sum('loadKwh'), 1)
})

test('without modules there is a consumption and a bill, and nothing that is made', async () => {
  const bare = Object.fromEntries(Object.entries(option).filter(([, { kind }]) => kind !== 'array'))
  const lines = ledgerOf(runOf(await worldOf(job.house, bare), graph))
  expectBalance(lines)
  expect(shownIn(lines)('bought')).toBe(11_400)
})
