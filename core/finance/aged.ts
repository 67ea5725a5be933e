import { type BatteryRun, type Dispatch } from '../battery/own-use'
import { scaledYield } from '../battery/scaled-yield'
import { type BillLineCode, type FormBill } from '../tariff/bill-lines'
import { type AgedYear } from './ways'

/** Lines of a bill that pay for exports. */
const exportLines: ReadonlySet<BillLineCode> = new Set(['exports', 'surplus'])

export interface Ageing {
  readonly yieldKwh: Float64Array
  readonly battery: BatteryRun | null
  /** Where a year's yield goes with a battery that holds less than it did; looked at before the next one is run. */
  readonly run: (yieldKwh: Float64Array, battery: BatteryRun | null) => Pick<Dispatch, 'bought' | 'sold'>
  /** What a year costs. */
  readonly bill: (boughtKwh: Float64Array, soldKwh: Float64Array) => FormBill
  /** Share of power that modules lose each year. */
  readonly degradation: number
  /** Share of what it holds that a battery loses each year. */
  readonly batteryFade: number
  /** Years at whose end the battery is replaced. */
  readonly newBattery: readonly number[]
  readonly years: number
}

/**
 * The years to come at today's prices: each is run through load, battery and tariff again with modules and battery a
 * year older.
 */
export function agedYears(request: Ageing): AgedYear[] {
  const { yieldKwh, battery, newBattery, degradation, batteryFade } = request
  const made = new Float64Array(yieldKwh.length)
  return Array.from({ length: request.years }, (_, year) => {
    const left = (1 - degradation) ** year
    const madeKwh = scaledYield(yieldKwh, left, made)
    const since = newBattery.reduce((last, at) => (at <= year ? Math.max(last, at) : last), 0)
    const faded = battery && {
      ...battery,
      usableKwh: battery.usableKwh * (1 - batteryFade) ** (year - since),
    }
    const { bought, sold } = request.run(made, faded)
    const bill = request.bill(bought, sold)
    return {
      bill: bill.annual,
      exported: exportedIn(bill),
      yieldKwh: madeKwh,
    }
  })
}

/** What a year's bills pay for exports. */
function exportedIn({ months }: FormBill): number {
  let sum = 0
  for (const { lines } of months)
    for (const { code, amount } of lines) if (exportLines.has(code)) sum -= amount
  return sum
}
