import { daysInMonth, isStep } from '../model/model-year'
import { Fault } from '../model/fault'
import { readEpwFile, type EpwFile } from './epw'
import { epwFields, epwMissing, type EpwField } from './epw-fields'
import { completeYear, type RawSeries } from './complete-year'
import { type WeatherReading } from './reading'
import { type WeatherYear } from './weather-year'

/** A field with what was not measured as NaN; null when it was never measured. */
function measured(file: EpwFile, name: EpwField): Float64Array | null {
  const missing = epwMissing(name)
  const values = file.values[name]?.map((value) => (value >= missing ? NaN : value))
  return values?.some((value) => !Number.isNaN(value)) ? values : null
}

/**
 * The year that an EPW file holds: hourly or a whole fraction of an hour, records stamped by the interval's end;
 * 29 February is left out. What was not measured is filled and said.
 * @throws Fault as `readEpwFile`, `not-a-year`, `no-irradiance`, `too-many-gaps`.
 */
export function epwYear(file: EpwFile, shiftMinutes = 0): WeatherReading {
  const { month, day } = file.values
  const records = file.lines.length
  const kept: number[] = []
  for (let r = 0; r < records; r++) if (!(month?.[r] === 2 && day?.[r] === 29)) kept.push(r)
  const perHour = kept.length / 8760
  if (!Number.isInteger(perHour) || !isStep(60 / perHour)) {
    const line = file.lines.at(-1) ?? 9
    throw new Fault('not-a-year', { reason: 'records', records: kept.length, line }, `line ${line}`)
  }
  // The first record of January stands first; some files begin elsewhere.
  const first = kept.findIndex((r) => month?.[r] === 1 && day?.[r] === 1)
  if (first < 0) throw new Fault('bad-epw', { reason: 'no-january' }, 'line 9')
  const order = [...kept.slice(first), ...kept.slice(0, first)]
  checkCalendar(file, order, perHour)
  const pick = (name: EpwField): Float64Array | null => {
    const values = measured(file, name)
    return values && Float64Array.from(order, (r) => values[r] ?? NaN)
  }
  const snow = pick('snowDepthCm')
  const raw: RawSeries = {
    ghi: pick('globalHorizontal'),
    dni: pick('directNormal'),
    dhi: pick('diffuseHorizontal'),
    temperatureC: pick('dryBulbC'),
    windMs: pick('windSpeedMs'),
    albedo: pick('albedo'),
    snowDepthM: snow && snow.map((cm) => cm / 100),
  }
  const lines = Int32Array.from(order, (r) => file.lines[r] ?? 0)
  return completeYear({ ...file.location, stepMinutes: 60 / perHour }, raw, lines, shiftMinutes)
}

/** Records in their order, one day after the other: a record out of its place would move the sun. */
function checkCalendar(file: EpwFile, order: readonly number[], perHour: number): void {
  const { month, day, hour } = file.values
  let i = 0
  for (const [m, days] of daysInMonth.entries())
    for (let d = 1; d <= days; d++)
      for (let h = 1; h <= 24; h++)
        for (let part = 0; part < perHour; part++, i++) {
          const r = order[i] as number
          if (month?.[r] === m + 1 && day?.[r] === d && hour?.[r] === h) continue
          throw new Fault(
            'bad-epw',
            {
              reason: 'order',
              line: file.lines[r] ?? 0,
              found: `${month?.[r]}, ${day?.[r]}, ${hour?.[r]}`,
              expected: `${m + 1}, ${d}, ${h}`,
            },
            `line ${file.lines[r]}`,
          )
        }
}

/** The year in an EPW text, without what was noticed on the way. */
export const readEpw = (text: string): WeatherYear => epwYear(readEpwFile(text)).year

/** A year as an EPW file; what we do not have is marked as not measured. */
export function writeEpw(year: WeatherYear): string {
  const perHour = 60 / year.stepMinutes
  const head = [
    `LOCATION,${year.name.replaceAll(/[,\n]/g, ' ')},-,-,made up,0,${year.latitudeDeg},${year.longitudeDeg},${year.timeZoneHours},${year.elevationM}`,
    'DESIGN CONDITIONS,0',
    'TYPICAL/EXTREME PERIODS,0',
    'GROUND TEMPERATURES,0',
    'HOLIDAYS/DAYLIGHT SAVINGS,No,0,0,0',
    'COMMENTS 1,',
    'COMMENTS 2,',
    `DATA PERIODS,1,${perHour},Data,Sunday,1/1,12/31`,
  ]
  // One tenth is what the format's own files give; snow is in whole centimetres there, in millimetres here.
  const of = (series: Float64Array | null, digits: number, times = 1) =>
    series && ((i: number) => ((series[i] ?? 0) * times).toFixed(digits))
  const writers: Partial<Record<EpwField, ((i: number) => string) | null>> = {
    dryBulbC: of(year.temperatureC, 1),
    globalHorizontal: of(year.ghi, 1),
    directNormal: of(year.dni, 1),
    diffuseHorizontal: of(year.dhi, 1),
    windSpeedMs: of(year.windMs, 1),
    albedo: of(year.albedo, 3),
    snowDepthCm: of(year.snowDepthM, 1, 100),
  }
  const absent = epwFields.map((field) =>
    'missing' in field
      ? String(field.missing)
      : field.name === 'flags'
        ? '?'
        : field.name === 'presentWeatherCodes'
          ? '999999999'
          : '',
  )
  const lines: string[] = []
  let i = 0
  daysInMonth.forEach((days, month) => {
    for (let day = 1; day <= days; day++)
      for (let step = 0; step < 24 * perHour; step++, i++) {
        const minute = perHour === 1 ? 0 : (((step % perHour) + 1) * year.stepMinutes) % 60 || 60
        const stamp = ['2025', month + 1, day, Math.floor(step / perHour) + 1, minute].map(String)
        lines.push(
          epwFields
            .map(({ name }, column) => stamp[column] ?? writers[name]?.(i) ?? absent[column])
            .join(','),
        )
      }
  })
  return [...head, ...lines, ''].join('\n')
}
