import { inputCurve, type InputCurve } from '../energy/input-curve'
import { type Run } from '../graph/run'
import { inputsOf } from '../stages/string-years'
import { sunStage } from '../stages/sun'
import { type World } from '../stages/world'

/** What an input has at a moment. */
export interface InputAtMoment extends InputCurve {
  /** From 0, those of a second inverter after all of the first. */
  readonly input: number
  /** Of the strings that hang there. */
  readonly strings: readonly string[]
}

/**
 * The curves of all inputs at one interval of the year.
 * @returns none in the dark, and none where modules have electronics of their own
 */
export function inputCurves(run: Run<World>, world: World, interval: number): InputAtMoment[] {
  const entry = run.value(sunStage).interval.indexOf(interval)
  if (entry < 0) return []
  return inputsOf(run, world).flatMap(({ input, ids, strings, request }) => {
    const curve = inputCurve(strings, request, entry)
    return curve ? [{ input, strings: ids, ...curve }] : []
  })
}
