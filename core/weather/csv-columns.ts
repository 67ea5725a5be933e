/** What a column of a weather table can hold. */
export const columnRoles = [
  'ignore',
  'time',
  'date',
  'clock',
  'year',
  'month',
  'day',
  'hour',
  'minute',
  'ghi',
  'dni',
  'dhi',
  'temperature',
  'wind',
  'albedo',
  'snow-depth',
] as const
export type ColumnRole = (typeof columnRoles)[number]

/** Units by role, the one the core counts in first. `energy`: of an interval, becoming power by its length. */
export const columnUnits = {
  ghi: ['W/m²', 'kW/m²', 'Wh/m²', 'kWh/m²', 'kJ/m²', 'MJ/m²', 'J/cm²'],
  dni: ['W/m²', 'kW/m²', 'Wh/m²', 'kWh/m²', 'kJ/m²', 'MJ/m²', 'J/cm²'],
  dhi: ['W/m²', 'kW/m²', 'Wh/m²', 'kWh/m²', 'kJ/m²', 'MJ/m²', 'J/cm²'],
  temperature: ['°C', '°F', 'K'],
  wind: ['m/s', 'km/h', 'mph', 'kn'],
  albedo: ['share', '%'],
  'snow-depth': ['m', 'cm', 'mm', 'in'],
} as const
export type MeasuredRole = keyof typeof columnUnits
export type ColumnUnit = (typeof columnUnits)[MeasuredRole][number]

export interface CsvColumn {
  readonly role: ColumnRole
  readonly unit: ColumnUnit | null
}

export const isMeasured = (role: ColumnRole): role is MeasuredRole => Object.hasOwn(columnUnits, role)

/** A value in its unit as the core counts: W/m², °C, m/s, share, m. */
export function toCoreUnit(value: number, unit: ColumnUnit, stepHours: number): number {
  const seconds = stepHours * 3600
  switch (unit) {
    case 'kW/m²':
      return value * 1000
    case 'Wh/m²':
      return value / stepHours
    case 'kWh/m²':
      return (value * 1000) / stepHours
    case 'kJ/m²':
      return (value * 1000) / seconds
    case 'MJ/m²':
      return (value * 1e6) / seconds
    case 'J/cm²':
      return (value * 1e4) / seconds
    case '°F':
      return ((value - 32) * 5) / 9
    case 'K':
      return value - 273.15
    case 'km/h':
      return value / 3.6
    case 'mph':
      return value * 0.44704
    case 'kn':
      return value * 0.514444
    case '%':
      return value / 100
    case 'cm':
      return value / 100
    case 'mm':
      return value / 1000
    case 'in':
      return value * 0.0254
    case 'W/m²':
    case '°C':
    case 'm/s':
    case 'share':
    case 'm':
      return value
  }
}

/** Headings that say what a column holds, the surer ones first; matched against small letters. */
const roleSigns: readonly (readonly [RegExp, ColumnRole])[] = [
  [/snow/, 'snow-depth'],
  [/albedo/, 'albedo'],
  [/\b(ghi|g_?h|glo)\b|global|\bghi/, 'ghi'],
  [/\b(bn|b_?n)\b|direct.*normal|beam|normal.*irradi|\bdni/, 'dni'],
  [/\b(d_?h|dif)\b|diffus|\bdhi/, 'dhi'],
  [/horizontal.*irradi|\bsolar\s*rad/, 'ghi'],
  [/dew|humid|press|wind.*dir|direction/, 'ignore'],
  [/^t$|^t\s*[[(]|temp|dry.?bulb|\bt_?(air|amb|2m)\b|\bta\b|\bair\b/, 'temperature'],
  [/wind|\bws\b|\bw_?s(10m)?\b/, 'wind'],
  [/^(date.?time|time.?stamp|datetime|time|timestamp|period.*|utc.*|local.?time)\b/, 'time'],
  [/^(date|datum|fecha)\b/, 'date'],
  [/^(clock|uhrzeit|hora|hh:mm)\b/, 'clock'],
  [/^(year|yr|yyyy|jahr|año)\b/, 'year'],
  [/^(month|mo|mm|monat|mes)\b/, 'month'],
  [/^(day|dd|tag|d[ií]a)\b/, 'day'],
  [/^(hour|hr|hh|stunde)\b/, 'hour'],
  [/^(minute|min)\b/, 'minute'],
]

const unitSigns: readonly (readonly [RegExp, ColumnUnit])[] = [
  [/kwh/, 'kWh/m²'],
  [/wh\s*[/·]?\s*m|wh_?m2/, 'Wh/m²'],
  [/kw(?!h)/, 'kW/m²'],
  [/mj/, 'MJ/m²'],
  [/kj/, 'kJ/m²'],
  [/j\s*\/?\s*cm/, 'J/cm²'],
  [/w\s*[/·]?\s*m|w_?m2|wm-2/, 'W/m²'],
  [/°\s*f|deg\s*f|fahrenheit|\(f\)|\[f\]|_f$/, '°F'],
  [/kelvin|\(k\)|\[k\]|_k$/, 'K'],
  [/km\s*\/?\s*h|kph|kmh/, 'km/h'],
  [/mph|mi\/h/, 'mph'],
  [/\b(kn|kt|knots?)\b/, 'kn'],
  [/m\s*\/\s*s|ms-1|_ms$/, 'm/s'],
  [/%/, '%'],
  [/\bmm\b|_mm$/, 'mm'],
  [/\bcm\b|_cm$/, 'cm'],
  [/\b(in|inch|inches)\b/, 'in'],
]

/** What a heading most likely says; a unit that does not go with the role is left at the usual one. */
export function guessColumn(heading: string): CsvColumn {
  const text = heading.trim().toLowerCase()
  const role = roleSigns.find(([sign]) => sign.test(text))?.[1] ?? 'ignore'
  if (!isMeasured(role)) return { role, unit: null }
  const units: readonly ColumnUnit[] = columnUnits[role]
  const said = unitSigns.find(([sign, unit]) => sign.test(text) && units.includes(unit))?.[1]
  return { role, unit: said ?? units[0] ?? null }
}
