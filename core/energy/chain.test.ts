import { monthsOf } from '../model/model-year'
import { seededRandom } from '../model/random'
import { usualLosses } from '../kinds/losses/first-year'
import { exampleSheet } from './example-sheet'
import { fitDiode } from '../energy/fit-diode'
import { type ModuleType } from '../electrical/catalogue'
import { mountHeat, type HeatLoss } from '../energy/cell-temperature'
import { diodePower, linearPower } from '../energy/module-power'
import { hayDaviesSky } from '../sun/hay-davies'
import { extraterrestrialWm2, perezSky } from '../sun/perez'
import { sunHours } from '../sun/sun-hours'
import { normalOf, trackedNormals } from '../sun/tracker'
import { type ReceiverShade } from '../shade/engine'
import { skyYear } from '../weather/sky-year'
import { type WeatherYear } from '../weather/weather-year'
import { acYear } from './ac'
import { dcYear } from './dc'
import { type LitString } from './string-year'
import { lossChain, lossNames } from './loss-chain'
import { panelLight, type PanelLight } from './panel-light'
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
  albedo: null,
  snowDepthM: null,
}
const module = { powerW: 400, powerPerK: -0.004, strips: 3, halves: 2 } as ModuleType
const groups = { strips: 3, halves: 2 } as const
const open = (): ReceiverShade => ({
  groups: 6,
  shaded: new Int32Array(0),
  litWorst: new Float32Array(0),
  litMean: new Float32Array(0),
  domeSeen: 1,
  horizonSeen: 1,
  takenBy: [],
})
const ground = { albedoByMonth: new Array<number>(12).fill(0.2) }
const noLosses = {
  ...usualLosses,
  soiling: new Array<number>(12).fill(0),
  lightInduced: 0,
  nameplate: 0,
  wiring: 0,
  connections: 0,
  availability: 0,
}

const flat = planeLight(skyYear(weather, sun, 'hay-davies'), [0, 0, 1], ground)
const inTheOpen = panelLight(flat, open(), groups, 60)
const stringOf = (panels: PanelLight[], connected = true, heat = mountHeat.open): LitString => ({
  panels,
  connected,
  conditions: { light: flat, heat, snowLost: null },
})
const run = (strings: LitString[], changed: Partial<Parameters<typeof dcYear>[1]> = {}) =>
  dcYear(strings, {
    powerW: module.powerW,
    withVolts: false,
    power: linearPower(module.powerPerK),
    losses: noLosses,
    weather,
    sun,
    ...changed,
  })
const kwhOf = (watts: Float64Array) => watts.reduce((sum, w) => sum + w, 0) / 1000

test('on the horizontal under an even sky: 300 W/m² for every hour of sun', () => {
  const light = planeLight(skyYear(weather, sun, 'hay-davies'), [0, 0, 1], ground)
  expect(light.parts.sky).toBeCloseTo((300 * sun.interval.length) / 1000, 6)
  expect(light.parts.beam).toBe(0)
  expect(light.parts.ground).toBeCloseTo(0, 9)
})

test('a plane turned half up sees half the sky and half the ground', () => {
  const light = planeLight(skyYear(weather, sun, 'hay-davies'), [0, -1, 0], ground)
  expect(light.parts.sky).toBeCloseTo((150 * sun.interval.length) / 1000, 6)
  expect(light.parts.ground).toBeCloseTo((300 * 0.2 * 0.5 * sun.interval.length) / 1000, 6)
})

test('module and losses by hand: heat first, then each share of what is left', () => {
  const incident = 300
  const through = inTheOpen.mean[0] ?? 0
  const cell = 25 + incident / (mountHeat.open.u0 + mountHeat.open.u1)
  const hot = ((400 * through) / 1000) * (1 - 0.004 * (cell - 25))
  const other = [{ name: 'Fence', share: 0.1 }]
  const dc = run([stringOf([inTheOpen])], {
    losses: { ...noLosses, wiring: 0.02, nameplate: 0.01, other },
  })
  expect(dc.powerW[0]).toBeCloseTo(hot * 0.98 * 0.99 * 0.9, 4)
  expect(dc.lostW.nameplate[0]).toBeCloseTo(hot * 0.01, 5)
  expect(dc.lostW.other[0]).toBeCloseTo(hot * 0.99 * 0.98 * 0.1, 5)
  expect(kwhOf(dc.lostW.mismatch)).toBeCloseTo(0, 6)
})

