import { arrangeStrings } from '@/core/electrical/string-search'
import { dispatchByTariff } from '@/core/battery/by-tariff'
import { offGrid } from '@/core/battery/off-grid'
import { optimum } from '@/core/battery/optimum'
import { dispatchOwnUse } from '@/core/battery/own-use'
import { sunnyYear } from '@/core/battery/testing'
import { diagramWords } from '@/words/diagram-words'
import { plainEnglish } from '@/words/plain-english'
import { singleLine } from '@/core/diagram/single-line'
import { paperSvg } from '@/core/drawing/paper-svg'
import { localClock } from '@/core/model/local-clock'
import { yearStartMs } from '@/core/model/model-year'
import { partsList } from '@/core/parts/parts-list'
import { builtOf } from '@/core/readers/built'
import { stringsStage } from '@/core/stages/strings'
import { tariffFormSchema } from '@/core/kinds/tariff/form'
import { formBill } from '@/core/tariff/form-bill'
import { readMeter } from '@/core/load/meter/read-meter'
import { meterTable } from '@/core/load/meter/testing'
import { storageWorths } from '@/core/readers/storage-worth'
import { storageId } from '@/core/kinds/storage/storage'
import { freshGraph, job, runOf, set, withBattery, worldOf } from '@/town/testing'

/** Strings, a battery's year, bills, meter files, parts and diagram: milliseconds each, the median of some. */
const rounds = Number(process.env['ROUNDS'] ?? 20)

function time(name: string, bound: number | null, work: () => unknown): number {
  for (let k = 0; k < 3; k++) work()
  const times = Array.from({ length: rounds }, () => {
    const start = performance.now()
    work()
    return performance.now() - start
  }).sort((a, b) => a - b)
  const median = times[Math.floor(times.length / 2)] ?? NaN
  const most = times[Math.min(times.length - 1, Math.ceil(times.length * 0.95) - 1)] ?? NaN
  const said = bound === null ? '' : ` (wanted: ${bound} ms)`
  console.log(`${name.padEnd(52)} ${median.toFixed(2).padStart(8)} ms, p95 ${most.toFixed(2)} ms${said}`)
  return median
}

const limits = { fewest: 4, most: 13, inputs: 3, parallel: 2 }
time('60 modules of three directions strung', 50, () => arrangeStrings([28, 20, 12], limits))
time('2,500 modules of four directions strung', null, () =>
  arrangeStrings([900, 800, 500, 300], { fewest: 6, most: 20, inputs: 24, parallel: 12 }),
)

const battery = {
  usableKwh: 10,
  chargeKw: 5,
  dischargeKw: 5,
  chargeEfficiency: 0.95,
  dischargeEfficiency: 0.95,
  reserve: 0.1,
}
const hourly = sunnyYear(1)
const quarters = sunnyYear(0.25)
const own = time('own use, a year of hours', 2, () => dispatchOwnUse(hourly, battery))
time('by tariff, a year of hours', 2, () => dispatchByTariff(hourly, battery))
time('by tariff and forecast, a year of hours', 2, () =>
  dispatchByTariff(hourly, battery, undefined, 'forecast'),
)
const best = time('optimum, a year of hours', 50, () => optimum(hourly, battery))
time('optimum, a year of quarter-hours', 300, () => optimum(quarters, battery))
console.log(`  the optimum takes ${(best / own).toFixed(0)} times as long as own use`)

const clock = localClock('America/New_York', yearStartMs(-5), 60, 8760)
const form = tariffFormSchema.parse({
  fixedPerMonth: 12,
  pricePerKwh: 0.2,
  periods: [
    { name: 'Peak', days: 'weekday', fromHour: 16, toHour: 21, pricePerKwh: 0.4 },
    { name: 'Night', fromHour: 23, toHour: 6, pricePerKwh: 0.12 },
  ],
  exportPerKwh: 0.08,
})
const metered = { clock, year: 2025, stepMinutes: 60, boughtKwh: hourly.loadKwh, soldKwh: hourly.yieldKwh }
time('twelve bills of 8,760 hours', 1, () => formBill(form, metered))
const file = meterTable({ days: 365, step: 15 })
time('a meter file of 35,040 quarter-hours', null, () => readMeter(file))

const world = await worldOf(job.house, withBattery)
const run = runOf(world)
const built = builtOf(run, world)
const { window } = run.value(stringsStage)
time('a house without grid, array and generator for 99 %', null, () =>
  offGrid({ ...hourly, stepHours: 1, month: clock.month }, battery, 0.99),
)
for (const rule of ['own-use', 'by-tariff'] as const) {
  const graph = freshGraph()
  const times: number[] = []
  for (let k = 0; k < 5; k++) {
    // Another reserve each time: nothing of it is known yet.
    const asked = await worldOf(
      job.house,
      set(withBattery, storageId, { rule, gridCharging: true, reserve: 0.1 + k / 100 }),
    )
    const start = performance.now()
    const { worths } = await storageWorths(graph, asked, { atMostMs: 1000, pause: async () => true })
    times.push((performance.now() - start) / worths.length)
  }
  const median = times.sort((a, b) => a - b)[2] ?? NaN
  console.log(
    `one size of the comparison, ${rule}`.padEnd(52),
    `${median.toFixed(2).padStart(8)} ms (wanted: 20 ms)`,
  )
}
const words = diagramWords(plainEnglish, built, { address: 'x', units: 'metric', option: 'A' })
time('parts list of the shipped job', null, () => partsList(built))
time('single-line diagram of it as SVG', 20, () => paperSvg(singleLine(built, window, words)))
