import { type RunSummary } from '@/core/readers/summary'
import { sunMapColour } from '@/stage/palette'
import { type CarpetLayer } from '../store/session'

export interface CarpetPicture {
  /** RGBA, 365 columns and a row to each interval of a day, the day's end at the top, by the local clock. */
  readonly pixels: Uint8ClampedArray<ArrayBuffer>
  readonly rows: number
  readonly low: number
  readonly high: number
  readonly unit: string
  readonly title: string
}

const layers: Readonly<
  Record<
    CarpetLayer,
    {
      title: string
      unit: string
      series: (c: RunSummary['carpet']) => Float32Array
      scale: number
      /** Whether the series holds the energy of an interval, shown as its power. */
      energy?: true
    }
  >
> = {
  sun: { title: 'Sun on modules', unit: 'W/m²', series: (c) => c.sun, scale: 1 },
  shade: { title: 'Irradiance lost to shade', unit: '%', series: (c) => c.shade, scale: 100 },
  yield: { title: 'Yield', unit: 'kW', series: (c) => c.yield, scale: 1, energy: true },
  load: { title: 'Consumption', unit: 'kW', series: (c) => c.load, scale: 1, energy: true },
  net: { title: 'Sold (light) and bought (dark)', unit: 'kW', series: (c) => c.net, scale: 1, energy: true },
  price: { title: 'Price of bought energy', unit: '/kWh', series: (c) => c.price, scale: 1 },
  battery: { title: 'Battery charge', unit: 'kWh', series: (c) => c.battery, scale: 1 },
}

const columns = 365

/** The ramp in fine steps, as points of a picture. */
const inks = Uint32Array.from({ length: 256 }, (_, k) => {
  const [r, g, b] = sunMapColour(k / 255)
  return (255 << 24) | (b << 16) | (g << 8) | r
})

/** Paints a layer of the year, days across and hours up. */
export function paintCarpet(carpet: RunSummary['carpet'], layer: CarpetLayer): CarpetPicture {
  const { title, unit, series, scale, energy } = layers[layer]
  const values = series(carpet)
  let low = Infinity
  let high = -Infinity
  for (let i = 0; i < values.length; i++) {
    const value = values[i] ?? 0
    if (value < low) low = value
    if (value > high) high = value
  }
  if (layer !== 'net' && layer !== 'price') low = 0
  const shown = energy ? (scale * 60) / carpet.stepMinutes : scale
  return { ...paintSeries(carpet, values, low, high), low: low * shown, high: high * shown, unit, title }
}

/** Paints a series of the year from the least value, dark, to the most, light; what lies beyond is as these. */
export function paintSeries(
  carpet: Clocked,
  values: Float32Array,
  low: number,
  high: number,
): Pick<CarpetPicture, 'pixels' | 'rows'> {
  const span = high - low || 1
  const perDay = 1440 / carpet.stepMinutes
  const pixels = new Uint8ClampedArray(columns * perDay * 4)
  const colours = new Uint32Array(pixels.buffer)
  // The hour that daylight saving skips stays as dark as the least.
  colours.fill((255 << 24) | (61 << 16) | (33 << 8) | 20)
  for (let i = 0; i < values.length; i++) {
    const { day, row } = placeOf(carpet, i)
    const share = Math.max(0, Math.min(1, ((values[i] ?? 0) - low) / span))
    colours[(perDay - 1 - row) * columns + day] = inks[Math.round(share * 255)] ?? 0
  }
  return { pixels, rows: perDay }
}

/** Where an interval stands on the carpet: the day of the local clock, and how many intervals into it by that clock. */
export function placeOf(
  { clockHour, stepMinutes }: Clocked,
  i: number,
): { readonly day: number; readonly row: number } {
  const perHour = 60 / stepMinutes
  const perDay = 24 * perHour
  const hour = clockHour[i] ?? 0
  const standard = Math.floor((i % perDay) / perHour)
  // The clock's day may be a day on or back from the interval's: daylight saving, or weather counted in another zone.
  const over = hour < standard - 12 ? 1 : hour > standard + 12 ? -1 : 0
  return {
    day: (Math.floor(i / perDay) + over + columns) % columns,
    row: hour * perHour + (i % perHour),
  }
}

export type Clocked = Pick<RunSummary['carpet'], 'clockHour' | 'stepMinutes'>

/** The interval of a day and an hour of the local clock; null in the hour that daylight saving skips. */
export function intervalAt(carpet: Clocked, day: number, hour: number): number | null {
  const perHour = 60 / carpet.stepMinutes
  const row = Math.floor(hour * perHour)
  const { length } = carpet.clockHour
  const middle = day * 24 * perHour + row
  // Clocks differ by less than a day, whatever the zones.
  for (let away = 0; away <= 24 * perHour; away++)
    for (const i of [(middle + away) % length, (middle - away + length) % length]) {
      const place = placeOf(carpet, i)
      if (place.day === day && place.row === row) return i
    }
  return null
}