test('a close roof is hotter and makes less', () => {
  const of = (heat: HeatLoss) => kwhOf(run([stringOf([inTheOpen], true, heat)]).powerW)
  expect(of(mountHeat.close)).toBeLessThan(of(mountHeat.raised))
  expect(of(mountHeat.raised)).toBeLessThan(of(mountHeat.open))
})

test('dirt and snow by month, and snow that was computed in the place of the entered', () => {
  const soiling = Array.from({ length: 12 }, (_, m) => (m === 6 ? 0.5 : 0))
  const july = sun.month.indexOf(6)
  const may = sun.month.indexOf(4)
  const cold = { power: linearPower(0) }
  const clean = run([stringOf([inTheOpen])], cold)
  const dirty = run([stringOf([inTheOpen])], { ...cold, losses: { ...noLosses, soiling } })
  expect(dirty.powerW[july]).toBeCloseTo((clean.powerW[july] ?? 0) / 2, 9)
  expect(dirty.powerW[may]).toBe(clean.powerW[may])
  const snowLost = new Float32Array(8760).fill(0.25)
  const string = { ...stringOf([inTheOpen]), conditions: { light: flat, heat: mountHeat.open, snowLost } }
  const entered = { ...noLosses, snow: new Array<number>(12).fill(0.9) }
  expect(run([string], { ...cold, losses: entered }).powerW[may]).toBeCloseTo(
    0.75 * (clean.powerW[may] ?? 0),
    6,
  )
})

test('one dark strip of three: the diode takes it out when the beam is strong', () => {
  const bright = { ...weather, dni: even(900), dhi: even(60), ghi: even(600) }
  const light = planeLight(skyYear(bright, sun, 'hay-davies'), [0, 0, 1], ground)
  const shade: ReceiverShade = {
    ...open(),
    shaded: Int32Array.from(sun.interval.keys()),
    litWorst: new Float32Array(sun.interval.length * 6).map((_, i) => (i % 6 < 2 ? 0 : 1)),
    litMean: new Float32Array(sun.interval.length).fill(2 / 3),
  }
  const lit = panelLight(light, shade, groups, 60)
  const noon = sun.zenithDeg.indexOf(Math.min(...sun.zenithDeg))
  const full = (light.direct[noon] ?? 0) + (light.dome[noon] ?? 0) + (light.horizon[noon] ?? 0)
  // One strip sees nothing of the beam; two thirds of the light at two strips of three.
  const strips = [...lit.strips.slice(noon * 3, noon * 3 + 3)]
  expect(strips[0]).toBeLessThan(full / 4)
  expect(strips[1]).toBeCloseTo(full, 2)
  const alone = run([{ ...stringOf([lit]), conditions: { light, heat: mountHeat.open, snowLost: null } }], {
    power: linearPower(0),
  })
  expect(alone.powerW[noon]).toBeCloseTo(0.4 * (2 / 3) * full, 2)
  // In a string of ten the other modules go on: one strip of thirty is passed by.
  const ten = [lit, ...Array.from({ length: 9 }, () => panelLight(light, open(), groups, 60))]
  const conditions = { light, heat: mountHeat.open, snowLost: null }
  const long = run([{ panels: ten, connected: true, conditions }], { power: linearPower(0) })
  expect(long.powerW[noon]).toBeCloseTo(0.4 * 10 * (29 / 30) * full, 1)
})

test('in a string the darkest module sets the current or is passed by', () => {
  const scaled = (share: number) => ({
    ...inTheOpen,
    strips: inTheOpen.strips.map((w) => w * share),
    mean: inTheOpen.mean.map((w) => w * share),
  })
  const four = (other: PanelLight) =>
    kwhOf(run([stringOf([inTheOpen, inTheOpen, inTheOpen, other])], { power: linearPower(0) }).powerW)
  const whole = four(inTheOpen)
  expect(four(scaled(0.95)) / whole).toBeCloseTo(0.95, 4)
  expect(four(scaled(0.1)) / whole).toBeCloseTo(0.75, 4)
})

