/** Cells as a line of a table, quoted where they must be (RFC 4180). */
export const csvLine = (cells: readonly (string | number)[]): string =>
  cells
    .map((cell) =>
      typeof cell === 'string' && /[",\n]/.test(cell) ? `"${cell.replaceAll('"', '""')}"` : cell,
    )
    .join(',')

/** Significant digits, seven where not told, never as a power of ten. */
export function figure(value: number, digits = 7): string {
  if (Math.abs(value) < 1e-6) return value === 0 ? '0' : value.toFixed(12).replace(/0+$/, '')
  return String(Number(value.toPrecision(digits)))
}

/** ISO 8601 with its offset, in a year's standard time. @param minutes since the year began */
export function timeIn(year: number, minutes: number, timeZoneHours: number): string {
  const two = (value: number) => String(value).padStart(2, '0')
  const away = Math.round(Math.abs(timeZoneHours) * 60)
  const offset = `${timeZoneHours < 0 ? '-' : '+'}${two(Math.floor(away / 60))}:${two(away % 60)}`
  const local = new Date(Date.UTC(year, 0, 1) + minutes * 60_000)
  return `${local.toISOString().slice(0, 16)}${offset}`
}
