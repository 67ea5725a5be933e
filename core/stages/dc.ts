import { heatAt } from '../energy/array-heat'
import { stringYear, stringYearBytes, sumStrings, type DcYear, type StringYear } from '../energy/dc'
import { settledLosses } from '../kinds/losses/first-year'
import { Keyed } from '../graph/keyed'
import { itemStage, stage, type Stage } from '../graph/stage'
import { moduleModelStage } from './module-model'
import { panelLightStage } from './panel-light'
import { planeLightStage } from './plane-light'
import { siteStage } from './site'
import { snowStage } from './snow'
import { stringsStage } from './strings'
import { sunStage } from './sun'
import { fieldsOf, inverterIn, lossesIn, moduleIn, type World } from './world'

const windowIn = (world: World) => {
  const { mppLowV, mppHighV, startV } = inverterIn(world)
  return { lowV: mppLowV, highV: mppHighV, startV }
}

/** A year of each string, from the light on its modules to its power. */
export const stringYearStage: Stage<World, readonly Keyed<StringYear>[]> = itemStage({
  name: 'string years',
  version: 2,
  after: {
    site: siteStage,
    planeLight: planeLightStage,
    panelLight: panelLightStage,
    snow: snowStage,
    wiring: stringsStage,
    model: moduleModelStage,
    sun: sunStage,
  },
  reads: (world: World) => ({
    powerW: moduleIn(world).powerW,
    losses: fieldsOf(lossesIn(world), 'soiling', 'snow'),
    weather: world.weather,
    withVolts: inverterIn(world).king !== undefined,
    window: windowIn(world),
  }),
  each: ({ powerW, losses, weather, withVolts, window }, after) => {
    const { site, planeLight, panelLight, snow, wiring, sun } = after
    const power = new Keyed(after.model.key, after.model.value.power)
    const lights = new Map(
      site.value.faces
        .flatMap(({ panels }, a) => panels.map(({ id }) => ({ id, a })))
        .map(({ id, a }, at) => [id, { a, light: panelLight.value[at] }] as const),
    )
    const heats = site.value.faces.map(heatAt)
    return wiring.value.strings.flatMap(({ panelIds, input }) => {
      const found = panelIds.flatMap((id) => lights.get(id) ?? [])
      const first = found[0]
      if (!first) return []
      const [light, snowLost, heat] = [planeLight.value[first.a], snow.value[first.a], heats[first.a]]
      if (!light || !snowLost || !heat) return []
      return [
        {
          panels: found.flatMap((panel) => panel.light ?? []),
          light,
          snowLost,
          heat,
          // Without an input a string yields nothing.
          connected: input >= 0,
          powerW,
          power,
          // Entered snow does not count where it is computed.
          losses: { soiling: losses.soiling, snow: snowLost.value ? [] : losses.snow },
          weather,
          sun,
          withVolts,
          window,
        },
      ]
    })
  },
  compute: ({ panels, light, snowLost, heat, connected, ...request }) =>
    stringYear({ panels, connected, conditions: { light, heat, snowLost } }, request),
  bytes: stringYearBytes,
})

/** What part of the year's energy each string gives, in the strings' order; nought everywhere where there is none. */
export const stringShareStage: Stage<World, readonly number[]> = stage({
  name: 'string shares',
  version: 1,
  after: { strings: stringYearStage },
  reads: () => ({}),
  compute: (_none, { strings }) => {
    const energies = strings.map(({ value }) => value.powerW.reduce((sum, watts) => sum + watts, 0))
    const all = energies.reduce((sum, energy) => sum + energy, 0)
    return energies.map((energy) => (all > 0 ? energy / all : 0))
  },
})

/** All strings together at the inverter, after the entered losses. */
export const dcStage: Stage<World, DcYear> = stage({
  name: 'dc',
  version: 6,
  after: { strings: stringYearStage, sun: sunStage },
  reads: (world: World) => {
    const { other, ...losses } = fieldsOf(
      settledLosses(lossesIn(world), moduleIn(world)),
      'lightInduced',
      'nameplate',
      'wiring',
      'connections',
      'other',
    )
    return { losses, other: other.map(({ share }) => share) }
  },
  compute: ({ losses, other }, { strings, sun }) =>
    sumStrings(
      strings.map(({ value }) => value),
      sun.interval.length,
      { ...losses, other },
    ),
})
