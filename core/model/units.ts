import { Fault } from './fault'

export type UnitSystem = 'metric' | 'imperial'

const metresPerFoot = 0.3048
const metresPerInch = 0.0254

const number = String.raw`(?:\d+(?:[.,]\d+)?|[.,]\d+)`
const inches = String.raw`(?:(\d+(?:[.,]\d+)?)(?:[\s-]+(\d+)\/(\d+))?|(\d+)\/(\d+))`
const feetInches = new RegExp(
  String.raw`^(-?)(?:(${number})\s*(?:'|ft|feet|foot))?\s*(?:${inches}\s*(?:"|''|in|inch|inches)?)?$`,
)
const metric = new RegExp(String.raw`^(-?${number})\s*(mm|cm|km|m)?$`)

const plain = (text: string) => Number(text.replace(',', '.'))

/**
 * A typed length in metres: `3`, `3m`, `450 mm`, `11' 6 1/2"`, `6"`, `12 ft`. A bare number is in metres, or in feet
 * where the job is in feet.
 * @throws Fault `bad-length`.
 */
export function parseLength(text: string, system: UnitSystem): number {
  const input = text.trim().toLowerCase().replace(/[’′]/g, "'").replace(/[”″]/g, '"')
  const asMetric = metric.exec(input)
  if (asMetric?.[1] !== undefined) {
    const value = plain(asMetric[1])
    const unit = asMetric[2] ?? (system === 'metric' ? 'm' : 'ft')
    const factor = { mm: 0.001, cm: 0.01, m: 1, km: 1000, ft: metresPerFoot }[unit]
    return value * (factor ?? 1)
  }
  const asFeet = input === '' ? null : feetInches.exec(input)
  if (asFeet) {
    const [, sign, feet, whole, top, bottom, onlyTop, onlyBottom] = asFeet
    const fraction = (a?: string, b?: string) => (a && b && Number(b) !== 0 ? Number(a) / Number(b) : 0)
    const inch = (whole ? plain(whole) : 0) + fraction(top, bottom) + fraction(onlyTop, onlyBottom)
    const total = (feet ? plain(feet) : 0) * metresPerFoot + inch * metresPerInch
    if (feet !== undefined || whole !== undefined || onlyTop !== undefined)
      return sign === '-' ? -total : total
  }
  throw new Fault('bad-length', { text, system })
}

/**
 * A typed slope in degrees: `22`, `22deg`, `40%`, `7/12`, `7 in 12`.
 * @throws Fault `bad-slope`.
 */
export function parseSlope(text: string): number {
  const input = text.trim().toLowerCase()
  const degrees = new RegExp(String.raw`^(${number})\s*(?:°|deg|degrees)?$`).exec(input)
  if (degrees?.[1] !== undefined) return plain(degrees[1])
  const percent = new RegExp(String.raw`^(${number})\s*%$`).exec(input)
  if (percent?.[1] !== undefined) return toDegrees(Math.atan(plain(percent[1]) / 100))
  const rise = new RegExp(String.raw`^(${number})\s*(?:\/|:|in)\s*(${number})$`).exec(input)
  if (rise?.[1] !== undefined && rise[2] !== undefined && plain(rise[2]) > 0)
    return toDegrees(Math.atan2(plain(rise[1]), plain(rise[2])))
  throw new Fault('bad-slope', { text })
}

/**
 * A typed plain number, either decimal mark, thousands apart by blanks or commas in groups of three.
 * @throws Fault `bad-number`.
 */
export function parseNumber(text: string): number {
  const input = text.trim().replace(/^(-?)[$€£]\s*/, '$1')
  const grouped = /^-?\d{1,3}(?:[,  ]\d{3})+(?:\.\d+)?$/.test(input) ? input.replace(/[,  ]/g, '') : input
  if (/^-?(?:\d+(?:[.,]\d*)?|[.,]\d+)$/.test(grouped)) return plain(grouped)
  throw new Fault('bad-number', { text })
}

/**
 * A typed share as 0..1: `30`, `30%`.
 * @throws Fault `bad-number`.
 */
export function parsePercent(text: string): number {
  return parseNumber(text.trim().replace(/\s*%$/, '')) / 100
}

export const toDegrees = (radians: number) => (radians * 180) / Math.PI
export const toRadians = (degrees: number) => (degrees * Math.PI) / 180

/** Metres as people of this system write them: `3.45 m`, or feet and inches to the half inch. */
export function formatLength(metres: number, system: UnitSystem): string {
  if (system === 'metric') return `${metres.toFixed(2)} m`
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
export function formatDistance(metres: number, system: UnitSystem): string {
  if (system === 'metric')
    return metres < 1000 ? `${Math.round(metres)} m` : `${(metres / 1000).toFixed(1)} km`
  const miles = metres / 1609.344
  return miles < 0.2 ? `${Math.round(metres / metresPerFoot)} ft` : `${miles.toFixed(1)} mi`
}

/** Square metres in the system's own unit. */
export function formatArea(squareMetres: number, system: UnitSystem): string {
  return system === 'metric'
    ? `${squareMetres.toFixed(1)} m²`
    : `${Math.round(squareMetres / (metresPerFoot * metresPerFoot))} ft²`
}

/** Degrees, with the rise in twelve where the job is in feet. */
export function formatSlope(degrees: number, system: UnitSystem): string {
  if (system === 'metric') return `${degrees.toFixed(1)}°`
  return `${degrees.toFixed(1)}° · ${(Math.tan(toRadians(degrees)) * 12).toFixed(1)}/12`
}
