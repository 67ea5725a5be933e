import { type SunSpan } from '../energy/sun-map'
import { type Run } from '../graph/run'
import { panelLightStage } from '../stages/panel-light'
import { planeLightStage } from '../stages/plane-light'
import { siteStage } from '../stages/site'
import { sunStage } from '../stages/sun'
import { type World } from '../stages/world'

/** The light of a span on the modules, array after array, kWh/m² behind the glass. */
export interface PanelSun {
  readonly kwhM2: Float32Array
  /** Of the sunniest in the open; 0 where none is laid. */
  readonly bestKwhM2: number
}

/** What comes to each module in a month or in the year. */
export function panelSun(run: Run<World>, span: SunSpan): PanelSun {
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
    kwhM2: Float32Array.from(lights, ({ value: { mean } }) => kwhOf((k) => mean[k] as number)),
    bestKwhM2: Math.max(0, ...open),
  }
}
