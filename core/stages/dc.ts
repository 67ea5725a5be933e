import { sumStrings, type DcYear } from '../energy/dc'
import { stage, type Stage } from '../graph/stage'
import { cableOhmsStage, ohmsOf } from './cables'
import { enteredIn, stringYearStage } from './string-years'
import { stringsStage } from './strings'
import { sunStage } from './sun'
import { type World } from './world'

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

/** All strings together at the inverter, after the entered losses. */
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
