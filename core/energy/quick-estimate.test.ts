import { type Fault } from '../model/fault'
import { usualLosses } from '../kinds/losses/first-year'
import { mountHeat } from '../energy/cell-temperature'
import { linearPower } from '../energy/module-power'
import { clearSky } from '../sun/clear-sky'
import { extraterrestrialWm2 } from '../sun/perez'
import { sunHours } from '../sun/sun-hours'
import { normalOf } from '../sun/tracker'
import { skyYear } from '../weather/sky-year'
import { type WeatherYear } from '../weather/weather-year'
import { acYear } from './ac'
import { dcYear } from './dc'
import { openString } from './open-chain'
import { planeLight } from './plane-light'
import { estimateAzimuths, estimateTilts, modulesForBill, quickEstimate } from './quick-estimate'

/** A year without a cloud. */
function clearYear(latitudeDeg: number): { weather: WeatherYear; sun: ReturnType<typeof sunHours> } {
  const place = { latitudeDeg, longitudeDeg: 0, elevationM: 0 }
  const sun = sunHours(place, 0, 60)
  const series = () => new Float64Array(8760)
  const [ghi, dni, dhi] = [series(), series(), series()]
  sun.interval.forEach((i, k) => {
    const zenith = sun.zenithDeg[k] ?? 90
    const clear = clearSky(zenith, 0, 3, extraterrestrialWm2(Math.floor(i / 24) + 1))
    const up = sun.upShare[k] ?? 1
    ghi[i] = clear.ghi * up
    dni[i] = clear.dni * up
    dhi[i] = Math.max(0, (clear.ghi - clear.dni * Math.cos((zenith * Math.PI) / 180)) * up)
  })
  const weather = {
    ...place,
    name: 'Clear',
    timeZoneHours: 0,
    stepMinutes: 60,
    ghi,
    dni,
    dhi,
    temperatureC: series().fill(15),
    windMs: series().fill(2),
    albedo: null,
    snowDepthM: null,
  }
  return { weather, sun }
}

const common = {
  albedoByMonth: new Array<number>(12).fill(0.2),
  skyModel: 'perez' as const,
  snowRows: 2,
  losses: usualLosses,
  power: linearPower(-0.0035),
  heat: mountHeat.close,
  inverter: { acPowerW: 1000, efficiency: 0.96, nightW: 0.2 },
}

test.each([
  [42, 180],
  [-35, 0],
])('at latitude %f the best plane faces the equator at a tilt near the latitude', (latitude, azimuth) => {
  const { best, kwhPerKw } = quickEstimate({ ...common, ...clearYear(latitude) })
  expect(Math.abs(best.tiltDeg - Math.abs(latitude))).toBeLessThan(12)
  const off = Math.abs(((best.azimuthDeg - azimuth + 180 + 360) % 360) - 180)
  expect(off).toBeLessThan(8)
  expect(kwhPerKw).toHaveLength(estimateTilts.length)
  expect(kwhPerKw.every((row) => row.length === estimateAzimuths.length)).toBe(true)
  expect(best.kwhPerKw).toBeGreaterThanOrEqual(Math.max(...kwhPerKw.flat()))
  // Level is level, whichever way it faces.
  expect(new Set(kwhPerKw[0]).size).toBe(1)
})

test('each cell is what the whole chain gives for that plane', () => {
  const { weather, sun } = clearYear(42)
  const estimate = quickEstimate({ ...common, weather, sun })
  for (const [t, a] of [
    [3, 6],
    [9, 0],
    [1, 9],
  ] as const) {
    const normal = normalOf(estimateTilts[t], estimateAzimuths[a])
    const light = planeLight(skyYear(weather, sun, 'perez'), normal, common)
    const dc = dcYear([openString(light, 60, common.heat, null)], {
      powerW: 1000,
      withVolts: false,
      power: common.power,
      losses: common.losses,
      weather,
      sun,
    })
    const ac = acYear([dc], sun, common.inverter, common.losses.availability, true)
    expect(Math.abs((estimate.kwhPerKw[t]?.[a] ?? 0) / ac.kwh - 1)).toBeLessThan(1e-6)
  }
})

test('snow that the weather knows counts by tilt, in the place of the entered one', () => {
  const { weather, sun } = clearYear(42)
  // Every tenth day of January a fall; it lies all month.
  const snowDepthM = new Float64Array(8760).map((_, i) => (i < 744 ? 0.05 + 0.02 * Math.floor(i / 240) : 0))
  const cold = {
    ...weather,
    temperatureC: weather.temperatureC.map((_, i) => (i < 744 ? -1 : 15)),
    snowDepthM,
  }
  const bare = { ...cold, snowDepthM: null }
  const of = (year: WeatherYear, losses = usualLosses) =>
    quickEstimate({ ...common, weather: year, sun, losses })
  const entered = { ...usualLosses, snow: new Array<number>(12).fill(0.5) }
  expect(of(cold, entered)).toEqual(of(cold))
  expect(of(bare, entered).best.kwhPerKw).toBeLessThan(of(bare).best.kwhPerKw * 0.6)
  // Level modules keep it, steep ones lose it: the share lost falls with the tilt.
  const lost = (tilt: number) => {
    const [with_, without] = [cold, { ...bare }].map((year) => of(year).kwhPerKw[tilt]?.[6] ?? 0)
    return 1 - (with_ ?? 0) / (without ?? 1)
  }
  expect(lost(0)).toBeGreaterThan(lost(6))
})

test('modules for a bill by hand: 180 a month at 0.30 is 7,200 kWh; 80 % of it at 1,200 kWh/kW', () => {
  const size = modulesForBill({
    billPerMonth: 180,
    pricePerKwh: 0.3,
    offset: 0.8,
    kwhPerKw: 1200,
    modulePowerW: 400,
  })
  // 5,760 / (1,200 x 0.4) = 12 exactly.
  expect(size).toEqual({ annualKwh: 7200, wantedKwh: 5760, modules: 12, kilowatts: 4.8 })
})

test.each([
  [{ pricePerKwh: 0 }, 'pricePerKwh'],
  [{ billPerMonth: -1 }, 'billPerMonth'],
  [{ offset: 3 }, 'offset'],
  [{ kwhPerKw: 0 }, 'kwhPerKw'],
] as const)('a bill that says nothing is refused: %j', (wrong, path) => {
  const good = { billPerMonth: 100, pricePerKwh: 0.3, offset: 1, kwhPerKw: 1000, modulePowerW: 400 }
  expect(() => modulesForBill({ ...good, ...wrong })).toThrow(
    expect.objectContaining({ code: 'bad-bill', path }) as Fault,
  )
})
