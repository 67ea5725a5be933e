import { toDegrees, toRadians } from '../../model/units'
import { isGable, lowestPitchDeg, steepestPitchDeg, type Volume } from './volume'

const clamp = (value: number) => Math.max(lowestPitchDeg, Math.min(steepestPitchDeg, value))

/** All pitches changed alike so that the ridge comes to a height; the plan of the ridges stays. */
export function edgesWithRidgeAt(
  { edges, eaveHeightM }: Pick<Volume, 'edges' | 'eaveHeightM'>,
  fromM: number,
  toM: number,
): Volume['edges'] {
  const rise = fromM - eaveHeightM
  const times = Math.max(0.02, (toM - eaveHeightM) / Math.max(rise, 0.01))
  return edges.map((edge) =>
    isGable(edge)
      ? edge
      : {
          pitchDeg: Number(
            clamp(toDegrees(Math.atan(Math.tan(toRadians(edge.pitchDeg)) * times))).toFixed(2),
          ),
        },
  )
}
