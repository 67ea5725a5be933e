import { Fault } from '../model/fault'
import { type SettledLosses } from '../kinds/losses/first-year'
import { type HeatLoss } from './cell-temperature'
import { type InverterCurve } from './inverter-curve'
import { type ModulePower } from './module-power'
import { type SunHours } from '../sun/sun-hours'
import { normalOf } from '../sun/tracker'
import { skyYear, type SkyModel } from '../weather/sky-year'
import { type WeatherYear } from '../weather/weather-year'
import { acYear } from './ac'
import { dcYear } from './dc'
import { openString } from './open-chain'
import { planeLight } from './plane-light'
import { snowOnPlane } from './snow-on-plane'

/** Tilts from level to upright and directions all round, as the table has them. */
export const estimateTilts = [0, 10, 20, 30, 40, 50, 60, 70, 80, 90] as const
export const estimateAzimuths = [0, 30, 60, 90, 120, 150, 180, 210, 240, 270, 300, 330] as const

/** What a kilowatt of modules in the open gives a year, kWh, by plane. */
export interface QuickEstimate {
  /** [tilt][azimuth] in the order of `estimateTilts` and `estimateAzimuths`. */
  readonly kwhPerKw: readonly (readonly number[])[]
  readonly best: { readonly tiltDeg: number; readonly azimuthDeg: number; readonly kwhPerKw: number }
}

export interface EstimateRequest {
  readonly weather: WeatherYear
  readonly sun: SunHours
  readonly albedoByMonth: readonly number[]
  readonly skyModel: SkyModel
  readonly losses: SettledLosses
  readonly power: ModulePower
  readonly heat: HeatLoss
  /** For a kilowatt of modules. */
  readonly inverter: InverterCurve
  /** Groups of a module's cells above each other along the slope, for snow. */
  readonly snowRows: number
}

/**
 * The designer's first answer, before anything is drawn: the whole chain for 120 planes without shade, and the best
 * plane to the degree.
 */
export function quickEstimate(request: EstimateRequest): QuickEstimate {
  const { weather, sun, losses, power, heat, inverter } = request
  const sky = skyYear(weather, sun, request.skyModel)
  const of = (tiltDeg: number, azimuthDeg: number) => {
    const light = planeLight(sky, normalOf(tiltDeg, azimuthDeg), request)
    const snowLost = snowOnPlane(light, weather, sun, tiltDeg, request.snowRows)
    const string = openString(light, sun.stepMinutes, heat, snowLost)
    const dc = dcYear([string], { powerW: 1000, power, losses, weather, sun, withVolts: false })
    return acYear([dc], sun, inverter, losses.availability, true).kwh
  }
  const kwhPerKw = estimateTilts.map((tilt) => {
    // A level plane faces nowhere: once is enough.
    const level = tilt === 0 ? of(0, 0) : 0
    return estimateAzimuths.map((azimuth) => (tilt === 0 ? level : of(tilt, azimuth)))
  })
  let best = { tiltDeg: 0, azimuthDeg: 180, kwhPerKw: 0 }
  const look = (tiltDeg: number, azimuthDeg: number, value: number) => {
    if (value > best.kwhPerKw) best = { tiltDeg, azimuthDeg: (azimuthDeg + 360) % 360, kwhPerKw: value }
  }
  kwhPerKw.forEach((row, t) =>
    row.forEach((value, a) => look(estimateTilts[t] ?? 0, estimateAzimuths[a] ?? 0, value)),
  )
  // Downhill from the table's best in halving steps; the surface is smooth with one top.
  for (const step of [8, 4, 2, 1]) {
    const { tiltDeg, azimuthDeg } = best
    for (const [dt, da] of [
      [step, 0],
      [-step, 0],
      [0, step],
      [0, -step],
    ] as const)
      if (tiltDeg + dt >= 0 && tiltDeg + dt <= 90)
        look(tiltDeg + dt, azimuthDeg + da, of(tiltDeg + dt, azimuthDeg + da))
  }
  return { kwhPerKw, best }
}

export interface BillSize {
  readonly annualKwh: number
  readonly wantedKwh: number
  readonly modules: number
  readonly kilowatts: number
}

/**
 * How many modules a bill asks for: what it says of the consumption, the share of it to be made, and a module's yield.
 * @throws Fault `bad-bill`
 */
export function modulesForBill(request: {
  readonly billPerMonth: number
  readonly pricePerKwh: number
  /** Share of the year's consumption to be made, 0..2. */
  readonly offset: number
  readonly kwhPerKw: number
  readonly modulePowerW: number
}): BillSize {
  const { billPerMonth, pricePerKwh, offset, kwhPerKw, modulePowerW } = request
  if (!(pricePerKwh > 0)) throw new Fault('bad-bill', { reason: 'price' }, 'pricePerKwh')
  if (!(billPerMonth >= 0)) throw new Fault('bad-bill', { reason: 'bill' }, 'billPerMonth')
  if (!(offset >= 0 && offset <= 2)) throw new Fault('bad-bill', { reason: 'offset' }, 'offset')
  if (!(kwhPerKw > 0 && modulePowerW > 0)) throw new Fault('bad-bill', { reason: 'plane' }, 'kwhPerKw')
  const annualKwh = (12 * billPerMonth) / pricePerKwh
  const wantedKwh = annualKwh * offset
  const modules = Math.ceil(wantedKwh / (kwhPerKw * (modulePowerW / 1000)) - 1e-9)
  return { annualKwh, wantedKwh, modules, kilowatts: (modules * modulePowerW) / 1000 }
}
