import { type PanelLight } from '../energy/panel-light'
import { type PlaneLight } from '../energy/plane-light'
import { type Keyed } from '../graph/keyed'
import { stage, type Stage } from '../graph/stage'
import { type Site } from '../site/site'
import { type SunHours } from '../sun/sun-hours'
import { panelLightStage } from './panel-light'
import { planeLightStage } from './plane-light'
import { siteStage } from './site'
import { sunStage } from './sun'
import { type World } from './world'

/** Light interval by interval. */
export interface LightSeries {
  /** On the modules behind their glass, on the horizontal where none are laid; W/m². */
  readonly sun: Float32Array
  /** Share of it that shade takes. */
  readonly shade: Float32Array
}

/** The year's light for the charts. */
export const lightSeriesStage: Stage<World, LightSeries> = stage({
  name: 'light series',
  version: 1,
  after: { site: siteStage, sun: sunStage, planes: planeLightStage, panels: panelLightStage },
  reads: (world: World) => ({ weather: world.weather }),
  compute: ({ weather }, { site, sun, planes, panels }) =>
    panels.length === 0
      ? { sun: new Float32Array(weather.ghi), shade: new Float32Array(sun.intervals) }
      : onModules(site, sun, planes, panels),
})

function onModules(
  { faces }: Site,
  sun: SunHours,
  planes: readonly Keyed<PlaneLight>[],
  panels: readonly Keyed<PanelLight>[],
): LightSeries {
  const out = { sun: new Float32Array(sun.intervals), shade: new Float32Array(sun.intervals) }
  const means = panels.map(({ value }) => value.mean)
  const open = new Float64Array(sun.interval.length)
  faces.forEach(({ panels: { length } }, a) => {
    const light = planes[a]?.value
    if (!light || length === 0) return
    for (let k = 0; k < open.length; k++)
      open[k] =
        (open[k] as number) +
        length *
          ((light.direct[k] as number) +
            (light.dome[k] as number) +
            (light.horizon[k] as number) +
            (light.ground[k] as number))
  })
  const left = new Float64Array(sun.interval.length)
  for (const mean of means)
    for (let k = 0; k < left.length; k++) left[k] = (left[k] as number) + (mean[k] as number)
  for (let k = 0; k < left.length; k++) {
    const i = sun.interval[k] as number
    out.sun[i] = (left[k] as number) / panels.length
    out.shade[i] = (open[k] as number) > 1 ? Math.max(0, 1 - (left[k] as number) / (open[k] as number)) : 0
  }
  return out
}
