import { type RunSummary } from '@/core/pipeline/summary'
import { sunMapColour } from '../stage/palette'
import { type CarpetLayer } from '../store/session'

export interface CarpetPicture {
  /** 365 x 24 pixels, hour 23 at the top, by the local clock. */
  readonly image: ImageData
  readonly low: number
  readonly high: number
  readonly unit: string
  readonly title: string
}

const layers: Readonly<
  Record<
    CarpetLayer,
    { title: string; unit: string; series: (c: RunSummary['carpet']) => Float32Array; scale: number }
  >
> = {
  sun: { title: 'Sun on modules', unit: 'W/m²', series: (c) => c.sun, scale: 1 },
  shade: { title: 'Light lost to shade', unit: '%', series: (c) => c.shade, scale: 100 },
  yield: { title: 'Yield', unit: 'kW', series: (c) => c.yield, scale: 1 },
  load: { title: 'Consumption', unit: 'kW', series: (c) => c.load, scale: 1 },
  net: { title: 'Sold (light) and bought (dark)', unit: 'kW', series: (c) => c.net, scale: 1 },
  price: { title: 'Price of a bought kWh', unit: 'a kWh', series: (c) => c.price, scale: 1 },
  battery: { title: 'In the battery', unit: 'kWh', series: (c) => c.battery, scale: 1 },
}

/** Paints a layer of the year, days across and hours up. */
export function paintCarpet(carpet: RunSummary['carpet'], layer: CarpetLayer): CarpetPicture {
  const { title, unit, series, scale } = layers[layer]
  const values = series(carpet)
  let low = Infinity
  let high = -Infinity
  for (const value of values) {
    low = Math.min(low, value)
    high = Math.max(high, value)
  }
  if (layer !== 'net' && layer !== 'price') low = 0
  const span = high - low || 1
  const image = new ImageData(365, 24)
  const pixels = new Uint32Array(image.data.buffer)
  // The hour that daylight saving skips stays as dark as the least.
  pixels.fill((255 << 24) | (61 << 16) | (33 << 8) | 20)
  const perDay = 1440 / carpet.stepMinutes
  for (let i = 0; i < values.length; i++) {
    const hour = carpet.clockHour[i] ?? 0
    const standard = Math.floor(((i % perDay) * carpet.stepMinutes) / 60)
    // Daylight saving pushes the last hour of a standard day into the next one of the clock.
    const day = Math.floor(i / perDay) + (hour < standard - 12 ? 1 : 0)
    if (day > 364) continue
    const [r, g, b] = sunMapColour(((values[i] ?? 0) - low) / span)
    pixels[(23 - hour) * 365 + day] = (255 << 24) | (b << 16) | (g << 8) | r
  }
  return { image, low: low * scale, high: high * scale, unit, title }
}
