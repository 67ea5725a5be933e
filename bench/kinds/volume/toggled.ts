import {
  defaultPitchDeg,
  formOf,
  isGable,
  uprightDeg,
  type EdgeForm,
  type RoofEdge,
  type Volume,
} from '@/core/kinds/volume/volume'

/** Of a mansard, the steep foot and how much flatter than the others the top is. */
const mansardFootDeg = 70
const mansardTopShare = 0.6
/** Where a slope changes on its way to the ridge. */
const changeShare = 0.5
const usualRiseM = 2

/** The pitch of the plain slopes. */
const pitchOf = (edges: readonly RoofEdge[]): number =>
  edges.flatMap((edge) => ('pitchDeg' in edge ? [edge.pitchDeg] : []))[0] ?? defaultPitchDeg

const withEdge = (volume: Volume, index: number, edge: RoofEdge): Volume => ({
  ...volume,
  edges: volume.edges.map((old, i) => (i === index ? edge : old)),
})

/** The other kind of edge; a new eave takes the pitch of the others. */
export const toggled = (volume: Volume, index: number): Volume =>
  formed(volume, index, isGable(volume.edges[index] ?? { pitchDeg: 0 }) ? 'slope' : 'gable', null)

/**
 * The edge in a form, with measures that suit the roof as it stands.
 * @param ridgeM height of the ridge over the ground; null where there is none
 */
export function formed(volume: Volume, index: number, form: EdgeForm, ridgeM: number | null): Volume {
  const old = volume.edges[index]
  if (old && formOf(old) === form) return volume
  const pitchDeg = pitchOf(volume.edges)
  const riseM = ridgeM === null ? usualRiseM : Math.max(0.2, ridgeM - volume.eaveHeightM)
  const changeM = Math.round(riseM * changeShare * 100) / 100
  const profile = (footDeg: number, topDeg: number): RoofEdge => ({
    profile: [
      [0, footDeg],
      [changeM, topDeg],
    ],
  })
  const edges: Readonly<Record<EdgeForm, RoofEdge>> = {
    slope: { pitchDeg },
    gable: { gable: true },
    'half-hip': profile(uprightDeg, Math.max(45, pitchDeg)),
    mansard: profile(mansardFootDeg, Math.max(10, Math.round(pitchDeg * mansardTopShare))),
  }
  return withEdge(volume, index, edges[form])
}

type Profiled = Extract<RoofEdge, { readonly profile: unknown }>

/** A profile with one of its stretches changed: where it begins, or its pitch. */
export function withStep(
  edge: Profiled,
  at: number,
  change: { readonly fromM?: number; readonly pitchDeg?: number },
): Profiled {
  return {
    profile: edge.profile.map(([fromM, pitchDeg], k) =>
      k === at
        ? ([change.fromM ?? fromM, change.pitchDeg ?? pitchDeg] as const)
        : ([fromM, pitchDeg] as const),
    ),
  }
}
