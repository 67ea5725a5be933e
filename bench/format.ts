import { type Site } from '@/core/model/kinds/site'
import { formatDistance } from '@/core/model/units'
import { type Unit } from '@/core/pipeline/explanation'

type Place = Pick<Site, 'locale' | 'currency'>

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

export const money = (value: number, { locale, currency }: Place, digits = 0) =>
  format(locale, {
    style: 'currency',
    currency,
    currencyDisplay: 'narrowSymbol',
    minimumFractionDigits: digits,
    maximumFractionDigits: digits,
  })
    .format(value)
    .replace('-', '−')

/** The sign of the job's money alone. */
export const moneySign = (place: Place) =>
  format(place.locale, { style: 'currency', currency: place.currency, currencyDisplay: 'narrowSymbol' })
    .formatToParts(0)
    .find((part) => part.type === 'currency')?.value ?? place.currency

/** A ledger figure and its unit, apart, so that figures line up. */
export function figure(
  value: number | null,
  unit: Unit,
  place: Place,
  absent?: string,
): { figure: string; unit: string } {
  if (value === null)
    return { figure: absent === undefined ? (unit === 'years' ? 'never' : 'none') : '–', unit: absent ?? '' }
  if (unit === 'share') return { figure: number(value * 100, place, 1), unit: '%' }
  if (unit === 'years') return { figure: number(value, place, 1), unit: 'years' }
  if (unit === 'money') return { figure: number(value, place), unit: moneySign(place) }
  if (unit === 'money/year') return { figure: number(value, place), unit: `${moneySign(place)}/year` }
  if (unit === 'ratio') return { figure: number(value, place, 2), unit: '' }
  if (unit === 'count') return { figure: number(value, place), unit: '' }
  if (unit === 'kW') return { figure: number(value, place, 2), unit }
  return { figure: number(value, place), unit }
}

/** A figure with its unit in one piece; lengths in the job's own units. */
export function measure(value: number, unit: Unit, place: Place & Pick<Site, 'units'>): string {
  if (unit === 'm') return formatDistance(value, place.units)
  const shown = figure(value, unit, place)
  return `${shown.figure} ${shown.unit}`.trim()
}

export const months = [
  'Jan',
  'Feb',
  'Mar',
  'Apr',
  'May',
  'Jun',
  'Jul',
  'Aug',
  'Sep',
  'Oct',
  'Nov',
  'Dec',
] as const

const monthDays = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31]

/** "12 March" of a day 0..364. */
export function dayName(day: number, locale: string): string {
  return new Intl.DateTimeFormat(locale, { day: 'numeric', month: 'long', timeZone: 'UTC' }).format(
    Date.UTC(2025, 0, 1 + day),
  )
}

/** First day of each month. */
export const monthStarts = monthDays.map((_, m) => monthDays.slice(0, m).reduce((s, d) => s + d, 0))
