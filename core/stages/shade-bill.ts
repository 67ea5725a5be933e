import { type PanelLight } from '../energy/panel-light'
import { type Keyed } from '../graph/keyed'
import { stage, type Stage } from '../graph/stage'
import { type Site } from '../site/site'
import { castersStage, type ArrayCasters } from './casters'
import { panelLightStage } from './panel-light'
import { siteStage } from './site'
import { moduleIn, type World } from './world'

/** Shade losses of a whole option in nominal kWh: by what casts the shade, and of the sky. */
export interface ShadeBill {
  readonly casters: readonly { readonly id: string; readonly kwh: number }[]
  readonly skyKwh: number
}

/** Who is charged for the shade of the year, the greatest first. */
export const shadeBillStage: Stage<World, ShadeBill> = stage({
  name: 'shade bill',
  version: 1,
  after: { site: siteStage, casters: castersStage, light: panelLightStage },
  reads: (world: World) => ({ powerW: moduleIn(world).powerW }),
  compute: ({ powerW }, { site, casters, light }) => shadeBillOf(site, casters, light, powerW),
})

function shadeBillOf(
  site: Site,
  casters: readonly ArrayCasters[],
  lights: readonly Keyed<PanelLight>[],
  powerW: number,
): ShadeBill {
  const by = new Map<string, number>()
  const perKwhM2 = powerW / 1000
  let skyKwh = 0
  let at = 0
  site.arrays.forEach(({ panels }, a) => {
    const ids = casters[a]?.ids ?? []
    for (let p = 0; p < panels.length; p++) {
      const light = lights[at++]?.value
      if (!light) continue
      skyKwh += light.skyLostKwhM2 * perKwhM2
      ids.forEach((id, c) => {
        const lost = light.lostTo[c] ?? 0
        if (lost > 0) by.set(id, (by.get(id) ?? 0) + lost * perKwhM2)
      })
    }
  })
  return {
    casters: [...by].map(([id, kwh]) => ({ id, kwh })).sort((a, b) => b.kwh - a.kwh),
    skyKwh,
  }
}
