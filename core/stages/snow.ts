import { slideTiltDeg, snowOnPlane } from '../energy/snow-on-plane'
import { type Keyed } from '../graph/keyed'
import { itemStage, type Stage } from '../graph/stage'
import { planeLightStage } from './plane-light'
import { siteStage } from './site'
import { sunStage } from './sun'
import { fieldsOf, moduleIn, type World } from './world'

/** Share of its output that each array loses to lying snow; null where the weather knows nothing of snow. */
export const snowStage: Stage<World, readonly Keyed<Float32Array | null>[]> = itemStage({
  name: 'snow',
  version: 2,
  after: { site: siteStage, light: planeLightStage, sun: sunStage },
  reads: (world: World) => ({
    weather: world.weather,
    groups: fieldsOf(moduleIn(world), 'strips', 'halves'),
  }),
  each: ({ weather, groups }, { site, light, sun }) =>
    site.value.faces.flatMap(({ plane, tracker, panels }, a) => {
      const planeLight = light.value[a]
      if (!planeLight) return []
      return [
        {
          light: planeLight,
          weather,
          sun,
          tiltDeg: slideTiltDeg(tracker, plane.pitchDeg),
          // Strips run along the long side, so snow from below darkens all of them where modules stand upright.
          rows: panels[0]?.orientation === 'landscape' ? groups.strips : groups.halves,
        },
      ]
    }),
  compute: ({ light, weather, sun, tiltDeg, rows }) => snowOnPlane(light, weather, sun, tiltDeg, rows),
  bytes: (share) => 100 + (share?.byteLength ?? 0),
})
