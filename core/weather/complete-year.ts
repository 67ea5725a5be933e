import { Fault } from '../model/fault'
import { clearSky } from '../sun/clear-sky'
import { erbsSplit } from '../sun/erbs'
import { extraterrestrialWm2 } from '../sun/perez'
import { sunHours } from '../sun/sun-hours'
import { toRadians } from '../model/units'
import { shiftSeries } from './clock-shift'
import { fillLinear, fillSameTime } from './fill-gaps'
import { ProblemList, type WeatherReading } from './reading'
import { type YearPlace } from './weather-year'

/** Series as a file gives them: NaN where nothing was measured, null where a column is missing altogether. */
export interface RawSeries {
  readonly ghi: Float64Array | null
  readonly dni: Float64Array | null
  readonly dhi: Float64Array | null
  readonly temperatureC: Float64Array | null
  readonly windMs: Float64Array | null
  readonly albedo: Float64Array | null
  readonly snowDepthM: Float64Array | null
}

/** A year with more of it missing is not one to sell by. */
const mostMissing = 0.1
/** Pyranometers read a little below zero under a clear night sky; more than this is a fault. */
const nightOffsetWm2 = 20
/** Below it beam from closure says nothing: a degree of the sun more or less would double it. */
const lowestSunDeg = 3
/** Linke turbidity of the cleanest air. */
const cleanSky = 2
/** Assumed where a file has no temperature or wind at all. */
const assumedC = 15
const assumedWindMs = 1

/**
 * A whole year from what a file gives: gaps are filled and said, missing parts of the light are worked out from the
 * others (closure GHI = DNI cos z + DHI; Erbs 1982 where only GHI is known).
 * @param lines line of the file of each interval, from 1; 0 where none is
 * @param shiftMinutes to move all values later by: the clock of the file was wrong
 * @throws Fault `no-irradiance`, `too-many-gaps`
 */
export function completeYear(
  place: YearPlace,
  given: RawSeries,
  lines: Int32Array,
  shiftMinutes = 0,
): WeatherReading {
  const moved = (series: Float64Array | null) =>
    series && shiftSeries(series, shiftMinutes / place.stepMinutes)
  // Before anything is worked out from the sun's place.
  const raw: RawSeries = {
    ghi: moved(given.ghi),
    dni: moved(given.dni),
    dhi: moved(given.dhi),
    temperatureC: moved(given.temperatureC),
    windMs: moved(given.windMs),
    albedo: moved(given.albedo),
    snowDepthM: moved(given.snowDepthM),
  }
  const problems = new ProblemList()
  const lineOf = (i: number) => lines[i] ?? 0
  const perDay = 1440 / place.stepMinutes

  /** What is left of a light series: negative values are no light. */
  const light = (series: Float64Array | null, what: string): Float64Array | null =>
    series &&
    series.map((value, i) => {
      if (!(value < 0)) return value
      if (value < -nightOffsetWm2)
        problems.add('negative', lineOf(i), (count) => ({ what, count, line: lineOf(i) }))
      else problems.add('night-offset', lineOf(i), (count) => ({ count }), 'note')
      return 0
    })
  const ghi = light(raw.ghi, 'global')
  const dni = light(raw.dni, 'beam')
  const dhi = light(raw.dhi, 'diffuse')
  if (!ghi && !(dni && dhi)) throw new Fault('no-irradiance')

  const sun = sunHours(place, place.timeZoneHours, place.stepMinutes)
  const n = sun.intervals
  const zenith = new Float64Array(n).fill(95)
  const upShare = new Float64Array(n).fill(1)
  sun.interval.forEach((i, k) => {
    zenith[i] = sun.zenithDeg[k] as number
    upShare[i] = sun.upShare[k] as number
  })
  const out = { ghi: new Float64Array(n), dni: new Float64Array(n), dhi: new Float64Array(n) }
  let missing = 0
  let firstMissing = -1
  for (let i = 0; i < n; i++) {
    const sunDeg = 90 - (zenith[i] as number)
    const cosine = Math.max(0, Math.cos(toRadians(zenith[i] as number)))
    let [g, b, d] = [ghi?.[i] ?? NaN, dni?.[i] ?? NaN, dhi?.[i] ?? NaN]
    if (Number.isNaN(g)) g = b * cosine + d
    if (Number.isNaN(g)) {
      // At night nothing is missing.
      if (sunDeg <= 0) [g, b, d] = [0, 0, 0]
      else {
        missing++
        if (firstMissing < 0) firstMissing = i
      }
    } else if (Number.isNaN(b) && Number.isNaN(d)) {
      // The light came while the sun was up: while that was it was so much brighter.
      const up = upShare[i] as number
      const extra = extraterrestrialWm2(Math.floor(i / perDay) + 1)
      const split = erbsSplit(g / up, zenith[i] as number, extra)
      // Under a low sun the split divides by next to nothing: no more beam than a clean, clear sky lets through.
      b = Math.min(split.dni, clearSky(zenith[i] as number, place.elevationM, cleanSky, extra).dni) * up
      d = g - b * cosine
    } else if (Number.isNaN(d)) d = Math.max(0, g - b * cosine)
    else if (Number.isNaN(b)) b = sunDeg > lowestSunDeg ? Math.max(0, g - d) / cosine : 0
    out.ghi[i] = g
    out.dni[i] = b
    out.dhi[i] = d
  }
  if (missing > mostMissing * sun.interval.length)
    throw new Fault(
      'too-many-gaps',
      {
        missing,
        all: sun.interval.length,
        line: lineOf(firstMissing),
        limit: { value: mostMissing, unit: 'share', digits: 0 },
      },
      `line ${lineOf(firstMissing)}`,
    )
  if (missing > 0) {
    for (const series of Object.values(out)) fillSameTime(series, perDay)
    const line = lineOf(firstMissing)
    problems.add('gap', line, () => ({ count: missing, line }))
  }
  if (!raw.dni && !raw.dhi) problems.add('split', 0, () => ({}), 'note')

  const steady = (series: Float64Array | null, assumed: number, code: string): Float64Array => {
    const known = series?.filter((value) => !Number.isNaN(value)).length ?? 0
    if (!series || known === 0) {
      problems.add(`no-${code}`, 0, () => ({ assumed }))
      return new Float64Array(n).fill(assumed)
    }
    if (known < n) {
      const first = series.findIndex((value) => Number.isNaN(value))
      problems.add(
        `gap-${code}`,
        lineOf(first),
        () => ({ count: n - known }),
        n - known > mostMissing * n ? 'warning' : 'note',
      )
    }
    const filled = series.slice()
    fillLinear(filled)
    return filled
  }
  const optional = (series: Float64Array | null, low: number, high: number): Float64Array | null => {
    const valid = series?.map((value) => (value > low && value <= high ? value : NaN))
    if (!valid || valid.filter((value) => !Number.isNaN(value)).length < n / 2) return null
    fillLinear(valid)
    return valid
  }
  const year = {
    ...place,
    ...out,
    temperatureC: steady(raw.temperatureC, assumedC, 'temperature'),
    windMs: steady(raw.windMs, assumedWindMs, 'wind').map((v) => Math.max(0, v)),
    albedo: optional(raw.albedo, 0, 1),
    snowDepthM: optional(raw.snowDepthM, -1e-9, 20),
  }
  return { year, problems: problems.list, lines }
}
