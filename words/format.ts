import { type Quantity, type Unit } from '@/core/model/said'
import { formatDistance, formatLength, formatSlope, type UnitSystem } from '@/core/model/units'

/** How people at the job's place write figures. */
export interface Place {
  readonly locale: string
  readonly currency: string
  readonly units: UnitSystem
}

const formats = new Map<string, Intl.NumberFormat>()

function format(locale: string, options: Intl.NumberFormatOptions): Intl.NumberFormat {
  const key = locale + JSON.stringify(options)
  let found = formats.get(key)
  if (!found) formats.set(key, (found = new Intl.NumberFormat(locale, options)))
  return found
}

export const number = (value: number, { locale }: Pick<Place, 'locale'>, digits = 0) =>
  format(locale, { minimumFractionDigits: digits, maximumFractionDigits: digits })
    // What is shown as nought has no sign.
    .format(Math.abs(value) < 0.5 * 10 ** -digits ? 0 : value)
    .replace('-', '−')

/** A figure as it was entered: with its usual digits, and with more where it has more. */
export const entered = (value: number, { locale }: Pick<Place, 'locale'>, digits = 0) =>
  format(locale, { minimumFractionDigits: digits, maximumFractionDigits: Math.max(digits, 6) })
    .format(value || 0)
    .replace('−', '-')

/** A figure with as many digits as it needs, such as a number that was entered. */
export const plainNumber = (value: number, { locale }: Pick<Place, 'locale'>) =>
  format(locale, { maximumFractionDigits: 6 }).format(value).replace('-', '−')

export const money = (value: number, { locale, currency }: Pick<Place, 'locale' | 'currency'>, digits = 0) =>
  format(locale, {
    style: 'currency',
    currency,
    currencyDisplay: 'narrowSymbol',
    minimumFractionDigits: digits,
    maximumFractionDigits: digits,
  })
    // What is shown as nought has no sign.
    .format(Math.abs(value) < 0.5 * 10 ** -digits ? 0 : value)
    .replace('-', '−')

/** Where sheets of paper are letter size; everywhere else they are A4. */
const letterRegions = new Set(['US', 'CA', 'MX', 'PH', 'CL', 'CO', 'VE'])

/** The paper that offers are printed on at a place. */
export const paperOf = (locale: string): 'Letter' | 'A4' =>
  letterRegions.has(new Intl.Locale(locale).region ?? '') ? 'Letter' : 'A4'

/** The sign of the job's money alone. */
export const moneySign = ({ locale, currency }: Pick<Place, 'locale' | 'currency'>) =>
  format(locale, { style: 'currency', currency, currencyDisplay: 'narrowSymbol' })
    .formatToParts(0)
    .find((part) => part.type === 'currency')?.value ?? currency

/** Words that stand with figures. */
export interface UnitWords {
  readonly years: string
  /** After a sign of money: "/year". */
  readonly aYear: string
  readonly perYear: string
  readonly perKelvin: string
  readonly never: string
  readonly atOnce: string
  readonly none: string
  readonly toCome: string
}

/** A figure and its unit, apart, so that figures line up. */
export interface Figure {
  readonly figure: string
  readonly unit: string
}

/** Digits behind the mark that a unit usually has. */
const usualDigits: Readonly<Partial<Record<Unit, number>>> = {
  ...{ share: 1, years: 1, ratio: 2, kW: 2, A: 1 },
  ...{ kN: 2, 'kN/m²': 2 },
  ...{ 'money/W': 2, 'money/kWh': 3 },
}

/** Weights and loads where people count in feet. */
const pounds = {
  kg: { times: 2.204_623, as: 'lb', usual: 0 },
  kN: { times: 224.8089, as: 'lbf', usual: 0 },
  'kN/m²': { times: 20.885_43, as: 'psf', usual: 1 },
} as const

