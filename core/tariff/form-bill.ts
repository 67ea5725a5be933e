import { type BillLine, type BillLineCode, type FormBill, type Hours, type Metered } from './bill-lines'
import { daysInMonth, daysIn } from '../model/model-year'
import { demandByMonth } from './demand'
import { exportPrices } from './export-price'
import { type TariffForm } from '../kinds/tariff/form'
import { NetMeter } from './net-meter'
import { firstHolding, withHolidays } from './when'

/** A tariff laid over the hours of a year: bills for any energy through the meter. */
export class TariffYear {
  readonly #form: TariffForm
  readonly #given: Hours
  /** The period of each interval; -1 in the hours of none. */
  readonly #holding: Int16Array
  /** What a kWh that goes out earns in each. */
  readonly #earns: Float64Array | null

  constructor(form: TariffForm, hours: Hours) {
    this.#form = form
    this.#given = { ...hours, clock: withHolidays(hours.clock, form.holidays, hours.year) }
    this.#holding = firstHolding(form.periods, this.#given.clock)
    this.#earns = form.exports.kind === 'net-metering' ? null : exportPrices(form, this.#given.clock)
  }

  /**
   * Twelve bills as the customer gets them, line by line.
   * @param boughtKwh in each interval
   * @param soldKwh in each interval
   */
  bill(boughtKwh: Float64Array, soldKwh: Float64Array): FormBill {
    const form = this.#form
    const given = { ...this.#given, boughtKwh, soldKwh }
    const bills = new Bills(form, given, this.#holding, this.#earns)
    // Credit is carried over New Year: what December hands on, January began with.
    if (form.exports.kind === 'net-metering') for (let m = 0; m < 12; m++) bills.linesOf(m)
    const factor = factorIn(form, given.year)
    const months = Array.from({ length: 12 }, (_, m) => {
      const lines = bills
        .linesOf(m)
        .filter(({ amount }) => amount !== 0)
        .map((line) => ({ ...line, amount: line.amount * factor }))
      return { lines, total: sum(lines) }
    })
    return { months, annual: months.reduce((all, { total }) => all + total, 0) }
  }
}

/** Twelve bills of what went through the meter, under a tariff of any form. */
export const formBill = (form: TariffForm, metered: Metered): FormBill =>
  new TariffYear(form, metered).bill(metered.boughtKwh, metered.soldKwh)

const sum = (lines: readonly BillLine[]): number => lines.reduce((all, { amount }) => all + amount, 0)
const line = (code: BillLineCode, amount: number, name = ''): BillLine => ({ code, name, amount })

/** The bills of a year, month after month: what is carried from one to the next goes with them. */
class Bills {
  readonly #form: TariffForm
  readonly #year: number
  readonly #energy: readonly PartOfEnergy[]
  readonly #demand: readonly (readonly number[])[]
  readonly #earned: Float64Array | null
  readonly #meter: NetMeter | null

  constructor(form: TariffForm, given: Metered, holding: Int16Array, earns: Float64Array | null) {
    this.#form = form
    this.#year = given.year
    this.#energy = energyByMonth(form, given, holding)
    this.#demand = form.demand.map((charge) => demandByMonth(charge, given))
    this.#meter = form.exports.kind === 'net-metering' ? new NetMeter(form.exports) : null
    this.#earned = earns && exportsByMonth(form, given, earns)
  }

  /** @param m month 0..11, each after the one before */
  linesOf(m: number): BillLine[] {
    const form = this.#form
    const days = m === 1 && daysIn(this.#year) === 366 ? 29 : (daysInMonth[m] ?? 30)
    const bought = this.#energy.reduce((all, part) => all + (part.bought[m] ?? 0), 0)
    const lines = [
      line('fixed', form.fixedPerMonth),
      line('daily', form.fixedPerDay * days),
      ...this.#energyLines(m, days),
      ...form.demand.map(({ perKw, name }, d) => line('demand', perKw * (this.#demand[d]?.[m] ?? 0), name)),
      line('non-bypassable', bought * form.nonBypassablePerKwh),
      line('exports', -(this.#earned?.[m] ?? 0)),
    ]
    if (form.minimumPerMonth > 0) lines.push(line('minimum', Math.max(0, form.minimumPerMonth - sum(lines))))
    const taxed = Math.max(0, sum(lines))
    lines.push(...form.taxes.map(({ name, share }) => line('tax', taxed * share, name)))
    for (const { name, months, amount } of form.credits)
      if (months.length === 0 || months.includes(m + 1)) lines.push(line('credit', -amount, name))
    return lines
  }

  #energyLines(m: number, days: number): BillLine[] {
    const meter = this.#meter
    const parts = this.#energy.map(({ name, price, bought, sold }) => ({
      name,
      price,
      kwh: (bought[m] ?? 0) - (meter ? (sold[m] ?? 0) : 0),
    }))
    const kwh = parts.reduce((all, part) => all + part.kwh, 0)
    const tiers = tierAmounts(this.#form, m, days, Math.max(0, kwh))
    const lines = [
      ...parts.map(({ name, price, kwh: own }) => line('energy', own * price, name)),
      ...tiers.map((amount, t) => line('tier', amount, String(t + 1))),
    ]
    const settled = meter ? meter.settle(m, kwh, sum(lines)) : []
    return [...lines, ...settled.map(({ code, amount }) => line(code, amount))]
  }
}

/** How many times the stated prices hold in a year. */
export function factorIn({ priceSteps }: Pick<TariffForm, 'priceSteps'>, year: number): number {
  const [last] = priceSteps.filter((step) => step.year <= year).sort((a, b) => b.year - a.year)
  return last?.factor ?? 1
}

interface PartOfEnergy {
  readonly name: string
  readonly price: number
  readonly bought: Float64Array
  readonly sold: Float64Array
}

/** kWh of each month in each period, and last in the hours of none; periods of one name and price are one. */
function energyByMonth(
  form: TariffForm,
  { clock, boughtKwh, soldKwh }: Metered,
  holding: Int16Array,
): readonly PartOfEnergy[] {
  const byLabel = new Map<string, { readonly name: string; readonly price: number; readonly place: number }>()
  // By period, the hours of none last: where its months begin in the sums.
  const begins = [...form.periods, { name: '', pricePerKwh: form.pricePerKwh }].map(
    ({ name, pricePerKwh }) => {
      const label = `${pricePerKwh} ${name}`
      const part = byLabel.get(label) ?? { name, price: pricePerKwh, place: byLabel.size }
      byLabel.set(label, part)
      return 12 * part.place
    },
  )
  const bought = new Float64Array(12 * byLabel.size)
  const sold = new Float64Array(12 * byLabel.size)
  const none = form.periods.length
  const { month } = clock
  for (let i = 0; i < boughtKwh.length; i++) {
    const period = holding[i] as number
    const at = (begins[period === -1 ? none : period] as number) + (month[i] as number)
    bought[at] = (bought[at] as number) + (boughtKwh[i] as number)
    sold[at] = (sold[at] as number) + (soldKwh[i] as number)
  }
  return [...byLabel.values()].map(({ name, price, place }) => ({
    name,
    price,
    bought: bought.subarray(12 * place, 12 * place + 12),
    sold: sold.subarray(12 * place, 12 * place + 12),
  }))
}

/** What the kWh of a month come to on top of their price, step by step. */
function tierAmounts({ tiers }: TariffForm, month: number, days: number, kwh: number): number[] {
  if (!tiers || (tiers.months.length > 0 && !tiers.months.includes(month + 1))) return []
  const times = tiers.per === 'day' ? days : 1
  let from = 0
  return tiers.steps.map(({ upToKwh, addPerKwh }) => {
    const to = upToKwh === null ? Infinity : upToKwh * times
    const own = Math.max(0, Math.min(kwh, to) - from)
    from = to
    return own * addPerKwh
  })
}

function exportsByMonth(form: TariffForm, { clock, soldKwh }: Metered, price: Float64Array): Float64Array {
  const earned = new Float64Array(12)
  const { exports } = form
  let left = 'capKwhPerYear' in exports ? (exports.capKwhPerYear ?? Infinity) : Infinity
  const { month } = clock
  for (let i = 0; i < soldKwh.length; i++) {
    const kwh = Math.min(soldKwh[i] as number, left)
    left -= kwh
    const m = month[i] as number
    earned[m] = (earned[m] as number) + kwh * (price[i] as number)
  }
  return earned
}
