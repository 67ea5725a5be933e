/**
 * Part-load efficiency: Dobos 2014, "PVWatts version 5 manual", NREL/TP-6A20-62641, eq. 11, scaled to the data sheet's
 * weighted efficiency. Output is cut at the rated power; what it would have been is returned too.
 */
export function inverterAc(
  dcW: number,
  acPowerW: number,
  efficiency: number,
  nightW: number,
): { acW: number; clippedW: number; lostW: number } {
  if (dcW <= 0 || acPowerW <= 0) return { acW: -nightW, clippedW: 0, lostW: nightW }
  const dcRated = acPowerW / efficiency
  const load = dcW / dcRated
  const share = (efficiency / 0.9637) * (-0.0162 * load - 0.0059 / load + 0.9858)
  const free = Math.max(-nightW, dcW * share)
  const acW = Math.min(free, acPowerW)
  return { acW, clippedW: free - acW, lostW: dcW - free }
}
