import { Keyed } from '../graph/keyed'
import { itemStage, type Stage } from '../graph/stage'
import { type NamedCast } from '../shade/cast'
import { shadeBytes, type ReceiverShade } from '../shade/engine'
import { horizonOf } from '../shade/far-horizon'
import { exactShade } from '../shade/receiver-shade'
import { castersStage } from './casters'
import { shadowsStage } from './shadows'
import { horizonStage } from './horizon'
import { siteStage } from './site'
import { sunStage } from './sun'
import { fieldsOf, moduleIn, type World } from './world'

/**
 * What each module sees of sun and sky through the year: array after array, module after module. Made of the shadows
 * that fall on it alone, so that it rests while one moves over others.
 */
export const visibilityStage: Stage<World, readonly Keyed<ReceiverShade>[]> = itemStage({
  name: 'visibility',
  version: 4,
  after: {
    site: siteStage,
    casters: castersStage,
    shadows: shadowsStage,
    sun: sunStage,
    horizon: horizonStage,
  },
  reads: (world: World) => ({ groups: fieldsOf(moduleIn(world), 'strips', 'halves') }),
  each: ({ groups }, { site, casters, shadows, sun, horizon }) => {
    let first = 0
    return site.value.faces.flatMap(({ places, panels }, a) => {
      const ids = casters.value[a]?.ids ?? []
      const own = shadows.value.slice(first, first + ids.length)
      first += ids.length
      const placeOf = new Map(places.map(({ slot }, i) => [slot, i]))
      return panels.map(({ slot, corners }) => {
        const place = placeOf.get(slot) ?? -1
        const casts = ids.flatMap((caster, c): Keyed<NamedCast>[] => {
          const shadow = own[c]
          const cast = shadow?.value[place]
          return shadow && cast ? [new Keyed(`${caster} ${place} ${shadow.key}`, { caster, cast })] : []
        })
        return { corners, groups, casts, sun, horizon }
      })
    })
  },
  compute: ({ corners, groups, casts, sun, horizon }) =>
    exactShade(corners, groups, casts, sun, horizonOf(horizon)),
  bytes: shadeBytes,
})
