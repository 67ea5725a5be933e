import { type Load } from '../kinds/load/load'
import { type TariffForm } from '../kinds/tariff/form'
import { billedYear, spansOf, type BilledYear } from '../load/billed-year'
import { hourlyLoad } from '../load/hourly-load'
import { spanHours } from '../load/span-hours'
import { localClock, standardOffsetHours } from '../model/local-clock'
import { modelYear, yearHours, yearStartMs } from '../model/model-year'
import { type BillLine } from '../tariff/bill-lines'
import { monthParts, spanBill } from '../tariff/span-bill'

/** A bill of the customer's beside the tariff's. */
export interface CheckedBill {
  /** Its place in the document. */
  readonly index: number
  readonly days: number
  readonly kwh: number
  /** What was asked for; null where nobody has typed it. */
  readonly money: number | null
  /** What the tariff asks for the same energy in the same days. */
  readonly computed: number
  readonly lines: readonly BillLine[]
}

/** Money a day and money a kWh that bills come to. */
export interface Rates {
  readonly perDay: number
  readonly perKwh: number
}

/** How far the bills are from the tariff, and what that lies in: the three parts add up to the difference. */
export interface BillsDifference {
  readonly billed: number
  readonly computed: number
  /** Both null where the bills are too few or too much alike to tell a charge by the day from one by the kWh. */
  readonly ofBills: Rates | null
  readonly ofTariff: Rates | null
  readonly byDay: number
  readonly byKwh: number
  readonly rest: number
}

export interface CustomerBills {
  readonly year: BilledYear
  /** In the order of their days. */
  readonly bills: readonly CheckedBill[]
  /** Null where no bill has its money. */
  readonly difference: BillsDifference | null
}

interface Place {
  readonly timeZone: string
  readonly latitudeDeg: number
}

/**
 * The customer's bills: the year they come to, and each beside what the tariff would ask for its energy and days. Within
 * a bill the energy follows the load's shape.
 * @returns null without any bill that has its energy
 */
export function customerBills(load: Load, tariff: TariffForm, place: Place): CustomerBills | null {
  const southern = place.latitudeDeg < 0
  const year = billedYearOf(load, place)
  if (!year) return null
  const bills = spansOf(load.bills).map(({ index, from, to, kwh }): CheckedBill => {
    const parts = monthParts(from, to, place.timeZone)
    const shapes = parts.map((part) => spanHours(load, part, southern))
    const all = shapes.reduce((sum, shape) => sum + total(shape), 0)
    const hours = shapes.reduce((sum, shape) => sum + shape.length, 0)
    const spread = shapes.map((shape) => shape.map((own) => (all > 0 ? (own * kwh) / all : kwh / hours)))
    const lines = spanBill(tariff, parts, spread)
    const computed = lines.reduce((sum, { amount }) => sum + amount, 0)
    return { index, days: to - from + 1, kwh, money: load.bills[index]?.money ?? null, computed, lines }
  })
  return { year, bills, difference: differenceOf(bills) }
}

/** The year that a load's bills come to. */
export const billedYearOf = (load: Load, place: Place): BilledYear | null =>
  billedYear(load.bills, dayShapeOf(load, place))

/** What a year that bills come to sets in the load. */
export const consumptionFrom = ({
  annualKwh,
  byMonth,
}: BilledYear): Pick<Load, 'annualKwh'> & { readonly byMonth: number[] } => ({
  annualKwh: Math.round(annualKwh),
  byMonth: byMonth.map((kwh) => Math.round(kwh * 100) / 100),
})

const total = (series: Float64Array): number => series.reduce((all, value) => all + value, 0)

/** What the shape uses on each day of the model year; only the proportions count. */
function dayShapeOf({ shape, meter }: Load, { timeZone, latitudeDeg }: Place): Float64Array {
  const start = yearStartMs(standardOffsetHours(timeZone, modelYear))
  const clock = localClock(timeZone, start, 60, yearHours)
  const days = new Float64Array(365)
  hourlyLoad({ annualKwh: 1, shape, byMonth: null, meter }, clock, latitudeDeg < 0).forEach((kwh, i) => {
    const day = Math.floor(i / 24)
    days[day] = (days[day] as number) + kwh
  })
  return days
}

/** Fewer cannot tell two rates apart with anything left to judge them by. */
const leastBills = 3
/** The greatest use a day must be more than so many times the least. */
const leastSpread = 1.2

function differenceOf(bills: readonly CheckedBill[]): BillsDifference | null {
  const known = bills.flatMap((bill) => (bill.money === null ? [] : [{ ...bill, money: bill.money }]))
  if (known.length === 0) return null
  const of = (what: (bill: (typeof known)[number]) => number) =>
    known.reduce((all, bill) => all + what(bill), 0)
  const [billed, computed] = [of(({ money }) => money), of((bill) => bill.computed)]
  const ofBills = ratesOf(known, ({ money }) => money)
  const ofTariff = ratesOf(known, (bill) => bill.computed)
  const [byDay, byKwh] =
    ofBills && ofTariff
      ? [
          (ofBills.perDay - ofTariff.perDay) * of(({ days }) => days),
          (ofBills.perKwh - ofTariff.perKwh) * of(({ kwh }) => kwh),
        ]
      : [0, 0]
  return { billed, computed, ofBills, ofTariff, byDay, byKwh, rest: billed - computed - byDay - byKwh }
}

/** Least squares of money = a × days + b × kWh. */
function ratesOf<B extends CheckedBill>(bills: readonly B[], money: (bill: B) => number): Rates | null {
  const perDay = bills.map(({ kwh, days }) => kwh / days)
  if (bills.length < leastBills || !(Math.max(...perDay) > leastSpread * Math.min(...perDay))) return null
  const of = (what: (bill: B) => number) => bills.reduce((all, bill) => all + what(bill), 0)
  const [dd, dk, kk] = [of((b) => b.days * b.days), of((b) => b.days * b.kwh), of((b) => b.kwh * b.kwh)]
  const [dm, km] = [of((b) => b.days * money(b)), of((b) => b.kwh * money(b))]
  const determinant = dd * kk - dk * dk
  if (!(determinant > 1e-9 * dd * kk)) return null
  return { perDay: (dm * kk - km * dk) / determinant, perKwh: (km * dd - dm * dk) / determinant }
}