/** Writes a quantity as people at the place do. */
export function writeQuantity({ value, unit, digits }: Quantity, place: Place, words: UnitWords): Figure {
  const shown = (times = 1, usual = usualDigits[unit] ?? 0) => number(value * times, place, digits ?? usual)
  const sign = () => moneySign(place)
  switch (unit) {
    case '':
    case 'count':
    case 'ratio':
      return { figure: digits === undefined && unit === '' ? plainNumber(value, place) : shown(), unit: '' }
    case 'share':
      return { figure: shown(100), unit: '%' }
    case 'share/year':
      return { figure: shown(100, 1), unit: `% ${words.perYear}` }
    case 'share/K':
      return { figure: shown(100, 2), unit: `% ${words.perKelvin}` }
    case 'years':
      return { figure: shown(), unit: words.years }
    case 'money':
      return { figure: shown(), unit: sign() }
    case 'money/year':
      return { figure: shown(), unit: `${sign()}${words.aYear}` }
    case 'money/W':
      return { figure: shown(), unit: `${sign()}/W` }
    case 'money/kWh':
      return { figure: shown(), unit: `${sign()}/kWh` }
    case 'mm²':
      return { figure: number(value, place, digits ?? (Number.isInteger(value) ? 0 : 1)), unit: 'mm²' }
    case 'm': {
      const far = Math.abs(value) >= 100
      if (place.units === 'metric')
        return far ? kilometres(value, place) : { figure: number(value, place, digits ?? 2), unit: 'm' }
      return {
        figure: far
          ? formatDistance(value, place.units, place.locale)
          : formatLength(value, place.units, place.locale),
        unit: '',
      }
    }
    case 'deg':
      return { figure: `${shown()}°`, unit: '' }
    case 'kg':
    case 'kN':
    case 'kN/m²': {
      if (place.units === 'metric') return { figure: shown(), unit }
      const { times, as, usual } = pounds[unit]
      return { figure: number(value * times, place, usual), unit: as }
    }
    case 'minutes':
      return { figure: shown(), unit: 'min' }
    case 'bytes':
      return { figure: number(value / 1e6, place, value < 1e7 ? 1 : 0), unit: 'MB' }
    case 'W':
    case 'kW':
    case 'kWh':
    case 'kWh/m²':
    case 'W/m²':
    case 'kWh/kWp':
    case 'V':
    case 'A':
    case 'Ω':
    case '°C':
    case 'h':
    case 'W/m²K':
    case 'Ws/m³K':
      return { figure: shown(), unit }
  }
}

/** The same in one piece: a sign of money stands where people at the place put it. */
export function writtenQuantity(quantity: Quantity, place: Place, words: UnitWords): string {
  const { figure, unit } = writeQuantity(quantity, place, words)
  if (!quantity.unit.startsWith('money')) return `${figure} ${unit}`.trim()
  const digits = quantity.digits ?? usualDigits[quantity.unit] ?? 0
  return money(quantity.value, place, digits) + unit.slice(moneySign(place).length)
}

/** A way on the map: whole metres, or tenths of a kilometre. */
const kilometres = (metres: number, place: Place): Figure =>
  Math.abs(metres) < 1000
    ? { figure: number(metres, place), unit: 'm' }
    : { figure: number(metres / 1000, place, 1), unit: 'km' }

/** Degrees of a roof, with the rise where the place says it so. */
export const slope = (degrees: number, place: Pick<Place, 'units' | 'locale'>) =>
  formatSlope(degrees, place.units, place.locale)

const months = new Map<string, readonly string[]>()

/** Short names of the months, January first. */
export function monthNames(locale: string): readonly string[] {
  const known = months.get(locale)
  if (known) return known
  const short = new Intl.DateTimeFormat(locale, { month: 'short', timeZone: 'UTC' })
  const names = Array.from({ length: 12 }, (_, month) => short.format(Date.UTC(2025, month, 15)))
  months.set(locale, names)
  return names
}

const dates = new Map<string, Intl.DateTimeFormat>()

/** Making one takes far longer than writing a date with it. */
function dateFormat(locale: string, options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat {
  const key = locale + JSON.stringify(options)
  let found = dates.get(key)
  if (!found) dates.set(key, (found = new Intl.DateTimeFormat(locale, options)))
  return found
}

/** "12 March" of a day 0..364. */
export const dayName = (day: number, locale: string): string =>
  dateFormat(locale, { day: 'numeric', month: 'long', timeZone: 'UTC' }).format(Date.UTC(2025, 0, 1 + day))

/**
 * Day and clock of something that was done: "12 Mar 2026, 14:05".
 * @param at ISO 8601
 * @param timeZone of whose clock; where the reader is when not given
 */
export const momentName = (at: string, locale: string, timeZone?: string): string =>
  dateFormat(locale, { dateStyle: 'medium', timeStyle: 'short', timeZone }).format(new Date(at))

const monthDays = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31]

/** First day of each month. */
export const monthStarts = monthDays.map((_, m) => monthDays.slice(0, m).reduce((s, d) => s + d, 0))
