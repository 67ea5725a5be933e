import { optimizedCurrentA } from '../electrical/electronics'
import { heatAt } from '../energy/array-heat'
import { sumStrings, type DcYear } from '../energy/dc'
import { branchYear, optimizedYear } from '../energy/module-electronics'
import { stringYear, stringYearBytes, type ArrayConditions, type StringYear } from '../energy/string-year'
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
import { fieldsOf, inverterIn, lossesIn, moduleIn, optimizerIn, type World } from './world'

/** Volts that modules are held to: by the inverter, or each by its optimizer. */
const windowIn = (world: World) => {
  const optimizer = optimizerIn(world)
  if (optimizer) return { lowV: optimizer.mppLowV, highV: optimizer.mppHighV, startV: 0 }
  const { mppLowV, mppHighV, startV } = inverterIn(world)
  return { lowV: mppLowV, highV: mppHighV, startV }
}

/** What is entered of the losses between the modules and the inverter. */
const enteredIn = (world: World) => {
  const { other, ...losses } = fieldsOf(
    settledLosses(lossesIn(world), moduleIn(world)),
    'lightInduced',
    'nameplate',
    'wiring',
    'connections',
    'other',
  )
  return { ...losses, other: other.map(({ share }) => share) }
}

/** What modules have of their own: nothing, optimizers with what holds them, or microinverters. */
const electronicsIn = (world: World) => {
  const inverter = inverterIn(world)
  const optimizer = optimizerIn(world)
  if (optimizer)
    return {
      is: 'optimizers' as const,
      ...fieldsOf(optimizer, 'powerW', 'outputV', 'efficiency'),
      outputCurrentA: optimizedCurrentA(optimizer, inverter),
      stringLowV: inverter.mppLowV,
      stringHighV: inverter.mppHighV,
    }
  if (!inverter.micro) return { is: 'none' as const }
  const { other, ...entered } = enteredIn(world)
  return {
    is: 'microinverters' as const,
    curve: fieldsOf(inverter, 'acPowerW', 'efficiency', 'nightW'),
    left: [...Object.values(entered), ...other].reduce((left, share) => left * (1 - share), 1),
  }
}

/** A year of each string, from the light on its modules to its power. */
export const stringYearStage: Stage<World, readonly Keyed<StringYear>[]> = itemStage({
  name: 'string years',
  version: 3,
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
    electronics: electronicsIn(world),
  }),
  each: ({ powerW, losses, weather, withVolts, window, electronics }, after) => {
    const { site, planeLight, panelLight, snow, wiring, sun } = after
    const power = new Keyed(after.model.key, after.model.value.power)
    const lights = new Map(
      site.value.faces
        .flatMap(({ panels }, a) => panels.map(({ id }) => ({ id, a })))
        .map(({ id, a }, at) => [id, { a, light: panelLight.value[at] }] as const),
    )
    const heats = site.value.faces.map(heatAt)
    const deviceOf = new Map(wiring.value.devices.flatMap((ids, d) => ids.map((id) => [id, d] as const)))
    return wiring.value.strings.flatMap(({ panelIds, input }) => {
      const found = panelIds.flatMap((id) => {
        const panel = lights.get(id)
        return panel?.light ? [{ a: panel.a, light: panel.light }] : []
      })
      const faces = [...new Set(found.map(({ a }) => a))]
      const conditions = faces.flatMap((a) => {
        const [light, snowLost, heat] = [planeLight.value[a], snow.value[a], heats[a]]
        return light && snowLost && heat ? [{ light, snowLost, heat }] : []
      })
      const first = conditions[0]
      if (!first || conditions.length < faces.length) return []
      // Modules in series share what their plane has; those with electronics of their own have each their own.
      const planes = electronics.is === 'none' ? [first] : conditions
      return [
        {
          panels: found.map(({ light }) => light),
          planeLights: planes.map(({ light }) => light),
          snowLosts: planes.map(({ snowLost }) => snowLost),
          heats: planes.map(({ heat }) => heat),
          planeOf: electronics.is === 'none' ? [] : found.map(({ a }) => faces.indexOf(a)),
          devices: countsOf(panelIds.flatMap((id) => deviceOf.get(id) ?? [])),
          // Without an input a string yields nothing.
          connected: input >= 0,
          powerW,
          power,
          // Entered snow does not count where it is computed.
          losses: { soiling: losses.soiling, snow: first.snowLost.value ? [] : losses.snow },
          weather,
          sun,
          withVolts,
          window,
          electronics,
        },
      ]
    })
  },
  compute: ({
    panels,
    planeLights,
    snowLosts,
    heats,
    planeOf,
    devices,
    connected,
    electronics,
    ...request
  }) => {
    const planes = planeLights.flatMap((light, p): ArrayConditions[] => {
      const heat = heats[p]
      return heat ? [{ light, heat, snowLost: snowLosts[p] ?? null }] : []
    })
    const [first] = planes
    if (!first) throw new Error('a string lies on a plane')
    if (electronics.is === 'none') return stringYear({ panels, connected, conditions: first }, request)
    const own = {
      connected,
      panels: panels.map((light, p) => ({ light, conditions: planes[planeOf[p] ?? 0] ?? first })),
    }
    if (electronics.is === 'optimizers') return optimizedYear(own, request, electronics)
    return branchYear(own, request, { ...electronics, devices })
  },
  bytes: stringYearBytes,
})

/** How many of each there are, one after the other. */
function countsOf(devices: readonly number[]): number[] {
  const counts = new Map<number, number>()
  for (const device of devices) counts.set(device, (counts.get(device) ?? 0) + 1)
  return [...counts.values()]
}

/**
 * What part of the year's energy each module gives, string after string in their order; nought everywhere where there
 * is none. Modules in series that work as one share alike.
 */
export const moduleShareStage: Stage<World, readonly (readonly number[])[]> = stage({
  name: 'module shares',
  version: 1,
  after: { wiring: stringsStage, strings: stringYearStage },
  reads: () => ({}),
  compute: (_none, { wiring, strings }) => {
    const energies = strings.map(({ value }) => value.powerW.reduce((sum, watts) => sum + watts, 0))
    const all = energies.reduce((sum, energy) => sum + energy, 0)
    return wiring.strings.map(({ panelIds }, s) => {
      const share = all > 0 ? (energies[s] ?? 0) / all : 0
      const weights = strings[s]?.value.weights ?? panelIds.map(() => 1)
      const weight = weights.reduce((sum, one) => sum + one, 0)
      return panelIds.map((_, p) => (weight > 0 ? (share * (weights[p] ?? 0)) / weight : 0))
    })
  },
})

/** The same by string, in the strings' order. */
export const stringShareStage: Stage<World, readonly number[]> = stage({
  name: 'string shares',
  version: 2,
  after: { modules: moduleShareStage },
  reads: () => ({}),
  compute: (_none, { modules }) => modules.map((shares) => shares.reduce((sum, share) => sum + share, 0)),
})

/** All strings together at the inverter, after the entered losses. */
export const dcStage: Stage<World, DcYear> = stage({
  name: 'dc',
  version: 7,
  after: { strings: stringYearStage, sun: sunStage },
  reads: (world: World) => ({ losses: enteredIn(world) }),
  compute: ({ losses }, { strings, sun }) =>
    sumStrings(
      strings.map(({ value }) => value),
      sun.interval.length,
      losses,
    ),
})
