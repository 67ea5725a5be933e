import { type PanelLight } from '../energy/panel-light'
import { type Keyed } from '../graph/keyed'
import { stage, type Stage } from '../graph/stage'
import { panelLightStage } from './panel-light'
import { moduleIn, type World } from './world'

/** What one caster costs in a year, nominal kWh: in all, and of it the light of the sky. */
export interface ShadeCost {
  readonly id: string
  readonly kwh: number
  readonly skyKwh: number
}

/** Shade losses of a whole option, the greatest first; they sum to the loss. */
export interface ShadeBill {
  readonly casters: readonly ShadeCost[]
}

/** All of it, kWh. */
export const billedKwh = ({ casters }: ShadeBill): number => casters.reduce((sum, { kwh }) => sum + kwh, 0)

/** Who is charged for the shade of the year. */
export const shadeBillStage: Stage<World, ShadeBill> = stage({
  name: 'shade bill',
  version: 2,
  after: { light: panelLightStage },
  reads: (world: World) => ({ powerW: moduleIn(world).powerW }),
  compute: ({ powerW }, { light }) => shadeBillOf(light, powerW),
})

function shadeBillOf(lights: readonly Keyed<PanelLight>[], powerW: number): ShadeBill {
  const by = new Map<string, { kwh: number; skyKwh: number }>()
  for (const { value } of lights)
    for (const { caster, beamKwhM2, skyKwhM2 } of value.lostTo) {
      const sum = by.get(caster) ?? { kwh: 0, skyKwh: 0 }
      sum.kwh += ((beamKwhM2 + skyKwhM2) * powerW) / 1000
      sum.skyKwh += (skyKwhM2 * powerW) / 1000
      by.set(caster, sum)
    }
  return {
    casters: [...by]
      .map(([id, cost]) => ({ id, ...cost }))
      .filter(({ kwh }) => kwh > 0)
      .sort((a, b) => b.kwh - a.kwh),
  }
}
