/**
 * Snow on modules: Marion, Schaefer, Caine & Sanchez 2013, "Measured and modeled photovoltaic system energy losses from
 * snow for Colorado and Wisconsin locations", Solar Energy 97. A fall covers them; where air and sun are warm enough
 * the snow slides.
 */

/** Growth of the depth in an hour that counts as a fall, m. */
const fallM = 0.01
/** Sliding begins where air > G / slideSlope (eq. 1). */
export const slideWm2PerK = -80
/** Share of the slope that slides away in an hour on a vertical plane: 1.97 tenths (eq. 2, roof mount and rack alike). */
export const slideAnHour = 0.197

/**
 * Share of a plane that snow covers in every interval.
 * @param depthM snow on the ground, one an interval
 * @param planeWm2 light on the plane, one an interval
 * @returns 0..1, the covered share of the slope from its foot, one an interval
 */
export function snowCover(
  depthM: Float64Array,
  planeWm2: Float64Array,
  airC: Float64Array,
  tiltDeg: number,
  stepMinutes: number,
): Float32Array {
  const n = depthM.length
  const out = new Float32Array(n)
  const hours = stepMinutes / 60
  const slide = slideAnHour * Math.sin((tiltDeg * Math.PI) / 180) * hours
  let covered = 0
  // Two turns, so that January begins with what December left.
  for (let turn = 0; turn < 2; turn++)
    for (let i = 0; i < n; i++) {
      const before = depthM[(i || n) - 1] as number
      const depth = depthM[i] as number
      if (depth - before >= fallM * hours) covered = 1
      else if ((airC[i] as number) > (planeWm2[i] as number) / slideWm2PerK)
        covered = Math.max(0, covered - slide)
      // Bare ground: what lay on the modules is gone too.
      if (depth <= 0) covered = 0
      out[i] = covered
    }
  return out
}

/**
 * Share of a module's output lost when its lower part is covered: whole groups go, as the darkest cell of each sets its
 * current (eq. 3).
 * @param rows groups above each other along the slope
 */
export const snowLoss = (covered: number, rows: number): number =>
  covered <= 0 ? 0 : Math.min(1, Math.ceil(covered * rows - 1e-6) / rows)
