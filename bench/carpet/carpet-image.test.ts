import { localClock } from '@/core/model/local-clock'
import { yearStartMs } from '@/core/model/model-year'
import { type RunSummary } from '@/core/readers/summary'
import { cssColour, sunMapColour, textOn } from '@/stage/palette'
import { intervalAt, paintCarpet, paintSeries } from './carpet-image'

const carpetOf = (stepMinutes: number, zoneHours: number, zone: string, value: (i: number) => number) => {
  const n = (365 * 1440) / stepMinutes
  const series = Float32Array.from({ length: n }, (_, i) => value(i))
  const clockHour = localClock(zone, yearStartMs(zoneHours), stepMinutes, n).hour
  const all = {
    sun: series,
    shade: series,
    yield: series,
    load: series,
    net: series,
    bought: series,
    sold: series,
    charged: series,
    discharged: series,
    battery: series,
    curtailed: series,
    priceNow: series,
    earns: series,
    price: series,
  }
  return { stepMinutes, standbyKwh: 0, clockHour, ...all } satisfies RunSummary['carpet']
}
const colourAt = (picture: ReturnType<typeof paintCarpet>, day: number, row: number) => {
  const at = ((picture.rows - 1 - row) * 365 + day) * 4
  return cssColour([picture.pixels[at] ?? 0, picture.pixels[at + 1] ?? 0, picture.pixels[at + 2] ?? 0])
}
const most = cssColour(sunMapColour(1))
const least = cssColour(sunMapColour(0))

test('an hour stands at its day and local hour, in winter and in summer', () => {
  const noonJanuary = 14 * 24 + 12
  const noonJuly = 195 * 24 + 12
  const picture = paintCarpet(
    carpetOf(60, -5, 'America/New_York', (i) => (i === noonJanuary || i === noonJuly ? 4 : 0)),
    'yield',
  )
  expect(picture.rows).toBe(24)
  expect(colourAt(picture, 14, 12)).toBe(most)
  expect(colourAt(picture, 195, 13)).toBe(most)
  expect(colourAt(picture, 195, 12)).toBe(least)
  expect([picture.low, picture.high, picture.unit]).toEqual([0, 4, 'kW'])
})

test('quarter hours have rows of their own, and their energy is shown as power', () => {
  const quarter = 100 * 96 + 50
  const picture = paintCarpet(
    carpetOf(15, 9.5, 'Australia/Darwin', (i) => (i === quarter ? 1 : 0)),
    'yield',
  )
  expect(picture.rows).toBe(96)
  expect(colourAt(picture, 100, 50)).toBe(most)
  expect(picture.high).toBe(4)
  // Light is power already.
  expect(
    paintCarpet(
      carpetOf(15, 9.5, 'Australia/Darwin', () => 2),
      'sun',
    ).high,
  ).toBe(2)
})

test('weather counted in another zone still falls on the clock’s own day', () => {
  // 02:00 UTC on 10 January is 21:00 on the 9th in New York.
  const at = 9 * 24 + 2
  const picture = paintCarpet(
    carpetOf(60, 0, 'America/New_York', (i) => (i === at ? 1 : 0)),
    'load',
  )
  expect(colourAt(picture, 8, 21)).toBe(most)
  expect(colourAt(picture, 9, 21)).toBe(least)
})

test('what is sold and bought has both ends, all else begins at nought', () => {
  const net = paintCarpet(
    carpetOf(60, 0, 'UTC', (i) => (i % 2 ? -3 : 5)),
    'net',
  )
  expect([net.low, net.high]).toEqual([-3, 5])
  expect(
    paintCarpet(
      carpetOf(60, 0, 'UTC', () => 7),
      'battery',
    ).low,
  ).toBe(0)
})

test('the ramp grows lighter in even steps, and text on it is read at 4.5 to 1', () => {
  const luminance = ([r, g, b]: readonly [number, number, number]) => {
    const linear = [r, g, b].map((v) =>
      v / 255 <= 0.04045 ? v / 255 / 12.92 : ((v / 255 + 0.055) / 1.055) ** 2.4,
    )
    return 0.2126 * (linear[0] ?? 0) + 0.7152 * (linear[1] ?? 0) + 0.0722 * (linear[2] ?? 0)
  }
  let before = -1
  for (let share = 0; share <= 1; share += 0.02) {
    const colour = sunMapColour(share)
    const light = luminance(colour)
    expect(light).toBeGreaterThan(before)
    before = light
    const text = textOn(colour) === '#000000' ? 0 : 1
    const contrast = (Math.max(light, text) + 0.05) / (Math.min(light, text) + 0.05)
    expect(contrast).toBeGreaterThanOrEqual(4.5)
  }
})

test('every interval is found again by its day and local hour, but for the hour that daylight saving skips', () => {
  for (const [step, zoneHours, zone] of [
    [60, -5, 'America/New_York'],
    [15, 9.5, 'Australia/Adelaide'],
    [60, 0, 'America/Chicago'],
  ] as const) {
    const carpet = carpetOf(step, zoneHours, zone, () => 0)
    const perDay = 1440 / step
    const found = new Set<number | null>()
    let missing = 0
    for (let day = 0; day < 365; day++)
      for (let row = 0; row < perDay; row++) {
        const at = intervalAt(carpet, day, (row * step) / 60)
        if (at === null) missing++
        else expect(carpet.clockHour[at]).toBe(Math.floor((row * step) / 60))
        found.add(at)
      }
    // In autumn two intervals share an hour of the clock, and one of them is shown.
    expect(missing).toBe(60 / step)
    expect(found.size).toBe(365 * perDay - missing + 1)
  }
  const carpet = carpetOf(60, -5, 'America/New_York', () => 0)
  expect(intervalAt(carpet, 195, 12.5)).toBe(195 * 24 + 11)
})

test('a series is painted between two values; what lies beyond them is as these', () => {
  const carpet = carpetOf(60, -5, 'America/New_York', () => 0)
  const values = new Float32Array(8760)
  values.set([0, 24, 48, 500, -3])
  const { pixels, rows } = paintSeries(carpet, values, 0, 48)
  // On January 1, from its first hour at the bottom on.
  const inkAt = (hour: number) => [
    ...pixels.slice((rows - 1 - hour) * 365 * 4, (rows - 1 - hour) * 365 * 4 + 3),
  ]
  const [least, half, most, beyond, below] = [0, 1, 2, 3, 4].map(inkAt)
  expect(beyond).toEqual(most)
  expect(below).toEqual(least)
  expect(new Set([least, half, most].map(String)).size).toBe(3)
})
