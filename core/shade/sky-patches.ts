/**
 * The upper half of the sky in rings of equal height and patches of about equal solid angle. Directions three numbers
 * a patch; solid angles in steradian, summing to 2 pi.
 */
export interface SkyPatches {
  readonly direction: Float64Array
  readonly solidAngle: Float64Array
  /** Ring of each patch, 0 lowest. */
  readonly ring: Uint8Array
}

export function skyPatches(rings: number): SkyPatches {
  const direction: number[] = []
  const solidAngle: number[] = []
  const ring: number[] = []
  const step = Math.PI / 2 / rings
  for (let r = 0; r < rings; r++) {
    const low = r * step
    const high = low + step
    const band = 2 * Math.PI * (Math.sin(high) - Math.sin(low))
    const count = Math.max(1, Math.round(band / (step * step)))
    const e = Math.asin((Math.sin(high) + Math.sin(low)) / 2)
    for (let k = 0; k < count; k++) {
      const a = (2 * Math.PI * (k + 0.5)) / count
      direction.push(Math.cos(e) * Math.sin(a), Math.cos(e) * Math.cos(a), Math.sin(e))
      solidAngle.push(band / count)
      ring.push(r)
    }
  }
  return {
    direction: Float64Array.from(direction),
    solidAngle: Float64Array.from(solidAngle),
    ring: Uint8Array.from(ring),
  }
}

/** Rings of the sky, 5 degrees high each; the lowest stands for the horizon band. */
export const patches = skyPatches(18)

/** Light that meets a plane at less than this (sine) slides along it. */
export const grazing = 1e-3
