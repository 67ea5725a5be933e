import { inverterAc, type InverterCurve } from '../energy/inverter-curve'
import { type HeatLoss } from '../energy/cell-temperature'
import { type ModulePower } from '../energy/module-power'
import { type Losses } from '../model/kinds/losses'
import { type SunHours } from '../sun/sun-hours'
import { type WeatherYear } from '../weather/weather-year'
import { type LitString } from './dc'
import { type PanelLight } from './panel-light'
import { type PlaneLight } from './plane-light'

/** A module with nothing in its light: what passes the glass lights all of it. */
export function openPanel(light: PlaneLight, stepMinutes: number): PanelLight {
  const mean = new Float32Array(light.direct.length)
  let sum = 0
  for (let k = 0; k < mean.length; k++) {
    const value = Math.max(
      0,
      (light.direct[k] as number) +
        (light.dome[k] as number) +
        (light.horizon[k] as number) +
        (light.ground[k] as number),
    )
    mean[k] = value
    sum += value
  }
  const kwhM2 = (sum * stepMinutes) / 60_000
  return {
    mean,
    strips: mean,
    stripCount: 1,
    unshadedKwhM2: kwhM2,
    meanKwhM2: kwhM2,
    beamLostKwhM2: 0,
    skyLostKwhM2: 0,
    lostTo: {},
  }
}

/** All modules of an unshaded array as one string: they are alike. */
export const openString = (
  light: PlaneLight,
  stepMinutes: number,
  heat: HeatLoss,
  snowLost: Float32Array | null,
): LitString => ({
  panels: [openPanel(light, stepMinutes)],
  conditions: { light, heat, snowLost },
  connected: true,
})

export interface OpenPlane {
  readonly light: PlaneLight
  readonly weather: WeatherYear
  readonly sun: SunHours
  readonly power: ModulePower
  readonly heat: HeatLoss
  readonly losses: Losses
  readonly inverter: InverterCurve
}

/** Room for every interval's light and temperature, used again by each plane. */
interface Room {
  readonly light: Float64Array
  readonly cell: Float64Array
}

/**
 * AC energy of a kilowatt of modules on an open plane, year's sum in kWh: the chain of `dcYear` and `acYear` without its
 * bookkeeping, for tables of many planes.
 */
export function openKwhPerKw(plane: OpenPlane, room: Room): number {
  const { light, weather, sun, power, heat, losses, inverter } = plane
  const entries = sun.interval.length
  const factor =
    (1 - losses.lightInduced) *
    (1 - losses.nameplate) *
    (1 - losses.wiring) *
    (1 - losses.connections) *
    losses.other.reduce((left, { share }) => left * (1 - share), 1)
  for (let k = 0; k < entries; k++) {
    const i = sun.interval[k] as number
    const incident = (light.beam[k] as number) + (light.sky[k] as number) + (light.groundward[k] as number)
    room.light[k] = Math.max(
      0,
      (light.direct[k] as number) +
        (light.dome[k] as number) +
        (light.horizon[k] as number) +
        (light.ground[k] as number),
    )
    room.cell[k] =
      (weather.temperatureC[i] as number) + incident / (heat.u0 + heat.u1 * (weather.windMs[i] as number))
  }
  let sum = -inverter.nightW * (sun.intervals - entries)
  for (let k = 0; k < entries; k++) {
    const month = sun.month[k] as number
    const clean = 1 - (losses.soiling[month] ?? 0)
    const bare = 1 - (losses.snow[month] ?? 0)
    const effective = (room.light[k] as number) * clean
    const dcW = effective * bare * power.efficiency(effective, room.cell[k] as number) * factor
    sum += inverterAc(dcW, inverter).acW
  }
  return (sum * (1 - losses.availability) * sun.stepMinutes) / 60_000
}

export const roomFor = (sun: SunHours): Room => ({
  light: new Float64Array(sun.interval.length),
  cell: new Float64Array(sun.interval.length),
})
