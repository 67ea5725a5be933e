import { toDegrees, toRadians } from '../../model/units'
import { isGable, lowestPitchDeg, steepestPitchDeg, uprightDeg, type Volume } from './volume'

const clamp = (value: number) => Math.max(lowestPitchDeg, Math.min(steepestPitchDeg, value))
const centimetres = (heightM: number) => Math.max(0, Math.round(heightM * 100) / 100)

/** All pitches and the heights where they change stretched alike so that the ridge comes to a height; its plan stays. */
export function edgesWithRidgeAt(
  { edges, eaveHeightM }: Pick<Volume, 'edges' | 'eaveHeightM'>,
  fromM: number,
  toM: number,
): Volume['edges'] {
  const rise = fromM - eaveHeightM
  const times = Math.max(0.02, (toM - eaveHeightM) / Math.max(rise, 0.01))
  const stretched = (pitchDeg: number) =>
    pitchDeg >= uprightDeg
      ? pitchDeg
      : Number(clamp(toDegrees(Math.atan(Math.tan(toRadians(pitchDeg)) * times))).toFixed(2))
  return edges.map((edge) => {
    if (isGable(edge)) return edge
    if ('pitchDeg' in edge) return { pitchDeg: stretched(edge.pitchDeg) }
    return {
      profile: edge.profile.map(
        ([fromHeightM, pitchDeg]) => [centimetres(fromHeightM * times), stretched(pitchDeg)] as const,
      ),
    }
  })
}
