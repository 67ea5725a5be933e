import { Keyed } from '../graph/keyed'
import { itemStage, type Stage } from '../graph/stage'
import { middle3 } from '../geometry/vector'
import { type NamedCast } from '../shade/cast'
import { farHorizonId, readingsId, shadeBytes, type ReceiverShade } from '../shade/engine'
import { horizonOf } from '../shade/far-horizon'
import { horizonBetween } from '../shade/readings'
import { exactShade } from '../shade/receiver-shade'
import { castersStage } from './casters'
import { shadowsStage } from './shadows'
import { horizonStage } from './horizon'
import { readingPlacesIn, readingsStage, seenByReadings, spotsOf } from './readings'
import { siteStage } from './site'
import { sunStage } from './sun'
import { fieldsOf, moduleIn, type World } from './world'

/**
 * What each module sees of sun and sky through the year: array after array, module after module. Made of the shadows
 * that fall on it alone, so that it rests while one moves over others. Where horizons were measured on site and shade is
 * taken from them, the one at its middle stands for everything that a reading has seen.
 */
export const visibilityStage: Stage<World, readonly Keyed<ReceiverShade>[]> = itemStage({
  name: 'visibility',
  version: 5,
  after: {
    site: siteStage,
    casters: castersStage,
    shadows: shadowsStage,
    sun: sunStage,
    horizon: horizonStage,
    readings: readingsStage,
  },
  reads: (world: World) => ({
    groups: fieldsOf(moduleIn(world), 'strips', 'halves'),
    places: readingPlacesIn(world),
  }),
  each: ({ groups, places: taken }, { site, casters, shadows, sun, horizon, readings }) => {
    const spots = spotsOf(taken, site.value)
    const isSeen = seenByReadings(site.value)
    let first = 0
    return site.value.faces.flatMap(({ places, panels }, a) => {
      const ids = casters.value[a]?.ids ?? []
      const own = shadows.value.slice(first, first + ids.length)
      first += ids.length
      const placeOf = new Map(places.map(({ slot }, i) => [slot, i]))
      return panels.map(({ slot, corners }) => {
        const place = placeOf.get(slot) ?? -1
        const casts = ids.flatMap((caster, c): Keyed<NamedCast>[] => {
          if (spots.length > 0 && isSeen(caster)) return []
          const shadow = own[c]
          const cast = shadow?.value[place]
          return shadow && cast ? [new Keyed(`${caster} ${place} ${shadow.key}`, { caster, cast })] : []
        })
        return { corners, groups, casts, sun, horizon, spots, lines: readings.value }
      })
    })
  },
  compute: ({ corners, groups, casts, sun, horizon, spots, lines }) => {
    const measured = horizonBetween(spots, lines, middle3(corners[0], corners[2]))
    return measured.length > 0
      ? exactShade(corners, groups, casts, sun, horizonOf(measured), readingsId)
      : exactShade(corners, groups, casts, sun, horizonOf(horizon), farHorizonId)
  },
  bytes: shadeBytes,
})
