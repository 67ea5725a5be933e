import { isSunTime, monthsIn, type SunSpan, type SunTime } from '../energy/sun-span'
import { dot3, newell, unit3, type Vec3 } from '../geometry/vector'
import { type Run } from '../graph/run'
import { shareOfYear } from '../model/model-year'
import { grazing } from '../shade/sky-patches'
import { panelLightStage } from '../stages/panel-light'
import { planeLightStage } from '../stages/plane-light'
import { siteStage } from '../stages/site'
import { sunStage } from '../stages/sun'
import { visibilityStage } from '../stages/visibility'
import { type World } from '../stages/world'

/** The light of a span on the modules, array after array: kWh/m² behind the glass, or hours of sun a day. */
export interface PanelSun {
  readonly values: Float32Array
  /** Of the sunniest in the open; 0 where none is laid. */
  readonly best: number
}

/** What comes to each module in a span. */
export const panelSun = (run: Run<World>, span: SunSpan): PanelSun =>
  isSunTime(span) ? panelHours(run, span) : panelKwh(run, span)

function panelKwh(run: Run<World>, span: 'year' | number): PanelSun {
  const { month, stepMinutes } = run.value(sunStage)
  const kwhOf = (at: (entry: number) => number) => {
    let sum = 0
    for (let k = 0; k < month.length; k++) if (span === 'year' || month[k] === span) sum += at(k)
    return (sum * stepMinutes) / 60_000
  }
  const lights = run.value(panelLightStage)
  const laid = run.value(siteStage).faces.map(({ panels }) => panels.length > 0)
  const open = run
    .value(planeLightStage)
    .map(({ value: { direct, dome, horizon, ground } }, a) =>
      laid[a]
        ? kwhOf(
            (k) =>
              (direct[k] as number) + (dome[k] as number) + (horizon[k] as number) + (ground[k] as number),
          )
        : 0,
    )
  return {
    values: Float32Array.from(lights, ({ value: { mean } }) => kwhOf((k) => mean[k] as number)),
    best: Math.max(0, ...open),
  }
}

/** Hours of sun a day on each module, in the mean over its points; leaves take what they take of the beam. */
function panelHours(run: Run<World>, time: SunTime): PanelSun {
  const { month, direction, upShare, stepMinutes, intervals } = run.value(sunStage)
  const months = monthsIn(time)
  const days = ((intervals * stepMinutes) / 1440) * shareOfYear(months)
  /** @param normal of the modules; null where they turn with the sun, which is before them all day */
  const hoursOf = (normal: Vec3 | null, lit: (entry: number) => number) => {
    let sum = 0
    for (let k = 0; k < month.length; k++) {
      if (!months.includes(month[k] as number)) continue
      const way: Vec3 = [
        direction[k * 3] as number,
        direction[k * 3 + 1] as number,
        direction[k * 3 + 2] as number,
      ]
      if (!normal || dot3(normal, way) >= grazing) sum += (upShare[k] as number) * lit(k)
    }
    return (sum * stepMinutes) / 60 / days
  }
  const shades = run.value(visibilityStage)
  let [at, best] = [0, 0]
  const values = run.value(siteStage).faces.flatMap(({ panels, tracker }) => {
    const [first] = panels
    if (!first) return []
    const normal = tracker ? null : unit3(newell(first.corners))
    best = Math.max(
      best,
      hoursOf(normal, () => 1),
    )
    return panels.map(() => {
      const shade = shades[at++]?.value
      const lit = new Map(
        shade ? [...shade.shaded].map((entry, i) => [entry, shade.litMean[i] as number]) : [],
      )
      return hoursOf(normal, (k) => lit.get(k) ?? 1)
    })
  })
  return { values: Float32Array.from(values), best }
}
