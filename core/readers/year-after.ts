import { inHours, yearsOf } from '../after/hours'
import { type Made } from '../after/made'
import { afterReport, type AfterReport } from '../after/report'
import { type Graph } from '../graph/graph'
import { type Keyed } from '../graph/keyed'
import { type Patience } from '../graph/run'
import { stringShareStage } from '../stages/dc'
import { dispatchStage } from '../stages/dispatch'
import { stringsStage } from '../stages/strings'
import { moduleIn, siteIn, type World } from '../stages/world'
import { yieldStage } from '../stages/yield'
import { type WeatherYear } from '../weather/weather-year'

/** Promised against made, and the year that was promised. */
export interface YearAfter extends AfterReport {
  /** What new modules yield in a typical year, with what may not go out, kWh. */
  readonly yieldKwh: number
}

/** The calendar years that what was made lies in. */
export const yearsOfMade = ({ spans }: Made): number[] => yearsOf(spans)

/**
 * What a world's option promises against what was made: the typical year, and the years as their weather was, each run
 * through the whole model.
 * @param asWeather the weather of single years; those that nobody has are left out
 * @param sinceHour when it began to run, hours since 1970; null for the first hour measured
 * @throws Overtaken when the patience is at its end, and the faults of the run
 */
export async function yearAfter(
  graph: Graph<World>,
  world: World,
  made: Made,
  asWeather: ReadonlyMap<number, Keyed<WeatherYear>>,
  sinceHour: number | null,
  patience: Patience,
): Promise<YearAfter> {
  const hoursIn = async (one: World) => {
    const run = graph.open(one)
    await run.prepare([yieldStage, dispatchStage, stringShareStage], patience)
    const { kwhByInterval, kwh: yieldKwh } = run.value(yieldStage)
    // What may not go out is not made: the inverter holds itself back.
    const { curtailed } = run.value(dispatchStage)
    const left = kwhByInterval.map((kwh, i) => kwh - (curtailed[i] ?? 0))
    return { run, yieldKwh, kwh: inHours(left, one.weather.value.stepMinutes) }
  }
  const typical = await hoursIn(world)
  const shares = typical.run.value(stringShareStage)
  const years = new Map<number, Float64Array>()
  for (const [year, weather] of asWeather) {
    // Hours are those of the typical year: another standard time would shift them.
    if (weather.value.timeZoneHours === world.weather.value.timeZoneHours)
      years.set(year, (await hoursIn({ ...world, weather })).kwh)
  }
  const report = afterReport(made, {
    typical: typical.kwh,
    asWeather: years,
    degradation: moduleIn(world).degradation,
    sinceHour,
    strings: typical.run.value(stringsStage).strings.map(({ id }, i) => ({ id, share: shares[i] ?? 0 })),
    noonHour: 12 + world.weather.value.timeZoneHours - siteIn(world).longitudeDeg / 15,
  })
  return { ...report, yieldKwh: typical.yieldKwh }
}
