import { type CellGroups, type ReceiverShade } from '../shade/engine'
import { type PlaneLight } from './plane-light'

/** A year of light in one module, W/m² behind the glass, one entry to each of `SunHours`. */
export interface PanelLight {
  /** Mean over the module. */
  readonly mean: Float32Array
  /** Light that sets the current of each strip behind its bypass diode: `entry * strips + strip`. */
  readonly strips: Float32Array
  readonly stripCount: number
  /** Yearly sums, kWh/m². */
  readonly unshadedKwhM2: number
  readonly meanKwhM2: number
  readonly beamLostKwhM2: number
  readonly skyLostKwhM2: number
  /** Of the beam lost, by what stands in the way. */
  readonly lostTo: Readonly<Record<string, number>>
}

export function panelLight(
  light: PlaneLight,
  shade: ReceiverShade,
  groups: CellGroups,
  stepMinutes: number,
): PanelLight {
  const entries = light.direct.length
  const mean = new Float32Array(entries)
  const strips = new Float32Array(entries * groups.strips)
  const all = groups.strips * groups.halves
  const sums = { unshaded: 0, mean: 0, beamLost: 0, skyLost: 0 }
  const lost = new Map([...shade.blockedBy.keys()].map((owner) => [owner, 0]))
  for (let k = 0; k < entries; k++) {
    const direct = light.direct[k] as number
    const dome = light.dome[k] as number
    const horizon = light.horizon[k] as number
    const ground = light.ground[k] as number
    const diffuse = dome * shade.domeSeen + horizon * shade.horizonSeen + ground
    const lit = shade.litMean[k] as number
    const value = Math.max(0, direct * lit + diffuse)
    mean[k] = value
    if (lit < 1) {
      for (let s = 0; s < groups.strips; s++) {
        // The two halves of a strip stand in parallel: their currents add.
        let share = 0
        for (let h = 0; h < groups.halves; h++)
          share += shade.litWorst[k * all + s * groups.halves + h] as number
        strips[k * groups.strips + s] = Math.max(0, (direct * share) / groups.halves + diffuse)
      }
    } else strips.fill(value, k * groups.strips, (k + 1) * groups.strips)
    sums.unshaded += direct + dome + horizon + ground
    sums.mean += value
    sums.beamLost += direct * (1 - lit)
    sums.skyLost += dome * (1 - shade.domeSeen) + horizon * (1 - shade.horizonSeen)
    if (lit < 1)
      for (const [owner, blocked] of shade.blockedBy)
        lost.set(owner, (lost.get(owner) ?? 0) + direct * (blocked[k] as number))
  }
  const kwh = stepMinutes / 60_000
  return {
    mean,
    strips,
    stripCount: groups.strips,
    unshadedKwhM2: sums.unshaded * kwh,
    meanKwhM2: sums.mean * kwh,
    beamLostKwhM2: sums.beamLost * kwh,
    skyLostKwhM2: sums.skyLost * kwh,
    lostTo: Object.fromEntries([...lost].map(([owner, sum]) => [owner, sum * kwh])),
  }
}