test('a string without an input yields nothing, and its light is lost under its own name', () => {
  const of = (connected: boolean) => run([stringOf([inTheOpen]), stringOf([inTheOpen, inTheOpen], connected)])
  expect(kwhOf(of(false).powerW)).toBeCloseTo(kwhOf(of(true).powerW) / 3, 6)
  expect(kwhOf(of(false).lostW.unwired)).toBeCloseTo(2 * inTheOpen.meanKwhM2 * 0.4, 3)
  expect(kwhOf(of(false).lostW.mismatch)).toBeCloseTo(0, 6)
  expect(kwhOf(of(true).lostW.unwired)).toBe(0)
})

test('the inverter clips, uses power at night, and stands still its share of the year', () => {
  const inverter = { acPowerW: 1000, efficiency: 0.96, nightW: 2 }
  const powerW = new Float64Array(sun.interval.length).fill(2000)
  const strong = { powerW, voltsV: powerW }
  const ac = acYear([strong], sun, inverter, 0.01, true)
  const nights = 8760 - sun.interval.length
  expect(ac.kwh).toBeCloseTo(((1000 * sun.interval.length - 2 * nights) / 1000) * 0.99, 6)
  expect(ac.ownDrawKwh).toBeCloseTo((2 * nights) / 1000, 9)
  expect(ac.clippedKwh).toBeGreaterThan(0.8 * sun.interval.length)
  expect(ac.kwhByInterval.reduce((s, kwh) => s + kwh, 0)).toBeCloseTo(ac.kwh, 6)
  expect(acYear([strong], sun, inverter, 0.01, false).kwh).toBe(0)
})

test.each([60, 15])('at steps of %i minutes every interval closes, and months are their hours', (step) => {
  const seed = 20_261_123 + step
  const random = seededRandom(seed)
  const n = (365 * 1440) / step
  const upTo = (most: number) => Float64Array.from({ length: n }, () => random() * most)
  const wild: WeatherYear = {
    ...weather,
    stepMinutes: step,
    ghi: upTo(900),
    dni: upTo(900),
    dhi: upTo(400),
    temperatureC: upTo(40).map((c) => c - 10),
    windMs: upTo(12),
    snowDepthM: upTo(0.1),
  }
  const track = sunHours(place, -5, step)
  const light = planeLight(skyYear(wild, track, 'perez'), [0.3, -0.4, Math.sqrt(0.75)], ground)
  const shadeOf = (): ReceiverShade => ({
    ...open(),
    shaded: Int32Array.from(track.interval.keys()),
    litWorst: new Float32Array(track.interval.length * 6).map(() => random()),
    litMean: new Float32Array(track.interval.length).map(() => random()),
    domeSeen: 0.9,
    horizonSeen: 0.7,
  })
  const panels = Array.from({ length: 3 }, () => panelLight(light, shadeOf(), groups, step))
  const snowLost = new Float32Array(n).map(() => random())
  const conditions = { light, heat: mountHeat.close, snowLost }
  const dc = dcYear(
    [
      { panels, conditions, connected: true },
      { panels: panels.slice(1), conditions: { ...conditions, snowLost: null }, connected: false },
    ],
    {
      powerW: module.powerW,
      withVolts: false,
      power: diodePower(fitDiode(exampleSheet), 3),
      losses: { ...usualLosses, other: [{ name: 'Glare', share: 0.03 }] },
      weather: wild,
      sun: track,
    },
  )
  const inverter = { acPowerW: 500, efficiency: 0.96, nightW: 3 }
  const ac = acYear([dc], track, inverter, 0.02, true)
  const kwh = step / 60_000
  const sunKwh = new Float64Array(n)
  const lost = new Float64Array(n)
  track.interval.forEach((i, k) => {
    const incident = (light.beam[k] ?? 0) + (light.sky[k] ?? 0) + (light.groundReflected[k] ?? 0)
    sunKwh[i] = incident * 0.4 * 5 * kwh
    for (const series of Object.values(dc.lostW)) lost[i] = (lost[i] ?? 0) + (series[k] ?? 0) * kwh
  })
  let worst = 0
  for (let i = 0; i < n; i++) {
    for (const series of Object.values(ac.lostKwh)) lost[i] = (lost[i] ?? 0) + (series[i] ?? 0)
    const open = (sunKwh[i] ?? 0) - (lost[i] ?? 0) - (ac.kwhByInterval[i] ?? 0)
    worst = Math.max(worst, Math.abs(open) / Math.max(sunKwh[i] ?? 0, inverter.nightW * kwh))
  }
  expect({ seed, closes: worst < 1e-9 }).toEqual({ seed, closes: true })

  const months = monthsOf(step)
  const chain = lossChain(dc, ac, track, months)
  const byHand = new Array<number>(12).fill(0)
  ac.kwhByInterval.forEach((value, i) => (byHand[months[i] ?? 0] = (byHand[months[i] ?? 0] ?? 0) + value))
  expect(chain.ac.monthly).toEqual(byHand)
  const rest = lossNames.reduce((left, name) => left - chain.lost[name].kwh, chain.sun.kwh)
  expect(Math.abs(rest - chain.ac.kwh) / chain.sun.kwh).toBeLessThan(1e-12)
})

