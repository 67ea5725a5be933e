import { type Vec3 } from '../geometry/vector'
import { toDegrees } from '../model/units'
import { type ReceiverShade } from '../shade/engine'
import { diffuseThrough } from '../sun/incidence-loss'
import { type SunHours } from '../sun/sun-hours'
import { skyYear } from '../weather/sky-year'
import { type WeatherYear } from '../weather/weather-year'
import { planeLight } from './plane-light'

/** Share of the unshaded irradiation on the surface that is left, in the year and in each month, before the glass. */
export function sunAccess(
  { normal, shade }: { readonly normal: Vec3; readonly shade: ReceiverShade },
  weather: WeatherYear,
  sun: SunHours,
  albedo: number,
): { readonly year: number; readonly monthly: readonly number[] } {
  const light = planeLight(skyYear(weather, sun, 'perez'), normal, {
    albedoByMonth: new Array<number>(12).fill(albedo),
  })
  const pass = diffuseThrough(toDegrees(Math.acos(Math.max(-1, Math.min(1, normal[2])))))
  const left = new Float64Array(12)
  const open = new Float64Array(12)
  let at = 0
  for (let k = 0; k < sun.interval.length; k++) {
    const month = sun.month[k] as number
    const dome = (light.dome[k] as number) / pass.sky
    const band = (light.horizon[k] as number) / pass.sky
    const ground = light.groundReflected[k] as number
    const direct = (light.beam[k] as number) + (light.sky[k] as number) - dome - band
    const isShaded = shade.shaded[at] === k
    const lit = isShaded ? (shade.litMean[at] as number) : 1
    if (isShaded) at++
    open[month] = (open[month] as number) + direct + dome + band + ground
    left[month] =
      (left[month] as number) + direct * lit + dome * shade.domeSeen + band * shade.horizonSeen + ground
  }
  const sum = (values: Float64Array) => values.reduce((a, b) => a + b, 0)
  const share = (part: number, whole: number) => (whole > 0 ? part / whole : 1)
  return {
    year: share(sum(left), sum(open)),
    monthly: Array.from(left, (value, month) => share(value, open[month] as number)),
  }
}
