import { Fault } from './fault'
import { readDigits, usesComma } from './numbers'

export type UnitSystem = 'metric' | 'imperial'

export const metresPerFoot = 0.3048
const metresPerInch = 0.0254

const number = String.raw`(?:\d[\d.,]*|[.,]\d+)`
const inches = String.raw`(?:(${number})(?:[\s-]+(\d+)\/(\d+))?|(\d+)\/(\d+))`
const feetInches = new RegExp(
  String.raw`^(-?)(?:(${number})\s*(?:'|ft|feet|foot))?\s*(?:${inches}\s*(?:"|''|in|inch|inches)?)?$`,
)
const metric = new RegExp(String.raw`^(-?)(${number})\s*(mm|cm|km|m)?$`)

/**
 * A typed length in metres: `3`, `3m`, `450 mm`, `11' 6 1/2"`, `6"`, `12 ft`. A bare number is in metres, or in feet
 * where the job is in feet.
 * @param locale whose marks the digits have
 * @throws Fault `bad-length`.
 */
export function parseLength(text: string, system: UnitSystem, locale: string): number {
  const input = text.trim().toLowerCase().replace(/[’′]/g, "'").replace(/[”″]/g, '"').replace('−', '-')
  const wrong = () => new Fault('bad-length', { text, system })
  const read = (digits: string): number => {
    const value = readDigits(digits, locale)
    if (value === null) throw wrong()
    return value
  }
  const asMetric = metric.exec(input)
  if (asMetric?.[2] !== undefined) {
    const value = read(asMetric[2])
    const unit = asMetric[3] ?? (system === 'metric' ? 'm' : 'ft')
    const factor = { mm: 0.001, cm: 0.01, m: 1, km: 1000, ft: metresPerFoot }[unit]
    return (asMetric[1] === '-' ? -value : value) * (factor ?? 1)
  }
  const asFeet = input === '' ? null : feetInches.exec(input)
  if (asFeet) {
    const [, sign, feet, whole, top, bottom, onlyTop, onlyBottom] = asFeet
    const fraction = (a?: string, b?: string) => (a && b && Number(b) !== 0 ? Number(a) / Number(b) : 0)
    const inch = (whole ? read(whole) : 0) + fraction(top, bottom) + fraction(onlyTop, onlyBottom)
    const total = (feet ? read(feet) : 0) * metresPerFoot + inch * metresPerInch
    if (feet !== undefined || whole !== undefined || onlyTop !== undefined)
      return sign === '-' ? -total : total
  }
  throw wrong()
}

/**
 * A typed slope in degrees: `22`, `22deg`, `40%`, `7/12`, `7 in 12`.
 * @throws Fault `bad-slope`.
 */
export function parseSlope(text: string, locale: string): number {
  const input = text.trim().toLowerCase()
  const read = (digits: string): number => {
    const value = readDigits(digits, locale)
    if (value === null) throw new Fault('bad-slope', { text })
    return value
  }
  const degrees = new RegExp(String.raw`^(${number})\s*(?:°|deg|degrees)?$`).exec(input)
  if (degrees?.[1] !== undefined) return read(degrees[1])
  const percent = new RegExp(String.raw`^(${number})\s*%$`).exec(input)
  if (percent?.[1] !== undefined) return toDegrees(Math.atan(read(percent[1]) / 100))
  const rise = new RegExp(String.raw`^(${number})\s*(?:\/|:|in)\s*(${number})$`).exec(input)
  if (rise?.[1] !== undefined && rise[2] !== undefined && read(rise[2]) > 0)
    return toDegrees(Math.atan2(read(rise[1]), read(rise[2])))
  throw new Fault('bad-slope', { text })
}

export const toDegrees = (radians: number) => (radians * 180) / Math.PI
export const toRadians = (degrees: number) => (degrees * Math.PI) / 180

const fixed = (value: number, digits: number, locale: string) => {
  const text = value.toFixed(digits)
  return usesComma(locale) ? text.replace('.', ',') : text
}

/** Metres as people of this system write them: `3.45 m`, or feet and inches to the half inch. */
export function formatLength(metres: number, system: UnitSystem, locale: string): string {
  if (system === 'metric') return `${fixed(metres, 2, locale)} m`
  const halves = Math.round((Math.abs(metres) / metresPerInch) * 2)
  const feet = Math.floor(halves / 24)
  const inch = (halves - feet * 24) / 2
  const sign = metres < 0 && halves > 0 ? '-' : ''
  const text = Number.isInteger(inch)
    ? `${inch}`
    : `${Math.floor(inch) === 0 ? '' : `${Math.floor(inch)} `}1/2`
  return feet === 0 ? `${sign}${text}"` : `${sign}${feet}' ${text}"`
}

/** Metres as a distance on the map: km or miles when far. */
export function formatDistance(metres: number, system: UnitSystem, locale: string): string {
  if (system === 'metric')
    return metres < 1000 ? `${Math.round(metres)} m` : `${fixed(metres / 1000, 1, locale)} km`
  const miles = metres / 1609.344
  return miles < 0.2 ? `${Math.round(metres / metresPerFoot)} ft` : `${fixed(miles, 1, locale)} mi`
}

const wholes = new Map<string, Intl.NumberFormat>()

/** Whole, in groups of three. Making a format takes longer than all else on a card. */
function whole(value: number, locale: string): string {
  let format = wholes.get(locale)
  if (!format) wholes.set(locale, (format = new Intl.NumberFormat(locale, { maximumFractionDigits: 0 })))
  return format.format(value)
}

/** Square metres in the system's own unit. */
export function formatArea(squareMetres: number, system: UnitSystem, locale: string): string {
  return system === 'metric'
    ? `${fixed(squareMetres, 1, locale)} m²`
    : `${whole(squareMetres / (metresPerFoot * metresPerFoot), locale)} ft²`
}

export function formatWeight(kilograms: number, system: UnitSystem, locale: string): string {
  const [value, unit] = system === 'imperial' ? [kilograms / 0.45359237, 'lb'] : [kilograms, 'kg']
  return `${fixed(value, 1, locale)} ${unit}`
}

/** Degrees, with the rise in twelve where the job is in feet. */
export function formatSlope(degrees: number, system: UnitSystem, locale: string): string {
  if (system === 'metric') return `${fixed(degrees, 1, locale)}°`
  return `${fixed(degrees, 1, locale)}° · ${fixed(Math.tan(toRadians(degrees)) * 12, 1, locale)}/12`
}
