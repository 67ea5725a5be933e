import { Fault } from '../model/fault'
import { toRadians } from '../model/units'

/** A stretch of slope: from a height over the eave, m, a pitch, degrees; 90 goes straight up. */
export type ProfileStep = readonly [fromHeightM: number, pitchDeg: number]

/**
 * What a roof does above one edge of its outline: rises from it, ends there in a gable, or changes its pitch on the way
 * up: a half-hip is upright first, a mansard steep first.
 */
export type RoofEdge =
  { readonly pitchDeg: number } | { readonly gable: true } | { readonly profile: readonly ProfileStep[] }

const uprightDeg = 90
const steepestDeg = 89.9
/** Steps nearer to each other than this are one, m. */
const leastStepM = 1e-3

/** The stretches of an edge from the eave up. */
export const profileOf = (edge: RoofEdge): readonly ProfileStep[] =>
  'gable' in edge ? [[0, uprightDeg]] : 'profile' in edge ? edge.profile : [[0, edge.pitchDeg]]

/** Metres inward for each metre up: the cotangent of the pitch. */
export const speedOf = (pitchDeg: number): number =>
  pitchDeg >= steepestDeg ? 0 : 1 / Math.tan(toRadians(pitchDeg))

/** Whether any of it slopes. */
export const slopes = (edge: RoofEdge): boolean =>
  profileOf(edge).some(([, pitchDeg]) => pitchDeg < steepestDeg)

/** @throws Fault `bad-profile` with its path */
export function checkProfiles(edges: readonly RoofEdge[]): void {
  edges.forEach((edge, i) => {
    const steps = profileOf(edge)
    steps.forEach(([fromM, pitchDeg], k) => {
      const path = `edges.${i}.profile.${k}`
      const before = steps[k - 1]
      const isInOrder = before ? fromM >= before[0] + leastStepM : fromM === 0
      if (!isInOrder || !(pitchDeg > 0 && pitchDeg <= uprightDeg))
        throw new Fault('bad-profile', { side: i + 1, step: k + 1 }, path)
    })
    if (steps.length === 0) throw new Fault('bad-profile', { side: i + 1, step: 1 }, `edges.${i}.profile`)
  })
}
