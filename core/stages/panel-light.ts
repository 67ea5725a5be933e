import { panelLight, panelLightBytes, type PanelLight } from '../energy/panel-light'
import { type Keyed } from '../graph/keyed'
import { itemStage, type Stage } from '../graph/stage'
import { planeLightStage } from './plane-light'
import { siteStage } from './site'
import { visibilityStage } from './visibility'
import { fieldsOf, moduleIn, type World } from './world'

/** The light that reaches each module through the year: array after array, module after module. */
export const panelLightStage: Stage<World, readonly Keyed<PanelLight>[]> = itemStage({
  name: 'shade',
  version: 4,
  after: { site: siteStage, light: planeLightStage, visibility: visibilityStage },
  reads: (world: World) => ({
    groups: fieldsOf(moduleIn(world), 'strips', 'halves'),
    stepMinutes: world.weather.value.stepMinutes,
  }),
  each: ({ groups, stepMinutes }, { site, light, visibility }) => {
    let at = 0
    return site.value.faces.flatMap(({ panels }, a) => {
      const planeLight = light.value[a]
      return panels.flatMap(() => {
        const shade = visibility.value[at++]
        return planeLight && shade ? [{ light: planeLight, shade, groups, stepMinutes }] : []
      })
    })
  },
  compute: ({ light, shade, groups, stepMinutes }) => panelLight(light, shade, groups, stepMinutes),
  bytes: panelLightBytes,
})