test('light on a plane is that of the sky models, entry by entry', () => {
  const random = seededRandom(77)
  const upTo = (most: number) => Float64Array.from({ length: 8760 }, () => random() * most)
  const wild = { ...weather, ghi: upTo(900), dni: upTo(900), dhi: upTo(400) }
  const [tilt, azimuth] = [37, 141]
  const normal = normalOf(tilt, azimuth)
  for (const [model, reference] of [
    ['perez', perezSky],
    ['hay-davies', hayDaviesSky],
  ] as const) {
    const light = planeLight(skyYear(wild, sun, model), normal, ground)
    for (let k = 0; k < sun.interval.length; k += 53) {
      const i = sun.interval[k] ?? 0
      const d = sun.direction.slice(k * 3, k * 3 + 3)
      const cosine = Math.max(0, normal[0] * (d[0] ?? 0) + normal[1] * (d[1] ?? 0) + normal[2] * (d[2] ?? 0))
      const up = sun.upShare[k] ?? 1
      const extra = extraterrestrialWm2(Math.floor(i / 24) + 1)
      const zenith = sun.zenithDeg[k] ?? 0
      const parts = reference((wild.dhi[i] ?? 0) / up, (wild.dni[i] ?? 0) / up, zenith, cosine, tilt, extra)
      expect(light.sky[k]).toBeCloseTo(up * (parts.circumsolar + parts.dome + parts.horizon), 6)
      expect(light.beam[k]).toBeCloseTo((wild.dni[i] ?? 0) * cosine, 9)
    }
  }
})

test('snow on the ground brightens it, the station’s own albedo goes before both', () => {
  const upright = (changed: Partial<WeatherYear>) =>
    planeLight(skyYear({ ...weather, ...changed }, sun, 'perez'), [0, -1, 0], ground).parts.ground
  const bare = upright({})
  expect(upright({ snowDepthM: even(0.1) }) / bare).toBeCloseTo(0.65 / 0.2, 9)
  expect(upright({ snowDepthM: even(0.01) })).toBeCloseTo(bare, 9)
  expect(upright({ snowDepthM: even(0.1), albedo: even(0.4) }) / bare).toBeCloseTo(2, 9)
  const july = { albedoByMonth: Array.from({ length: 12 }, (_, m) => (m === 6 ? 0.4 : 0.2)) }
  const more = planeLight(skyYear(weather, sun, 'perez'), [0, -1, 0], july).parts.ground - bare
  const hours = [...sun.month].filter((m) => m === 6).length
  expect(more).toBeCloseTo((300 * 0.2 * 0.5 * hours) / 1000, 6)
})

test('a plane that turns after the sun has more beam than any that stands', () => {
  const bright = { ...weather, dni: even(800), dhi: even(80), ghi: even(500) }
  const sky = skyYear(bright, sun, 'perez')
  const beamOf = (facing: Parameters<typeof planeLight>[1]) => planeLight(sky, facing, ground).parts.beam
  const turning = beamOf(trackedNormals({ kind: 'two-axis', limitDeg: 90 }, sun))
  // Always square to the sun: the beam itself.
  expect(turning).toBeCloseTo((800 * sun.interval.length) / 1000, 6)
  for (const [tilt, azimuth] of [
    [0, 0],
    [35, 180],
    [60, 220],
  ] as const)
    expect(beamOf(normalOf(tilt, azimuth))).toBeLessThan(turning)
})
