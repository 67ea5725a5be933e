import { stringsByInverter } from '../electrical/side-by-side'
import { sumStrings, type DcYear, type InverterFeed } from '../energy/dc'
import { type Keyed } from '../graph/keyed'
import { itemStage, stage, type Stage } from '../graph/stage'
import { cableOhmsStage, ohmsOf } from './cables'
import { enteredIn, stringYearStage } from './string-years'
import { stringsStage } from './strings'
import { sunStage } from './sun'
import { besideIn, inverterIn, type World } from './world'

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

/** A year of one string, kWh at its modules. */
export interface StringSums {
  readonly kwh: number
  /** What modules that are lit unlike each other take from it. */
  readonly mismatchKwh: number
}

/** The same of each string, in their order; nought where there is none. */
export const stringSumStage: Stage<World, readonly StringSums[]> = stage({
  name: 'string sums',
  version: 1,
  after: { wiring: stringsStage, strings: stringYearStage, sun: sunStage },
  reads: () => ({}),
  compute: (_none, { wiring, strings, sun }) => {
    const sumOf = (watts: Float64Array | undefined) =>
      ((watts ?? new Float64Array(0)).reduce((sum, one) => sum + one, 0) * sun.stepMinutes) / 60_000
    return wiring.strings.map((_, s) => ({
      kwh: sumOf(strings[s]?.value.powerW),
      mismatchKwh: sumOf(strings[s]?.value.lostW.mismatch),
    }))
  },
})

/** All strings together at the inverters, after the entered losses. */
export const dcStage: Stage<World, DcYear> = stage({
  name: 'dc',
  version: 8,
  after: { strings: stringYearStage, sun: sunStage, cables: cableOhmsStage },
  reads: (world: World) => ({ losses: enteredIn(world) }),
  compute: ({ losses }, { strings, sun, cables }) =>
    sumStrings(
      strings.map(({ value }) => value),
      sun.interval.length,
      losses,
      ohmsOf(cables).dc,
    ),
})

/** The input of each string, where several inverters share them. */
type SharedInputs = {
  readonly inverters: number
  readonly mppInputs: number
  readonly inputs: readonly number[]
}

/**
 * What hangs on which of several inverters, as the one item of a list: it is known by what it says, so that a tree that
 * moves no string recomputes nothing behind it. None where one inverter takes all.
 */
export const sharedInputsStage: Stage<World, readonly Keyed<SharedInputs>[]> = itemStage({
  name: 'inputs of inverters',
  version: 1,
  after: { wiring: stringsStage },
  reads: (world: World) => {
    const inverters = besideIn(world)
    return { beside: inverters > 1 ? { inverters, mppInputs: inverterIn(world).mppInputs } : null }
  },
  each: ({ beside }, { wiring }): SharedInputs[] =>
    beside ? [{ ...beside, inputs: wiring.value.strings.map(({ input }) => input) }] : [],
  compute: (item: SharedInputs): SharedInputs => item,
  bytes: ({ inputs }) => 100 + 8 * inputs.length,
})

/** What comes to each of several inverters; none where one takes all of it. */
export const feedsStage: Stage<World, readonly InverterFeed[]> = stage({
  name: 'inverter feeds',
  version: 1,
  after: { shared: sharedInputsStage, strings: stringYearStage, sun: sunStage, cables: cableOhmsStage },
  reads: (world: World) => ({ losses: besideIn(world) > 1 ? enteredIn(world) : null }),
  compute: ({ losses }, { shared: [shared], strings, sun, cables }) => {
    if (!shared || !losses) return []
    const { dc } = ohmsOf(cables)
    const years = shared.value.inputs.flatMap((input, s) => {
      const year = strings[s]?.value
      return year ? [{ input, year, ohm: dc[s] ?? 0 }] : []
    })
    return stringsByInverter(years, shared.value).map((own): InverterFeed => {
      const { powerW, voltsV } = sumStrings(
        own.map(({ year }) => year),
        sun.interval.length,
        losses,
        own.map(({ ohm }) => ohm),
      )
      return { powerW, voltsV }
    })
  },
})
