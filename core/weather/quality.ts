import { clearSky } from '../sun/clear-sky'
import { extraterrestrialWm2 } from '../sun/perez'
import { sunHours } from '../sun/sun-hours'
import { toRadians } from '../model/units'
import { clockShiftMinutes, worthShiftingMinutes } from './clock-shift'
import { ProblemList, type WeatherProblem, type WeatherReading } from './reading'

/** More than the sun can give at the ground, cloud edges included, W/m². */
const mostGhi = 1600
const mostDni = 1400
/** Light in the night worth a word, W/m²; and how deep the sun must stand for night. */
const nightLight = 20
/** Closure GHI = DNI cos z + DHI within this, W/m² and share; only where the sun is high enough for an hour's mean. */
const closureWm2 = 50
const closureShare = 0.1
const closureSunDeg = 10
/** A year of open sky gives no less than a fifth and no more than 1.25 of the clear sky's light. */
const leastOfClear = 0.2
const mostOfClear = 1.25
/** Nearer to the equator seasons of light say nothing. */
const seasonLatitudeDeg = 15
/** Turbidity of a usual clear sky. */
const linke = 3
const coldestC = -70
const hottestC = 60

/** What looks wrong in a year that could be read, beside what its reader noticed. Each problem once. */
export function weatherProblems({ year, lines }: WeatherReading): WeatherProblem[] {
  const problems = new ProblemList()
  const lineOf = (i: number) => lines[i] ?? 0
  const sun = sunHours(year, year.timeZoneHours, year.stepMinutes)
  const perDay = 1440 / year.stepMinutes
  const up = new Uint8Array(sun.intervals)
  const byMonth = Array.from({ length: 12 }, () => ({ clear: 0, made: 0 }))
  let clearSum = 0
  let sum = 0
  let [closures, open, firstOpen] = [0, 0, -1]
  for (let k = 0; k < sun.interval.length; k++) {
    const i = sun.interval[k] as number
    up[i] = 1
    const zenith = sun.zenithDeg[k] as number
    const [ghi, dni, dhi] = [year.ghi[i] as number, year.dni[i] as number, year.dhi[i] as number]
    const clear = clearSky(
      zenith,
      year.elevationM,
      linke,
      extraterrestrialWm2(Math.floor(i / perDay) + 1),
    ).ghi
    clearSum += clear * (sun.upShare[k] as number)
    sum += ghi
    const month = byMonth[sun.month[k] as number]
    if (month) {
      month.clear += clear
      month.made += ghi
    }
    if (90 - zenith <= closureSunDeg || (sun.upShare[k] as number) < 1) continue
    closures++
    const made = dni * Math.cos(toRadians(zenith)) + dhi
    if (Math.abs(made - ghi) > closureWm2 + closureShare * ghi) {
      open++
      if (firstOpen < 0) firstOpen = i
    }
  }
  for (let i = 0; i < sun.intervals; i++) {
    const [ghi, dni] = [year.ghi[i] as number, year.dni[i] as number]
    if (ghi > mostGhi || dni > mostDni)
      problems.add('too-bright', lineOf(i), (count) => ({ count, line: lineOf(i) }))
    const touches = up[i] === 1 || up[(i + 1) % sun.intervals] === 1 || up[(i || sun.intervals) - 1] === 1
    if (!touches && (ghi > nightLight || dni > nightLight))
      problems.add('night-sun', lineOf(i), (count) => ({ count, line: lineOf(i) }))
    const air = year.temperatureC[i] as number
    if (air < coldestC || air > hottestC)
      problems.add('temperature-range', lineOf(i), (count) => ({
        count,
        line: lineOf(i),
        air: { value: air, unit: '°C' },
      }))
  }
  if (open > 0)
    problems.add(
      'closure',
      lineOf(firstOpen),
      () => ({ count: open, all: closures, line: lineOf(firstOpen) }),
      open > 0.02 * closures ? 'warning' : 'note',
    )
  const share = clearSum > 0 ? sum / clearSum : 1
  if (share > mostOfClear || share < leastOfClear)
    problems.add('units', 0, () => ({
      share: { value: share, unit: 'share', digits: 0 },
      guess: unitGuess(share, year.stepMinutes / 60),
    }))
  if (Math.abs(year.latitudeDeg) > seasonLatitudeDeg && seasonsAgree(byMonth) < -0.3)
    problems.add('wrong-season', 0, () => ({
      latitude: { value: Math.abs(year.latitudeDeg), unit: 'deg', digits: 0 },
      hemisphere: year.latitudeDeg < 0 ? 'south' : 'north',
    }))
  const shiftMinutes = clockShiftMinutes(year)
  if (Math.abs(shiftMinutes) < worthShiftingMinutes) return problems.list
  const [minutes, late] = [Math.abs(shiftMinutes), shiftMinutes < 0]
  return [
    ...problems.list,
    {
      code: 'shifted-clock',
      line: 0,
      severity: 'warning',
      data: { minutes, way: late ? 'late' : 'early' },
      shiftMinutes,
    },
  ]
}

/** Correlation of the months' light with that of a clear sky. */
function seasonsAgree(months: readonly { readonly clear: number; readonly made: number }[]): number {
  const mean = (pick: (m: { clear: number; made: number }) => number) =>
    months.reduce((sum, month) => sum + pick(month), 0) / months.length
  const [clear, made] = [mean((m) => m.clear), mean((m) => m.made)]
  const product = (a: (m: { clear: number; made: number }) => number, b: typeof a) =>
    months.reduce((sum, month) => sum + a(month) * b(month), 0)
  const offClear = (m: { clear: number }) => m.clear - clear
  const offMade = (m: { made: number }) => m.made - made
  const spread = Math.sqrt(product(offClear, offClear) * product(offMade, offMade))
  return spread > 0 ? product(offClear, offMade) / spread : 1
}

/** The unit whose mistaking would bring the light to about what skies usually leave of a clear one's; "none" if no unit does. */
function unitGuess(share: number, stepHours: number): string {
  const usual = 0.65
  // Energy of an interval grows with its length, power does not.
  const guesses = [
    { factor: 3.6 * stepHours, unit: 'kJ/m²' },
    { factor: 0.36 * stepHours, unit: 'J/cm²' },
    { factor: 0.001, unit: stepHours === 1 ? 'kW/m², kWh/m²' : 'kW/m²' },
    { factor: 0.0036 * stepHours, unit: 'MJ/m²' },
  ]
  const near = guesses
    .map((guess) => ({ ...guess, off: Math.abs(Math.log(share / usual / guess.factor)) }))
    .sort((a, b) => a.off - b.off)[0]
  return near && near.off < Math.log(2) ? near.unit : 'none'
}
