import { seededRandom } from '../model/random'
import { sunHours } from '../sun/sun-hours'
import { type WeatherYear } from '../weather/weather-year'
import { cellTemperatureC, mountHeat } from './cell-temperature'
import { exampleSheet } from './example-sheet'
import { fitDiode } from './fit-diode'
import { diodePower } from './module-power'
import { type PanelLight } from './panel-light'
import { parallelYears } from './parallel-strings'
import { type PlaneLight } from './plane-light'
import { sweptBest } from './series-reference'
import { diodeAt, maximumPower } from './single-diode'
import { stringLosses, stringYear, type LitString, type StringRequest } from './string-year'

const model = fitDiode(exampleSheet)
const ratedW = maximumPower(diodeAt(model, 1000, 25)).powerW
const place = { latitudeDeg: 41.6, longitudeDeg: -71.4, elevationM: 0 }
const sun = sunHours(place, -5, 60)
const hours = sun.interval.length
const airC = 12
const windMs = 2
const even = (value: number) => new Float64Array(8760).fill(value)
const weather: WeatherYear = {
  ...place,
  name: 'Even',
  timeZoneHours: -5,
  stepMinutes: 60,
  ghi: even(300),
  dni: even(0),
  dhi: even(300),
  temperatureC: even(airC),
  windMs: even(windMs),
  albedo: null,
  snowDepthM: null,
}
const request: StringRequest = {
  powerW: ratedW,
  power: diodePower(model, 3),
  losses: { soiling: [], snow: [] },
  weather,
  sun,
  withVolts: true,
  window: { lowV: 60, highV: 480, startV: 70 },
}

/** Light on a plane that is all direct, and modules on it that get all of it; a plane that is darker at every second hour. */
const nothing = new Float64Array(hours)
const planeOf = (bright: number, dim = bright): PlaneLight => {
  const light = Float64Array.from({ length: hours }, (_, k) => Math.fround(k % 2 === 0 ? bright : dim))
  return {
    beam: light,
    sky: nothing,
    groundReflected: nothing,
    direct: light,
    dome: nothing,
    horizon: nothing,
    ground: nothing,
  } as unknown as PlaneLight
}
const panelOf = ({ beam }: PlaneLight): PanelLight => ({
  mean: Float32Array.from(beam),
  shaded: new Int32Array(0),
  strips: new Float32Array(0),
  stripCount: 3,
  unshadedKwhM2: 0,
  meanKwhM2: 0,
  lostTo: [],
})
const on = (plane: PlaneLight) => ({ light: plane, heat: mountHeat.close, snowLost: null })
const stringOf = (parts: readonly (readonly [PlaneLight, number])[], connected = true): LitString => {
  const [first] = parts
  if (!first) throw new Error('a string has modules')
  return {
    panels: parts.flatMap(([plane, modules]) => Array.from({ length: modules }, () => panelOf(plane))),
    conditions: on(first[0]),
    connected,
    ...(parts.length > 1
      ? { planes: parts.map(([plane, modules]) => ({ conditions: on(plane), modules })) }
      : {}),
  }
}
const cellOf = (lightWm2: number) => cellTemperatureC(airC, lightWm2, windMs, mountHeat.close)
/** Light and temperature of each group of a string at an hour, by its planes. */
const groupsOf = (parts: readonly (readonly [PlaneLight, number])[], k: number) =>
  parts.flatMap(([plane, modules]) => {
    const light = plane.beam[k] ?? 0
    return Array.from({ length: modules * 3 }, () => ({ light, cellC: cellOf(light) }))
  })
const swept = (groups: ReturnType<typeof groupsOf>, held?: { lowV: number; highV: number }) =>
  sweptBest(
    model,
    3,
    groups.map(({ light }) => light),
    groups.map(({ cellC }) => cellC),
    held,
  )

