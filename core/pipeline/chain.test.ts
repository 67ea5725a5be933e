import { defaultLosses } from '../model/kinds/losses'
import { type ModuleType, type InverterType } from '../electrical/catalogue'
import { closeRoof, openRack } from '../energy/cell-temperature'
import { sunHours } from '../sun/sun-hours'
import { type ReceiverShade } from '../shade/engine'
import { type WeatherYear } from '../weather/weather-year'
import { acYear } from './ac'
import { dcYear } from './dc'
import { panelLight } from './panel-light'
import { planeLight } from './plane-light'

const place = { latitudeDeg: 41.6, longitudeDeg: -71.4, elevationM: 0 }
const sun = sunHours(place, -5, 60)
const even = (value: number) => new Float64Array(8760).fill(value)
/** The same light at every hour: what comes out can be reckoned by hand. */
const weather: WeatherYear = {
  ...place,
  name: 'Even',
  timeZoneHours: -5,
  stepMinutes: 60,
  ghi: even(300),
  dni: even(0),
  dhi: even(300),
  temperatureC: even(25),
  windMs: even(1),
}
const module = { powerW: 400, powerPerK: -0.004, strips: 3, halves: 2 } as ModuleType
const groups = { strips: 3, halves: 2 } as const
const open = (): ReceiverShade => ({
  id: 'm',
  groups: 6,
  litWorst: new Float32Array(sun.interval.length * 6).fill(1),
  litMean: new Float32Array(sun.interval.length).fill(1),
  domeSeen: 1,
  horizonSeen: 1,
  blockedBy: new Map(),
})
const noLosses = {
  ...defaultLosses,
  soiling: 0,
  lightInduced: 0,
  nameplate: 0,
  wiring: 0,
  connections: 0,
  availability: 0,
}

test('on the horizontal under an even sky: 300 W/m² for every hour of sun', () => {
  const light = planeLight(weather, sun, [0, 0, 1], 0.2, 'hay-davies')
  expect(light.parts.sky).toBeCloseTo((300 * sun.interval.length) / 1000, 6)
  expect(light.parts.beam).toBe(0)
  expect(light.parts.ground).toBeCloseTo(0, 9)
})

test('a plane turned half up sees half the sky and half the ground', () => {
  const light = planeLight(weather, sun, [0, -1, 0], 0.2, 'hay-davies')
  expect(light.parts.sky).toBeCloseTo((150 * sun.interval.length) / 1000, 6)
  expect(light.parts.ground).toBeCloseTo((300 * 0.2 * 0.5 * sun.interval.length) / 1000, 6)
})

test('module and losses by hand: heat first, then each share of what is left', () => {
  const light = planeLight(weather, sun, [0, 0, 1], 0.2, 'hay-davies')
  const lit = panelLight(light, open(), groups, 60)
  const through = lit.mean[0] ?? 0
  const cell = 25 + through / (openRack.u0 + openRack.u1)
  const hot = ((400 * through) / 1000) * (1 - 0.004 * (cell - 25))
  const dc = dcYear(
    [{ panels: [lit], connected: true }],
    module,
    { ...noLosses, wiring: 0.02, nameplate: 0.01 },
    weather,
    sun,
    openRack,
  )
  expect(dc.powerW[0]).toBeCloseTo(hot * 0.98 * 0.99, 4)
  expect(dc.kwh).toBeCloseTo((hot * 0.98 * 0.99 * sun.interval.length) / 1000, 2)
  expect(dc.lostKwh.nameplate).toBeCloseTo((hot * 0.01 * sun.interval.length) / 1000, 2)
  expect(dc.lostKwh.mismatch).toBeCloseTo(0, 6)
})

test('a close roof is hotter and makes less', () => {
  const lit = panelLight(planeLight(weather, sun, [0, 0, 1], 0.2, 'perez'), open(), groups, 60)
  const of = (mount: typeof openRack) =>
    dcYear([{ panels: [lit], connected: true }], module, noLosses, weather, sun, mount).kwh
  expect(of(closeRoof)).toBeLessThan(of(openRack))
})

test('one dark strip of three: the diode takes it out when the beam is strong', () => {
  const bright = { ...weather, dni: even(900), dhi: even(60), ghi: even(600) }
  const light = planeLight(bright, sun, [0, 0, 1], 0.2, 'hay-davies')
  const shade = open()
  for (let k = 0; k < sun.interval.length; k++) {
    shade.litWorst[k * 6] = 0
    shade.litWorst[k * 6 + 1] = 0
    shade.litMean[k] = 2 / 3
  }
  const lit = panelLight(light, shade, groups, 60)
  const noon = sun.zenithDeg.indexOf(Math.min(...sun.zenithDeg))
  const full = (light.direct[noon] ?? 0) + (light.dome[noon] ?? 0) + (light.horizon[noon] ?? 0)
  expect(lit.best[noon]).toBeCloseTo((2 / 3) * full, 2)
  expect(lit.mean[noon]).toBeGreaterThan(lit.best[noon] ?? 0)
})

test('in a string the darkest module sets the current or is passed by', () => {
  const light = planeLight(weather, sun, [0, 0, 1], 0.2, 'hay-davies')
  const lit = panelLight(light, open(), groups, 60)
  const dim = { ...lit, best: lit.best.map((w) => w * 0.95), mean: lit.mean.map((w) => w * 0.95) }
  const dark = { ...lit, best: lit.best.map((w) => w * 0.1), mean: lit.mean.map((w) => w * 0.1) }
  const four = (other: typeof lit) =>
    dcYear(
      [{ panels: [lit, lit, lit, other], connected: true }],
      { ...module, powerPerK: 0 },
      noLosses,
      weather,
      sun,
      openRack,
    ).kwh
  const whole = four(lit)
  expect(four(dim) / whole).toBeCloseTo(0.95, 4)
  expect(four(dark) / whole).toBeCloseTo(0.75, 4)
})

test('a string without an input yields nothing, and its light is lost under its own name', () => {
  const lit = panelLight(planeLight(weather, sun, [0, 0, 1], 0.2, 'hay-davies'), open(), groups, 60)
  const of = (connected: boolean) =>
    dcYear(
      [
        { panels: [lit], connected: true },
        { panels: [lit, lit], connected },
      ],
      module,
      noLosses,
      weather,
      sun,
      openRack,
    )
  expect(of(false).kwh).toBeCloseTo(of(true).kwh / 3, 6)
  expect(of(false).lostKwh.unwired).toBeCloseTo(2 * lit.meanKwhM2 * 0.4, 3)
  expect(of(false).lostKwh.mismatch).toBeCloseTo(0, 6)
  expect(of(true).lostKwh.unwired).toBe(0)
})

test('the inverter clips, uses power at night, and stands still its share of the year', () => {
  const inverter = { acPowerW: 1000, efficiency: 0.96, nightW: 2 } as InverterType
  const strong = new Float64Array(sun.interval.length).fill(2000)
  const ac = acYear(strong, sun, inverter, 0.01, true)
  const nights = 8760 - sun.interval.length
  expect(ac.kwh).toBeCloseTo(((1000 * sun.interval.length - 2 * nights) / 1000) * 0.99, 6)
  expect(ac.clippedKwh).toBeGreaterThan(0.8 * sun.interval.length)
  expect(ac.kwhByInterval.reduce((s, kwh) => s + kwh, 0)).toBeCloseTo(ac.kwh, 6)
  expect(acYear(strong, sun, inverter, 0.01, false).kwh).toBe(0)
})
