import { defaultPitchDeg, isGable, type Volume } from '@/core/kinds/volume/volume'

/** The other kind of edge; a new eave takes the pitch of the others. */
export function toggled(volume: Volume, index: number): Volume {
  const pitch =
    volume.edges.map((edge) => (isGable(edge) ? null : edge.pitchDeg)).find((value) => value !== null) ??
    defaultPitchDeg
  return {
    ...volume,
    edges: volume.edges.map((edge, i) =>
      i !== index ? edge : isGable(edge) ? { pitchDeg: pitch } : { gable: true },
    ),
  }
}
