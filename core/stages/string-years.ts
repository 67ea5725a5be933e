import { optimizedCurrentA } from '../electrical/electronics'
import { byInput } from '../electrical/rules'
import { heatAt } from '../energy/array-heat'
import { branchYear, optimizedYear } from '../energy/module-electronics'
import { seriesInto, type SteppedString } from '../energy/step-down'
import { type PanelLight } from '../energy/panel-light'
import { parallelYears } from '../energy/parallel-strings'
import {
  emptyYear,
  stringYearBytes,
  yearOf,
  type ArrayConditions,
  type LitString,
  type StringRequest,
  type StringYear,
} from '../energy/string-year'
import { settledLosses } from '../kinds/losses/first-year'
import { Keyed, plain, type Plain } from '../graph/keyed'
import { type Run } from '../graph/run'
import { lastOf } from '../graph/last-of'
import { itemStage, type KeyedOf, type Stage } from '../graph/stage'
import { isWiredIn } from './cables'
import { moduleModelStage } from './module-model'
import { panelLightStage } from './panel-light'
import { planeLightStage } from './plane-light'
import { siteStage } from './site'
import { snowStage } from './snow'
import { directionOf } from '../energy/directions'
import { stringsStage } from './strings'
import { sunStage } from './sun'
import { fieldsOf, inverterIn, lossesIn, moduleIn, stepDownIn, stringOptimizerIn, type World } from './world'

/** Volts that modules are held to: by the inverter, or each by its optimizer. */
const windowIn = (world: World) => {
  const optimizer = stringOptimizerIn(world)
  if (optimizer) return { lowV: optimizer.mppLowV, highV: optimizer.mppHighV, startV: 0 }
  const { mppLowV, mppHighV, startV } = inverterIn(world)
  return { lowV: mppLowV, highV: mppHighV, startV }
}

/** What is entered of the losses between the modules and the inverter. */
export const enteredIn = (world: World) => {
  const { other, ...losses } = fieldsOf(
    settledLosses(lossesIn(world), moduleIn(world)),
    'lightInduced',
    'nameplate',
    'wiring',
    'connections',
    'other',
  )
  // Cables whose way is known take what they take.
  const wiring = isWiredIn(world) ? 0 : losses.wiring
  return { ...losses, wiring, other: other.map(({ share }) => share) }
}

/** What a step-down optimizer can; null without. */
const stepsIn = (world: World) => {
  const optimizer = stepDownIn(world)
  return optimizer && fieldsOf(optimizer, 'powerW', 'outputCurrentA', 'efficiency', 'mppLowV', 'mppHighV')
}

/** What modules have of their own: nothing, optimizers with what holds them, or microinverters. */
const electronicsIn = (world: World) => {
  const inverter = inverterIn(world)
  const optimizer = stringOptimizerIn(world)
  if (optimizer)
    return {
      is: 'optimizers' as const,
      ...fieldsOf(optimizer, 'powerW', 'outputV', 'efficiency'),
      outputCurrentA: optimizedCurrentA(optimizer, inverter),
      stringLowV: inverter.mppLowV,
      stringHighV: inverter.mppHighV,
    }
  if (!inverter.micro) return { is: 'none' as const, steps: stepsIn(world) }
  const { other, ...entered } = enteredIn(world)
  return {
    is: 'microinverters' as const,
    curve: fieldsOf(inverter, 'acPowerW', 'efficiency', 'nightW'),
    left: [...Object.values(entered), ...other].reduce((left, share) => left * (1 - share), 1),
  }
}

const lastYears = lastOf<readonly StringYear[]>()

/** What a string's year comes after. */
const yearsAfter = {
  site: siteStage,
  planeLight: planeLightStage,
  panelLight: panelLightStage,
  snow: snowStage,
  wiring: stringsStage,
  model: moduleModelStage,
  sun: sunStage,
} as const

const yearReads = (world: World) => ({
  powerW: moduleIn(world).powerW,
  losses: fieldsOf(lossesIn(world), 'soiling', 'snow'),
  weather: world.weather,
  withVolts: inverterIn(world).king !== undefined || isWiredIn(world),
  window: windowIn(world),
  electronics: electronicsIn(world),
})

