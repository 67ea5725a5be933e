/**
 * Yield of modules that give so many times as much, aged ones or more of them; what the inverter draws at night stays.
 * @param into overwritten by it
 * @returns all that is made, kWh
 */
export function scaledYield(yieldKwh: Float64Array, times: number, into: Float64Array): number {
  let all = 0
  for (let i = 0; i < into.length; i++) {
    const kwh = yieldKwh[i] as number
    if (kwh > 0) all += into[i] = kwh * times
    else into[i] = kwh
  }
  return all
}
