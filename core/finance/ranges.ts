import { npvOf, payback } from './cash'
import { flowsOf, type AgedYear, type YearsOffer } from './ways'
import { type Price } from './price'

/** Standard deviations of what nobody knows. */
export interface Unknowns {
  /** Of a year's sun, from the years on record; each year is drawn by itself. */
  readonly weather: number
  /** Of the yield model as a whole. */
  readonly yieldModel: number
  /** Of growth a year, the same in all years of a trial. */
  readonly priceGrowth: number
  readonly loadGrowth: number
  /** Of what modules lose a year. */
  readonly degradation: number
}
export const unknowns = ['weather', 'yieldModel', 'priceGrowth', 'loadGrowth', 'degradation'] as const
/** Of a year's sun, where a station has no years on record. */
export const usualYearSpread = 0.04

export type Unknown = (typeof unknowns)[number]

/** What is drawn for one course of the years, in standard deviations. */
interface Drawn extends Readonly<Record<Exclude<Unknown, 'weather'>, number>> {
  /** One for each year. */
  readonly weather: readonly number[]
}

/** A year of more or less yield and load than the first. */
export interface OtherYear {
  /** Share of the first year's yield. */
  readonly made: number
  readonly used: number
  /** Which year it is, 0 for the first: the battery is that old. */
  readonly year: number
}

export interface RangesCase {
  readonly offer: YearsOffer
  readonly price: Price
  readonly years: number
  readonly degradation: number
  readonly unknowns: Unknowns
}

/** Bills of years that are not the first, without growth of prices; steps of the tariffs are in them. */
export interface OtherBills {
  readonly before: (year: OtherYear) => number
  readonly after: (year: OtherYear) => AgedYear
}

/** A figure that is at least this good in so many of ten courses; a payback is null where it never comes. */
export interface Range<T> {
  readonly p10: T
  readonly p50: T
  readonly p90: T
}

/** What a course of the years comes to. */
export interface Outcome {
  readonly paybackYears: number | null
  readonly npv: number
  /** Cumulated over all years. */
  readonly left: number
}

/** One unknown at its tenth and its ninetieth percentile, all others in the middle. */
export interface Mover {
  readonly what: Unknown
  readonly low: Outcome
  readonly high: Outcome
}

export interface MoneyRanges {
  readonly trials: number
  readonly paybackYears: Range<number | null>
  readonly npv: Range<number>
  readonly left: Range<number>
  /** Share of the courses that pay back. */
  readonly paysBack: number
  /** What moves payback most first. */
  readonly movers: readonly Mover[]
}

/** Standard normal quantile of nine in ten. */
export const z90 = 1.2815515655446004

/** The years of a course: how much is made and used in each. */
export function yearsOfCourse(
  { years, degradation, unknowns: sd }: Pick<RangesCase, 'years' | 'degradation' | 'unknowns'>,
  drawn: Drawn,
): OtherYear[] {
  const model = 1 + sd.yieldModel * drawn.yieldModel
  const loss = Math.min(1, Math.max(0, degradation + sd.degradation * drawn.degradation))
  const growth = 1 + sd.loadGrowth * drawn.loadGrowth
  return Array.from({ length: years }, (_, year) => ({
    year,
    made: Math.max(0, model * (1 + sd.weather * (drawn.weather[year] ?? 0)) * (1 - loss) ** year),
    used: Math.max(0, growth ** year),
  }))
}

function outcomeOf(given: RangesCase, bills: OtherBills, drawn: Drawn): Outcome {
  const { offer, price, unknowns: sd } = given
  const years = yearsOfCourse(given, drawn)
  const faster = sd.priceGrowth * drawn.priceGrowth
  const flows = flowsOf({
    offer: {
      ...offer,
      escalation: offer.escalation + faster,
      exportGrowth: offer.exportGrowth + faster,
    },
    price,
    before: years.map((year) => bills.before(year)),
    after: years.map((year) => bills.after(year)),
  })
  return {
    paybackYears: payback(flows),
    npv: npvOf(flows, offer.discountRate),
    left: flows.reduce((sum, flow) => sum + flow, 0),
  }
}

/** Draws of as many courses. @param gauss standard normal numbers */
export const draws = (trials: number, years: number, gauss: () => number): Drawn[] =>
  Array.from({ length: trials }, () => ({
    yieldModel: gauss(),
    priceGrowth: gauss(),
    loadGrowth: gauss(),
    degradation: gauss(),
    weather: Array.from({ length: years }, gauss),
  }))

/** Where an offer may end up: its figures over many courses of the years, and what moves them most. */
export function moneyRanges(given: RangesCase, bills: OtherBills, drawn: readonly Drawn[]): MoneyRanges {
  const found = drawn.map((one) => outcomeOf(given, bills, one))
  const paybacks = found.map(({ paybackYears }) => paybackYears ?? Infinity).sort((a, b) => a - b)
  const finite = (value: number) => (Number.isFinite(value) ? value : null)
  const { p10, p50, p90 } = goodAtLeast(paybacks)
  return {
    trials: drawn.length,
    paybackYears: { p10: finite(p10), p50: finite(p50), p90: finite(p90) },
    npv: goodAtLeast(found.map(({ npv }) => npv).sort((a, b) => b - a)),
    left: goodAtLeast(found.map(({ left }) => left).sort((a, b) => b - a)),
    paysBack: found.filter(({ paybackYears }) => paybackYears !== null).length / Math.max(1, found.length),
    movers: moversOf(given, bills),
  }
}

/** Percentiles of figures, the best first, halfway between neighbours in proportion. */
function goodAtLeast(best: readonly number[]): Range<number> {
  const at = (share: number): number => {
    const place = share * (best.length - 1)
    const [below, above] = [best[Math.floor(place)] ?? NaN, best[Math.ceil(place)] ?? NaN]
    return below === above ? below : below + (above - below) * (place - Math.floor(place))
  }
  return { p10: at(0.1), p50: at(0.5), p90: at(0.9) }
}

const middle: Drawn = { yieldModel: 0, priceGrowth: 0, loadGrowth: 0, degradation: 0, weather: [] }

function moversOf(given: RangesCase, bills: OtherBills): Mover[] {
  const at = (what: Unknown, z: number): Drawn =>
    what === 'weather'
      ? // The mean of so many years strays less than one of them.
        { ...middle, weather: Array.from({ length: given.years }, () => z / Math.sqrt(given.years)) }
      : { ...middle, [what]: z }
  const span = ({ low, high }: Mover) =>
    Math.abs((low.paybackYears ?? 2 * given.years) - (high.paybackYears ?? 2 * given.years))
  return unknowns
    .filter((what) => given.unknowns[what] > 0)
    .map((what) => ({
      what,
      low: outcomeOf(given, bills, at(what, -z90)),
      high: outcomeOf(given, bills, at(what, z90)),
    }))
    .sort((a, b) => span(b) - span(a))
}
