import { type FaultDetail } from '../model/fault'
import { toRadians } from '../model/units'
import { sunPosition } from '../sun/position'
import { yearStartMs, type WeatherYear } from './weather-year'

/** What looks wrong in a year of weather. Each problem once, with its first interval. */
export function weatherProblems(year: WeatherYear): (FaultDetail & { readonly interval: number })[] {
  const found = new Map<string, FaultDetail & { interval: number }>()
  const say = (code: string, message: string, interval: number) => {
    if (!found.has(code)) found.set(code, { code, message, path: `interval ${interval}`, interval })
  }
  const start = yearStartMs(year.timeZoneHours)
  for (let i = 0; i < year.ghi.length; i++) {
    const ghi = year.ghi[i] ?? 0
    const dni = year.dni[i] ?? 0
    const dhi = year.dhi[i] ?? 0
    if (ghi < 0 || dni < 0 || dhi < 0) say('negative', `Irradiance below zero in interval ${i}.`, i)
    if (ghi > 1600 || dni > 1500)
      say('units', `More than the sun can give in interval ${i}: are the units W/m²?`, i)
    if (ghi < 20 && dni < 20) continue
    const middle = start + (i + 0.5) * year.stepMinutes * 60_000
    const sun = sunPosition(middle, { latitudeDeg: year.latitudeDeg, longitudeDeg: year.longitudeDeg })
    if (sun.elevationDeg < -8)
      say('night-sun', `Sun in the middle of the night in interval ${i}: is the clock shifted?`, i)
    const closure = dni * Math.max(0, Math.cos(toRadians(sun.zenithDeg))) + dhi
    // Low suns change too much within an hour for its middle to stand for it.
    if (sun.elevationDeg > 10 && Math.abs(closure - ghi) > 50 + 0.1 * ghi)
      say(
        'closure',
        `Global is ${ghi.toFixed(0)} but beam and diffuse make ${closure.toFixed(0)} W/m² in interval ${i}.`,
        i,
      )
  }
  return [...found.values()]
}
