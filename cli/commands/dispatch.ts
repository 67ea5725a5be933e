import { type Command } from 'commander'
import { z } from 'zod'
import { dispatchByTariff } from '@/core/battery/by-tariff'
import { optimum, type DispatchCase } from '@/core/battery/optimum'
import { type BatteryRun } from '@/core/battery/battery-run'
import { dispatchOwnUse, type Dispatch } from '@/core/battery/own-use'
import { addCaseCommand, type Question } from '../case-command'
import { badCase } from '../english'

/** A leap year of quarter-hours. */
const mostIntervals = 366 * 96

const kwh = z.array(z.number().min(-1e6).max(1e6)).min(1).max(mostIntervals)
const used = z.array(z.number().min(0).max(1e6)).max(mostIntervals)
const money = z.array(z.number().min(-1e6).max(1e6)).max(mostIntervals)
const size = z.number().min(0).max(1e6)
const efficiency = z.number().gt(0).max(1)

const schema = z.object({
  yieldKwh: kwh,
  loadKwh: used,
  stepHours: z.number().gt(0).max(24),
  battery: z
    .object({
      usableKwh: size,
      chargeKw: size,
      dischargeKw: size,
      chargeEfficiency: efficiency,
      dischargeEfficiency: efficiency,
      reserve: z.number().min(0).max(1).default(0),
    })
    .nullable(),
  rule: z.enum(['own-use', 'tariff', 'forecast', 'optimum']),
  buy: money,
  sell: money,
  exportLimitKw: size.nullable().default(null),
  gridCharging: z.boolean().default(false),
  startKwh: size.nullable().default(null),
})
type Given = z.infer<typeof schema>

/** What stands in for none: nothing goes in and nothing comes out. */
const noBattery: BatteryRun = {
  usableKwh: 0,
  chargeKw: 0,
  dischargeKw: 0,
  chargeEfficiency: 1,
  dischargeEfficiency: 1,
  reserve: 0,
}

function answer(given: Given): object {
  const { rule, battery: stated, stepHours, exportLimitKw, startKwh } = given
  const intervals = given.yieldKwh.length
  for (const name of ['loadKwh', 'buy', 'sell'] as const)
    if (given[name].length !== intervals)
      throw badCase(name, 'as-many-as', { expected: intervals, given: given[name].length })
  const battery = stated ?? noBattery
  const floor = battery.usableKwh * battery.reserve
  if (startKwh !== null && (startKwh < floor - 1e-9 || startKwh > battery.usableKwh + 1e-9))
    throw badCase('startKwh', 'start-within', { low: floor, high: battery.usableKwh })
  const series: DispatchCase = {
    yieldKwh: Float64Array.from(given.yieldKwh),
    loadKwh: Float64Array.from(given.loadKwh),
    buy: Float64Array.from(given.buy),
    sell: Float64Array.from(given.sell),
    stepHours,
    exportLimitKw,
    gridCharging: given.gridCharging,
    startKwh,
  }
  const best = rule === 'optimum' ? optimum(series, battery) : null
  const run =
    best ??
    (rule === 'own-use'
      ? dispatchOwnUse(series, battery)
      : dispatchByTariff(series, battery, undefined, rule === 'forecast' ? 'forecast' : 'day-before'))
  return {
    annual: { ...sumsOf(run, series), ...(best ? { bound: best.bound } : {}) },
    hourly: {
      charge: [...run.charged],
      discharge: [...run.discharged],
      stored: [...run.storedKwh],
      bought: [...run.bought],
      sold: [...run.sold],
      curtailed: [...run.curtailed],
    },
  }
}

/** Sums over all intervals, kWh and money. */
function sumsOf(run: Dispatch, { buy, sell }: DispatchCase) {
  const sum = (series: Float64Array) => series.reduce((total, value) => total + value, 0)
  return {
    bought: sum(run.bought),
    sold: sum(run.sold),
    cost: sum(run.bought.map((bought, i) => bought * (buy[i] ?? 0) - (run.sold[i] ?? 0) * (sell[i] ?? 0))),
    charged: sum(run.charged),
    discharged: sum(run.discharged),
    curtailed: sum(run.curtailed),
  }
}

export const dispatchQuestion: Question<Given> = { schema, answer }

export function addDispatch(gable: Command): void {
  addCaseCommand(
    gable.command('dispatch').description('A battery over a year, by a rule or at its best'),
    dispatchQuestion,
  )
}
