import { type AcYear } from './ac'

/**
 * A year of which a DC-coupled battery takes something that would be clipped: that much is yield, and no loss.
 * @param caughtKwh in each interval, as what would have come out of the inverter
 * @param unavailable share of the time that the inverter is down
 */
export function withCaught(ac: AcYear, caughtKwh: Float64Array, unavailable: number): AcYear {
  const [kwhByInterval, clipping, downtime] = [
    ac.kwhByInterval,
    ac.lostKwh.clipping,
    ac.lostKwh.downtime,
  ].map((series) => series.slice()) as [Float64Array, Float64Array, Float64Array]
  const clippedByInterval = ac.clippedByInterval.slice()
  let [kwh, clippedKwh] = [ac.kwh, ac.clippedKwh]
  for (let i = 0; i < caughtKwh.length; i++) {
    const caught = caughtKwh[i] as number
    if (caught <= 0) continue
    const whole = caught / (1 - unavailable)
    kwhByInterval[i] = (kwhByInterval[i] as number) + caught
    clippedByInterval[i] = Math.max(0, (clippedByInterval[i] as number) - caught)
    clipping[i] = Math.max(0, (clipping[i] as number) - whole)
    downtime[i] = (downtime[i] as number) + whole - caught
    kwh += caught
    clippedKwh -= whole
  }
  return {
    ...ac,
    kwhByInterval,
    clippedByInterval,
    lostKwh: { ...ac.lostKwh, clipping, downtime },
    kwh,
    clippedKwh: Math.max(0, clippedKwh),
  }
}
