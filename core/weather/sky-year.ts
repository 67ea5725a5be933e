import { hayDaviesFactors, hayDaviesFloor } from '../sun/hay-davies'
import { extraterrestrialWm2, perezFactors, perezFloor } from '../sun/perez'
import { type SunHours } from '../sun/sun-hours'
import { toRadians } from '../model/units'
import { type WeatherYear } from './weather-year'

export type SkyModel = 'perez' | 'hay-davies'

/** A year's sky as every plane sees it: the part of the sky model that depends on weather and sun alone. */
export interface SkyYear {
  readonly weather: WeatherYear
  readonly sun: SunHours
  /** Shares of the diffuse from around the sun and along the horizon, one entry to each of `SunHours`. */
  readonly f1: Float64Array
  readonly f2: Float64Array
  /** Least cosine that the circumsolar part is divided by. */
  readonly floor: number
}

export function skyYear(weather: WeatherYear, sun: SunHours, model: SkyModel): SkyYear {
  const entries = sun.interval.length
  const f1 = new Float64Array(entries)
  const f2 = new Float64Array(entries)
  const factors = { f1: 0, f2: 0 }
  const perDay = 1440 / sun.stepMinutes
  let day = -1
  let extra = 0
  for (let k = 0; k < entries; k++) {
    const i = sun.interval[k] as number
    const today = Math.floor(i / perDay)
    if (today !== day) {
      day = today
      extra = extraterrestrialWm2(day + 1)
    }
    // In the intervals of sunrise and sunset the means stand for the share in which the sun was up.
    const up = sun.upShare[k] as number
    const dhi = (weather.dhi[i] as number) / up
    const dni = (weather.dni[i] as number) / up
    if (model === 'perez')
      perezFactors(dhi, dni, toRadians(sun.zenithDeg[k] as number), sun.airMass[k] as number, extra, factors)
    else hayDaviesFactors(dni, extra, factors)
    f1[k] = factors.f1
    f2[k] = factors.f2
  }
  return { weather, sun, f1, f2, floor: model === 'perez' ? perezFloor : hayDaviesFloor }
}
