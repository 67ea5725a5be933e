import { leftAfterYear, type Fade } from '../battery/fade'
import { type BatteryRun } from '../battery/battery-run'
import { type Dispatch } from '../battery/own-use'
import { scaledYield } from '../battery/scaled-yield'
import { type BillLineCode, type FormBill } from '../tariff/bill-lines'
import { type AgedYear } from './ways'

/** Lines of a bill that pay for exports. */
const exportLines: ReadonlySet<BillLineCode> = new Set(['exports', 'surplus'])

export interface Ageing {
  readonly yieldKwh: Float64Array
  /** What the inverter clips of it. */
  readonly clippedKwh: Float64Array
  readonly battery: BatteryRun | null
  /** Where a year's yield goes with a battery that holds less than it did; looked at before the next one is run. */
  readonly run: (
    sun: Pick<Ageing, 'yieldKwh' | 'clippedKwh'>,
    battery: BatteryRun | null,
  ) => Pick<Dispatch, 'bought' | 'sold' | 'discharged' | 'fromClipping'>
  /** What a year costs. */
  readonly bill: (boughtKwh: Float64Array, soldKwh: Float64Array) => FormBill
  /** Share of power that modules lose each year. */
  readonly degradation: number
  readonly batteryFade: Fade
  /** Years at whose end the battery is replaced. */
  readonly newBattery: readonly number[]
  readonly years: number
}

/** A year to come, with what its battery is like in it. */
export interface RunYear extends AgedYear {
  /** Share of what the battery held new; 1 without one. */
  readonly held: number
  /** What came out of it, kWh. */
  readonly dischargedKwh: number
}

/**
 * The years to come at today's prices: each is run through load, battery and tariff again with modules and battery a
 * year older.
 */
export function agedYears(request: Ageing): RunYear[] {
  const { yieldKwh, clippedKwh, battery, newBattery, degradation, batteryFade } = request
  const made = new Float64Array(yieldKwh.length)
  const clipped = new Float64Array(clippedKwh.length)
  let held = 1
  return Array.from({ length: request.years }, (_, year) => {
    const left = (1 - degradation) ** year
    const madeKwh = scaledYield(yieldKwh, left, made)
    if (battery?.dcSide) scaledYield(clippedKwh, left, clipped)
    if (newBattery.includes(year)) held = 1
    const faded = battery && { ...battery, usableKwh: battery.usableKwh * held }
    const { bought, sold, discharged, fromClipping } = request.run(
      { yieldKwh: made, clippedKwh: clipped },
      faded,
    )
    const dischargedKwh = battery ? sumOf(discharged) : 0
    const bill = request.bill(bought, sold)
    const run = {
      bill: bill.annual,
      exported: exportedIn(bill),
      yieldKwh: battery?.dcSide ? madeKwh + sumOf(fromClipping) : madeKwh,
      held,
      dischargedKwh,
    }
    if (battery) held = leftAfterYear(held, batteryFade, dischargedKwh / battery.usableKwh)
    return run
  })
}

const sumOf = (series: Float64Array): number => series.reduce((sum, kwh) => sum + kwh, 0)

/** What a year's bills pay for exports. */
function exportedIn({ months }: FormBill): number {
  let sum = 0
  for (const { lines } of months)
    for (const { code, amount } of lines) if (exportLines.has(code)) sum -= amount
  return sum
}
