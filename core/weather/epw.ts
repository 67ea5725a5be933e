import { Fault } from '../model/fault'
import { type WeatherYear } from './weather-year'

/** Columns of an EPW record (EnergyPlus auxiliary programs reference, "EPW data dictionary"), counted from 0. */
const column = {
  year: 0,
  month: 1,
  day: 2,
  hour: 3,
  temperature: 6,
  ghi: 13,
  dni: 14,
  dhi: 15,
  wind: 21,
} as const
const headerLines = 8
const largestBytes = 30_000_000

/** What EPW writes where a value was not measured. */
const missing = { temperature: 99.9, radiation: 9999, wind: 999 } as const

/**
 * Reads an EnergyPlus weather file: hourly or a whole fraction of an hour; records stamped by the interval's end.
 * Missing values: irradiance becomes 0, temperature and wind keep the last one known.
 * @throws Fault `too-large`, `not-epw`, `bad-epw` with the line.
 */
export function readEpw(text: string): WeatherYear {
  if (text.length > largestBytes) throw new Fault('too-large', 'A weather file may have at most 30 MB.')
  const lines = text.replace(/^\uFEFF/, '').split(/\r\n|\r|\n/)
  const location = (lines[0] ?? '').split(',')
  if (location[0]?.trim().toUpperCase() !== 'LOCATION')
    throw new Fault('not-epw', 'Line 1: a weather file in EPW begins with LOCATION.', 'line 1')
  const field = (index: number, what: string, low: number, high: number) => {
    const value = Number(location[index])
    if (location[index]?.trim() === '' || !(value >= low && value <= high))
      throw new Fault(
        'bad-epw',
        `Line 1: ${what} is "${location[index] ?? ''}", expected ${low} to ${high}.`,
        'line 1',
      )
    return value
  }
  const latitudeDeg = field(6, 'the latitude', -90, 90)
  const longitudeDeg = field(7, 'the longitude', -180, 180)
  const timeZoneHours = field(8, 'the time zone', -12, 14)
  const elevationM = field(9, 'the elevation', -1000, 9999)

  const rows: number[][] = []
  for (let i = headerLines; i < lines.length; i++) {
    const line = lines[i]
    if (!line || line.trim() === '') continue
    const cells = line.split(',')
    if (Number(cells[column.month]) === 2 && Number(cells[column.day]) === 29) continue
    const row = [column.temperature, column.ghi, column.dni, column.dhi, column.wind].map((index) =>
      Number(cells[index]),
    )
    if (cells.length < 22 || row.some((value) => !Number.isFinite(value)))
      throw new Fault(
        'bad-epw',
        `Line ${i + 1}: a record with numbers in at least 22 columns was expected.`,
        `line ${i + 1}`,
      )
    rows.push(row)
  }
  const perHour = rows.length / 8760
  if (!Number.isInteger(perHour) || perHour < 1 || 60 % perHour !== 0)
    throw new Fault(
      'bad-epw',
      `The file has ${rows.length} records without 29 February; a whole year has 8,760 or a multiple.`,
      `line ${headerLines + 1}`,
    )
  const series = (pick: number, absent: number, hold: boolean) => {
    const out = new Float64Array(rows.length)
    let last = 0
    rows.forEach((row, i) => {
      const value = row[pick] ?? 0
      const known = hold ? value < absent : value < absent && value >= 0
      out[i] = known ? value : hold ? last : 0
      if (known) last = value
    })
    return out
  }
  return {
    name: (location[1] ?? '').trim(),
    latitudeDeg,
    longitudeDeg,
    elevationM,
    timeZoneHours,
    stepMinutes: 60 / perHour,
    temperatureC: series(0, missing.temperature, true),
    ghi: series(1, missing.radiation, false),
    dni: series(2, missing.radiation, false),
    dhi: series(3, missing.radiation, false),
    windMs: series(4, missing.wind, true),
  }
}

const daysIn = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31]

/** Writes an EPW file that `readEpw` reads back; values we do not have are marked as missing. */
export function writeEpw(year: WeatherYear): string {
  const perHour = 60 / year.stepMinutes
  const head = [
    `LOCATION,${year.name.replaceAll(',', ' ')},-,-,made up,0,${year.latitudeDeg},${year.longitudeDeg},${year.timeZoneHours},${year.elevationM}`,
    'DESIGN CONDITIONS,0',
    'TYPICAL/EXTREME PERIODS,0',
    'GROUND TEMPERATURES,0',
    'HOLIDAYS/DAYLIGHT SAVINGS,No,0,0,0',
    'COMMENTS 1,',
    'COMMENTS 2,',
    `DATA PERIODS,1,${perHour},Data,Sunday,1/1,12/31`,
  ]
  const lines: string[] = []
  let i = 0
  daysIn.forEach((days, month) => {
    for (let day = 1; day <= days; day++)
      for (let step = 0; step < 24 * perHour; step++, i++) {
        const minute = perHour === 1 ? 0 : (((step % perHour) + 1) * year.stepMinutes) % 60 || 60
        const value = (series: Float64Array, digits: number) => (series[i] ?? 0).toFixed(digits)
        lines.push(
          `2025,${month + 1},${day},${Math.floor(step / perHour) + 1},${minute},?,${value(year.temperatureC, 1)},99.9,999,999999,9999,9999,9999,${value(year.ghi, 1)},${value(year.dni, 1)},${value(year.dhi, 1)},999999,999999,999999,9999,999,${value(year.windMs, 1)},99,99,9999,99999,9,999999999,999,0.999,999,99,999,999,99`,
        )
      }
  })
  return [...head, ...lines, ''].join('\n')
}
