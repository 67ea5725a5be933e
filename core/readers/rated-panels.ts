import { type Run } from '../graph/run'
import { panelsOf, type Panel } from '../site/site'
import { moduleWorthStage } from '../stages/module-worth'
import { panelLightStage } from '../stages/panel-light'
import { siteStage } from '../stages/site'
import { type World } from '../stages/world'

/** A module with what it gets and what it brings. */
export interface RatedPanel extends Pick<Panel, 'id' | 'arrayId' | 'slot' | 'corners'> {
  /** Light behind the glass over the year, kWh/m². */
  readonly sunKwhM2: number
  /** Share of the unshaded light that is left. */
  readonly sunAccess: number
  /** What the year would cost more without it alone, under the tariff: money a year. */
  readonly worth: number
}

/** All modules of a run, array after array. */
export function ratedPanels(run: Run<World>): RatedPanel[] {
  const lights = run.value(panelLightStage)
  const worths = run.value(moduleWorthStage)
  return panelsOf(run.value(siteStage)).map(({ id, arrayId, slot, corners }, i) => {
    const { unshadedKwhM2 = 0, meanKwhM2 = 0 } = lights[i]?.value ?? {}
    return {
      id,
      arrayId,
      slot,
      corners,
      sunKwhM2: meanKwhM2,
      sunAccess: unshadedKwhM2 > 0 ? meanKwhM2 / unshadedKwhM2 : 1,
      worth: worths[i] ?? 0,
    }
  })
}
