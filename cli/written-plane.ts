import { type RoofPlane } from '@/core/roof/plane'

type Written = Pick<RoofPlane, 'id' | 'corners' | 'holes' | 'pitchDeg' | 'azimuthDeg' | 'areaM2'> & {
  readonly edges: readonly object[]
}

/** A plane as answers give it. */
export const writtenPlane = ({ id, corners, holes, pitchDeg, azimuthDeg, areaM2, edges }: Written) => ({
  id,
  corners,
  ...(holes ? { holes } : {}),
  pitchDeg,
  azimuthDeg,
  areaM2,
  edges,
})
