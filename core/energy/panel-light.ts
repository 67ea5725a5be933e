import { type CellGroups, type ReceiverShade } from '../shade/engine'
import { type PlaneLight } from './plane-light'

/** A year of light in one module, W/m² behind the glass. */
export interface PanelLight {
  /** Mean over the module, one to each of `SunHours`. */
  readonly mean: Float32Array
  /** Entries in which its strips are lit unlike each other; in all others each has the mean. */
  readonly shaded: Int32Array
  /** Light that sets the current of each strip behind its bypass diode: `shaded entry * strips + strip`. */
  readonly strips: Float32Array
  readonly stripCount: number
  /** Yearly sums, kWh/m². */
  readonly unshadedKwhM2: number
  readonly meanKwhM2: number
  /** What is lost of it, by what stands in the way. */
  readonly lostTo: readonly LostTo[]
}

/** What one caster takes from a module in a year, kWh/m²: of the sun itself, and of the sky. */
export interface LostTo {
  readonly caster: string
  readonly beamKwhM2: number
  readonly skyKwhM2: number
}

/** Memory that a year of light takes; the shaded entries are the shade's own. */
export const panelLightBytes = ({ mean, strips }: PanelLight): number =>
  400 + mean.byteLength + strips.byteLength

export function panelLight(
  light: PlaneLight,
  shade: ReceiverShade,
  groups: CellGroups,
  stepMinutes: number,
): PanelLight {
  const entries = light.direct.length
  const { shaded } = shade
  const mean = new Float32Array(entries)
  const strips = new Float32Array(shaded.length * groups.strips)
  const all = groups.strips * groups.halves
  const sums = { unshaded: 0, mean: 0, dome: 0, horizon: 0 }
  let at = 0
  for (let k = 0; k < entries; k++) {
    const direct = light.direct[k] as number
    const dome = light.dome[k] as number
    const horizon = light.horizon[k] as number
    const ground = light.ground[k] as number
    const diffuse = dome * shade.domeSeen + horizon * shade.horizonSeen + ground
    const isShaded = shaded[at] === k
    const lit = isShaded ? (shade.litMean[at] as number) : 1
    const value = Math.max(0, direct * lit + diffuse)
    mean[k] = value
    sums.unshaded += direct + dome + horizon + ground
    sums.mean += value
    sums.dome += dome
    sums.horizon += horizon
    if (!isShaded) continue
    for (let s = 0; s < groups.strips; s++) {
      // The two halves of a strip stand in parallel: their currents add.
      let share = 0
      for (let h = 0; h < groups.halves; h++)
        share += shade.litWorst[at * all + s * groups.halves + h] as number
      strips[at * groups.strips + s] =
        lit < 1 ? Math.max(0, (direct * share) / groups.halves + diffuse) : value
    }
    at++
  }
  const kwh = stepMinutes / 60_000
  return {
    mean,
    shaded,
    strips,
    stripCount: groups.strips,
    unshadedKwhM2: sums.unshaded * kwh,
    meanKwhM2: sums.mean * kwh,
    lostTo: shade.takenBy.map((taken) => ({
      caster: taken.caster,
      beamKwhM2:
        taken.at.reduce(
          (sum, entry, i) => sum + (light.direct[entry] as number) * (taken.share[i] as number),
          0,
        ) * kwh,
      skyKwhM2: (sums.dome * taken.dome + sums.horizon * taken.horizon) * kwh,
    })),
  }
}
