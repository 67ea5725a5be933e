/**
 * Snow on a roof's plan: EN 1991-1-3:2003, 5.2 and 5.3, with an exposure and a thermal coefficient of 1, not drifted.
 * @param groundKpa characteristic load of the ground, kN/m²
 * @returns kN/m² of plan
 */
export function roofSnowKpa(groundKpa: number, pitchDeg: number): number {
  const shape = pitchDeg <= 30 ? 0.8 : pitchDeg >= 60 ? 0 : (0.8 * (60 - pitchDeg)) / 30
  return shape * groundKpa
}
