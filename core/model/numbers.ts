import { Fault } from './fault'

/** Marks of a locale: behind whole numbers, and between thousands. */
interface Marks {
  readonly decimal: string
  readonly group: string
}

const known = new Map<string, Marks>()

/** How numbers are written where a locale is used; either mark is a point or a comma, whatever the locale's blanks. */
function marksOf(locale: string): Marks {
  let marks = known.get(locale)
  if (!marks) {
    const decimal =
      new Intl.NumberFormat(locale).formatToParts(0.5).find(({ type }) => type === 'decimal')?.value === ','
        ? ','
        : '.'
    known.set(locale, (marks = { decimal, group: decimal === ',' ? '.' : ',' }))
  }
  return marks
}

/** Whether a comma stands behind whole numbers there. */
export const usesComma = (locale: string): boolean => marksOf(locale).decimal === ','

const escaped = (mark: string) => `\\${mark}`
const withGroups = ({ decimal, group }: Marks) =>
  new RegExp(`^[1-9]\\d{0,2}(?:${escaped(group)}\\d{3})+(?:${escaped(decimal)}\\d+)?$`)
const withDecimal = (decimal: string) =>
  new RegExp(`^(?:\\d+(?:${escaped(decimal)}\\d*)?|${escaped(decimal)}\\d+)$`)
const blanks = /[\s\u00a0\u202f'’]/
const blankGroups = /^\d{1,3}(?:[\s\u00a0\u202f'’]\d{3})+(?=$|[.,])/

/**
 * Reads a number as people of a locale write it. Where thousands and decimals could be meant the locale decides
 * ("4.500" is four thousand five hundred in Spain and four and a half in the United States); a mark that can only be
 * the other one is taken as such ("0,25" and "1.250,50" anywhere).
 * @param text digits with marks, without sign and unit
 * @returns null where it is no number
 */
export function readDigits(text: string, locale: string): number | null {
  const digits = blankGroups.test(text) ? text.replaceAll(new RegExp(blanks, 'g'), '') : text
  const own = marksOf(locale)
  const other: Marks = { decimal: own.group, group: own.decimal }
  for (const marks of [own, other])
    if (withGroups(marks).test(digits) && !(marks === other && withDecimal(own.decimal).test(digits)))
      return Number(digits.replaceAll(marks.group, '').replace(marks.decimal, '.'))
  for (const { decimal } of [own, other])
    if (withDecimal(decimal).test(digits)) return Number(digits.replace(decimal, '.'))
  return null
}

/** Signs of money and units that may stand with a number; what kind of number it is the field knows. */
const around = /^(?:[$€£]|usd|aud|eur)\s*|\s*(?:[$€£]|usd|aud|eur)$/gi
const unitBehind =
  /\s*(?:k?wh?(?:p)?|kva|years?|años?|h|°c|°|m²|ft²)?(?:\s*\/\s*(?:k?wh?|year|yr|año|month|mes|day|día))?$/i

/**
 * A typed plain number, with its sign of money and its unit if somebody types them.
 * @throws Fault `bad-number`.
 */
export function parseNumber(text: string, locale: string): number {
  const trimmed = text.trim().replace('−', '-')
  const negative = trimmed.startsWith('-')
  const bare = (negative ? trimmed.slice(1) : trimmed)
    .trim()
    .replace(unitBehind, '')
    .replace(around, '')
    .trim()
  const value = readDigits(bare, locale)
  if (value === null) throw new Fault('bad-number', { text })
  return negative && value !== 0 ? -value : value
}

/**
 * A typed share as 0..1: `30`, `30%`.
 * @throws Fault `bad-number`.
 */
export const parsePercent = (text: string, locale: string): number =>
  parseNumber(text.trim().replace(/\s*%$/, ''), locale) / 100