/** What each string is computed from, in the strings' order. */
const stringItems = (
  { powerW, losses, weather, withVolts, window, electronics }: ReturnType<typeof yearReads>,
  after: KeyedOf<typeof yearsAfter>,
) => {
  const { site, planeLight, panelLight, snow, wiring, sun } = after
  const power = new Keyed(after.model.key, after.model.value.power)
  const lights = new Map(
    site.value.faces
      .flatMap(({ panels }, a) => panels.map(({ id }) => ({ id, a })))
      .map(({ id, a }, at) => [id, { a, light: panelLight.value[at] }] as const),
  )
  const heats = site.value.faces.map(heatAt)
  const directions = site.value.faces.map(directionOf)
  const deviceOf = new Map(wiring.value.devices.flatMap((ids, d) => ids.map((id) => [id, d] as const)))
  const litOf = (panelIds: readonly string[]) =>
    panelIds.flatMap((id) => {
      const panel = lights.get(id)
      return panel?.light ? [{ id, a: panel.a, light: panel.light }] : []
    })
  const inSeries = electronics.is === 'none'
  const optimized = new Set(inSeries ? wiring.value.optimized : [])
  const waysOf = (found: ReturnType<typeof litOf>) => new Set(found.map(({ a }) => directions[a]))
  return wiring.value.strings.flatMap((string) => {
    const { panelIds, input } = string
    const sharing = inSeries && input >= 0 ? wiring.value.strings.filter((one) => one.input === input) : []
    // What hangs on one input has its volts together: under shade even those that are strung alike.
    const together = sharing.length < 2 ? [string] : sharing
    const found = together.map((one) => litOf(one.panelIds))
    const faces = [...new Set(found.flat().map(({ a }) => a))]
    const conditions = faces.flatMap((a) => {
      const [light, snowLost, heat] = [planeLight.value[a], snow.value[a], heats[a]]
      return light && snowLost && heat ? [{ light, snowLost, heat }] : []
    })
    const first = conditions[0]
    if (!first || conditions.length < faces.length) return []
    const ways = [...waysOf(found.flat())]
    // Modules in series share what their direction has; those with electronics of their own have each their own.
    const planes = inSeries
      ? ways.flatMap((way) => conditions[faces.findIndex((a) => directions[a] === way)] ?? [])
      : conditions
    return [
      {
        panels: found.flat().map(({ light }) => light),
        /** Modules of the strings that have their volts together, and which of those it is. */
        lengths: found.map(({ length }) => length),
        own: together.indexOf(string),
        planeLights: planes.map(({ light }) => light),
        snowLosts: planes.map(({ snowLost }) => snowLost),
        heats: planes.map(({ heat }) => heat),
        planeOf:
          planes.length === 1
            ? []
            : found.flat().map(({ a }) => (inSeries ? ways.indexOf(directions[a]) : faces.indexOf(a))),
        /** Which of them have a step-down optimizer; none where none has. */
        isHeld: found.flat().some(({ id }) => optimized.has(id))
          ? found.flat().map(({ id }) => optimized.has(id))
          : [],
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
}

/** A year of each string, from the light on its modules to its power. */
export const stringYearStage: Stage<World, readonly Keyed<StringYear>[]> = itemStage({
  name: 'string years',
  version: 7,
  after: yearsAfter,
  reads: yearReads,
  each: stringItems,
  compute: (item) => {
    const { electronics, panels, planeOf, connected, devices, own } = item
    const { strings, request, planes } = inSeriesOf(item)
    if (electronics.is === 'none') {
      if (strings.length > 1) {
        // Each of them asks for all of them, one after the other.
        const { losses, power, powerW, sun, weather, window, withVolts } = request
        const { lengths, isHeld, heats, planeLights, snowLosts } = item
        const figures = { lengths, planeOf, isHeld, connected, electronics, heats, losses, window, withVolts }
        const parts = [...panels, ...planeLights, ...snowLosts, power, sun, weather]
        const all = lastYears([...parts, powerW, JSON.stringify(figures)], () =>
          parallelYears(strings, request),
        )
        const mine = all[own]
        if (mine) return mine
      }
      const string = strings[own]
      if (!string) throw new Error('a string is one of its input')
      const out = emptyYear(request.sun.interval.length, request.withVolts)
      return yearOf(seriesInto(out, string, request), out, request)
    }
    const [first] = planes
    if (!first) throw new Error('a string lies on a plane')
    const alone = {
      connected,
      panels: panels.map((light, p) => ({ light, conditions: planes[planeOf[p] ?? 0] ?? first })),
    }
    if (electronics.is === 'optimizers') return optimizedYear(alone, request, electronics)
    return branchYear(alone, request, { ...electronics, devices })
  },
  bytes: stringYearBytes,
})

type StringItem = Plain<ReturnType<typeof stringItems>[number]>

/** The planes under an item's modules, what its strings are told, and those in series that share its input; else none. */
function inSeriesOf({
  panels,
  lengths,
  planeLights,
  snowLosts,
  heats,
  planeOf,
  isHeld,
  connected,
  electronics,
  ...rest
}: StringItem) {
  const { powerW, power, losses, weather, sun, withVolts, window } = rest
  const planes = planeLights.flatMap((light, p): ArrayConditions[] => {
    const heat = heats[p]
    return heat ? [{ light, heat, snowLost: snowLosts[p] ?? null }] : []
  })
  const request: StringRequest = { powerW, power, losses, weather, sun, withVolts, window }
  const strings =
    electronics.is === 'none'
      ? stringsOf(panels, lengths, { planes, planeOf, isHeld, connected, steps: electronics.steps })
      : []
  return { planes, request, strings }
}

/** Strings in series that hang on one input, with what they are told: to be asked at one moment. */
export interface SeriesOnInput {
  readonly input: number
  readonly ids: readonly string[]
  readonly strings: readonly (LitString | SteppedString)[]
  readonly request: StringRequest
}

/** The inputs of an option and what hangs on them in series; none where modules have electronics of their own. */
export function inputsOf(run: Run<World>, world: World): SeriesOnInput[] {
  const wiring = run.keyed(stringsStage)
  if (wiring.value.electronics !== 'none') return []
  const items = stringItems(yearReads(world), {
    site: run.keyed(siteStage),
    planeLight: run.keyed(planeLightStage),
    panelLight: run.keyed(panelLightStage),
    snow: run.keyed(snowStage),
    wiring,
    model: run.keyed(moduleModelStage),
    sun: run.keyed(sunStage),
  })
  return [...byInput(wiring.value.strings)]
    .sort(([a], [b]) => a - b)
    .flatMap(([input, own]) => {
      const item = items[wiring.value.strings.findIndex(({ id }) => id === own[0]?.id)]
      if (!item) return []
      const { strings, request } = inSeriesOf(plain(item))
      return [{ input, ids: own.map(({ id }) => id), strings, request }]
    })
}

/** What modules one after the other lie on and have. */
interface StrungOn {
  readonly planes: readonly ArrayConditions[]
  readonly planeOf: readonly number[]
  readonly isHeld: readonly boolean[]
  readonly connected: boolean
  readonly steps: ReturnType<typeof stepsIn>
}

/** Modules one after the other as the strings that they are, each with the planes that it lies on. */
function stringsOf(
  panels: readonly PanelLight[],
  lengths: readonly number[],
  { planes, planeOf, isHeld, connected, steps }: StrungOn,
): (LitString | SteppedString)[] {
  /** Those of the modules at some places. */
  const strungAt = (places: readonly number[]): LitString | null => {
    const on = places.map((at) => planeOf[at] ?? 0)
    const shares = planes
      .map((conditions, p) => ({ conditions, modules: on.filter((own) => own === p).length }))
      .filter(({ modules }) => modules > 0)
    const [first] = shares
    if (!first) return null
    return {
      panels: places.flatMap((at) => panels[at] ?? []),
      connected,
      conditions: first.conditions,
      ...(shares.length > 1 ? { planes: shares } : {}),
    }
  }
  let from = 0
  return lengths.flatMap((length) => {
    const places = Array.from({ length }, (_, m) => from + m)
    from += length
    const held = places.filter((at) => isHeld[at])
    if (!steps || held.length === 0) return strungAt(places) ?? []
    return {
      plain: strungAt(places.filter((at) => !isHeld[at])),
      held: held.flatMap((at) => strungAt([at]) ?? []),
      isHeld: places.map((at) => isHeld[at] === true),
      connected,
      limits: steps,
    }
  })
}

/** How many of each there are, one after the other. */
function countsOf(devices: readonly number[]): number[] {
  const counts = new Map<number, number>()
  for (const device of devices) counts.set(device, (counts.get(device) ?? 0) + 1)
  return [...counts.values()]
}