test('a string over two planes is what a sweep of its whole curve says, each module at its own temperature', () => {
  const random = seededRandom(5)
  const misses: number[] = []
  for (let k = 0; k < 40; k++) {
    const [bright, dim] = [500 + random() * 450, 120 + random() * 350]
    const parts = [
      [planeOf(bright), 4 + Math.floor(random() * 5)],
      [planeOf(dim), 3 + Math.floor(random() * 4)],
    ] as const
    const { powerW } = stringYear(stringOf(parts), {
      ...request,
      window: { lowV: 0, highV: 1000, startV: 0 },
    })
    const reference = swept(groupsOf(parts, 0))
    const miss = (powerW[0] ?? 0) / reference - 1
    expect(Math.abs(miss)).toBeLessThan(0.02)
    misses.push(miss)
    // By itself each of them gives more.
    const alone = parts.map(([plane, modules]) => swept(groupsOf([[plane, modules]], 0)))
    expect(powerW[0]).toBeLessThan(alone.reduce((sum, watts) => sum + watts, 0))
  }
  expect(Math.abs(misses.reduce((sum, miss) => sum + miss, 0) / misses.length)).toBeLessThan(0.008)
})

test('strings of unequal length on one input are held at the volts where both give most', () => {
  const random = seededRandom(8)
  for (let k = 0; k < 4; k++) {
    const long = [[planeOf(950, 300 + random() * 300), 11]] as const
    const short = [[planeOf(850 + random() * 80, 200), 6 + Math.floor(random() * 4)]] as const
    const years = parallelYears([stringOf(long), stringOf(short)], request)
    for (const hour of [0, 1]) {
      let best = 0
      for (let volts = 120; volts <= 480; volts += 2) {
        const held = { lowV: volts - 0.005, highV: volts + 0.005 }
        const sum = [long, short].reduce((all, parts) => all + swept(groupsOf(parts, hour), held), 0)
        best = Math.max(best, sum)
      }
      const found = years.reduce((sum, { powerW }) => sum + (powerW[hour] ?? 0), 0)
      expect(found / best).toBeGreaterThan(0.998)
      expect(found / best).toBeLessThan(1.002)
      const [volts, others] = years.map(
        ({ voltWatts, powerW }) => (voltWatts[hour] ?? 0) / (powerW[hour] ?? NaN),
      )
      if (others) expect(volts).toBeCloseTo(others, 6)
    }
    const apart = [long, short].map((parts) => stringYear(stringOf(parts), request).powerW[0] ?? 0)
    expect((years[0]?.powerW[0] ?? 0) + (years[1]?.powerW[0] ?? 0)).toBeLessThan(
      apart.reduce((sum, watts) => sum + watts, 0) * 0.999,
    )
  }
}, 60_000)

test('alike strings together give what each gives alone, and nothing is lost without a name', () => {
  const alike = stringOf([[planeOf(800, 90), 8]])
  const unlike = stringOf([
    [planeOf(700, 60), 5],
    [planeOf(400, 30), 4],
  ])
  const alone = stringYear(alike, request)
  for (const year of parallelYears([alike, alike], request))
    for (const k of [0, 1, hours - 1]) expect(year.powerW[k]).toBeCloseTo(alone.powerW[k] ?? NaN, 0)
  for (const { powerW, sunW, lostW } of parallelYears([alike, unlike], request))
    for (const k of [0, 1, 2, hours - 1]) {
      const lost = stringLosses.reduce((sum, name) => sum + (lostW[name][k] ?? 0), 0)
      expect((sunW[k] ?? 0) - (powerW[k] ?? 0) - lost).toBeCloseTo(0, 8)
    }
})

test('what never reaches the start of the input gives nothing, and its light is lost by the window', () => {
  const few = stringOf([[planeOf(800), 1]])
  const years = parallelYears([few, few], { ...request, window: { lowV: 100, highV: 480, startV: 150 } })
  for (const { powerW, lostW } of years) {
    expect(powerW[0]).toBe(0)
    expect(lostW.window[0]).toBeGreaterThan(200)
  }
})
