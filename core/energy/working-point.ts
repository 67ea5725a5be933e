import { type ModulePower } from './module-power'
import { type PanelLight } from './panel-light'
import { type SeriesCurve, type VoltWindow } from './series-curve'
import { brightestFirst, seriesBest } from './strip-mismatch'

/** Light within this share of each other is taken as the same: what that hides is a hundredth of a percent. */
const alikeShare = 0.012
const stcWm2 = 1000
/** Up to this spread of the light no group is bypassed, and what is lost goes with its variance. */
const slightSpread = 0.08

/** The groups of cells of a string by their light, entry after entry; those of a module that is lit evenly stand once. */
export class LitGroups {
  readonly #panels: readonly PanelLight[]
  /** How far each module's shaded entries have been read. */
  readonly #at: Int32Array
  /** Light of each level behind the glass, W/m², and how many groups have it. */
  readonly light: Float64Array
  readonly groups: Float64Array
  levels = 0
  low = 0
  high = 0
  /** Groups of the whole string, and the mean of their light. */
  readonly all: number
  mean = 0
  #isSorted = false

  constructor(panels: readonly PanelLight[]) {
    this.#panels = panels
    this.#at = new Int32Array(panels.length)
    this.all = panels.reduce((sum, { stripCount }) => sum + stripCount, 0)
    this.light = new Float64Array(this.all)
    this.groups = new Float64Array(this.all)
  }

  /**
   * Reads an entry; to be asked in their order.
   * @returns the sum of the modules' mean light, W/m²
   */
  read(entry: number): number {
    const { light, groups } = this
    let [used, meanSum, sum, low, high] = [0, 0, 0, Infinity, 0]
    for (let p = 0; p < this.#panels.length; p++) {
      const { mean, shaded, strips, stripCount } = this.#panels[p] as PanelLight
      const row = this.#at[p] as number
      const value = mean[entry] as number
      meanSum += value
      if (shaded[row] !== entry) {
        light[used] = value
        groups[used++] = stripCount
        sum += value * stripCount
        if (value < low) low = value
        if (value > high) high = value
        continue
      }
      this.#at[p] = row + 1
      const first = used
      for (let i = row * stripCount; i < (row + 1) * stripCount; i++) {
        const strip = strips[i] as number
        sum += strip
        if (strip < low) low = strip
        if (strip > high) high = strip
        if (used > first && light[used - 1] === strip) groups[used - 1] = (groups[used - 1] as number) + 1
        else {
          light[used] = strip
          groups[used++] = 1
        }
      }
    }
    this.levels = used
    this.#isSorted = false
    this.low = low
    this.high = high
    this.mean = this.all > 0 ? sum / this.all : 0
    return meanSum
  }

  /** Variance of the groups' light against its mean. */
  variance(): number {
    let sum = 0
    for (let j = 0; j < this.levels; j++)
      sum += (this.groups[j] as number) * ((this.light[j] as number) / this.mean - 1) ** 2
    return sum / this.all
  }

  /** Puts the levels in order, the brightest first, and those that are alike together. */
  sort(): void {
    if (this.#isSorted) return
    this.#isSorted = true
    const { light, groups } = this
    brightestFirst(light, groups, this.levels)
    let used = 0
    let top = 0
    for (let i = 0; i < this.levels; i++) {
      const value = light[i] as number
      if (used === 0 || value < top * (1 - alikeShare)) {
        light[used] = top = value
        groups[used++] = groups[i] as number
        continue
      }
      const [own, more] = [groups[used - 1] as number, groups[i] as number]
      light[used - 1] = ((light[used - 1] as number) * own + value * more) / (own + more)
      groups[used - 1] = own + more
    }
    this.levels = used
  }
}

/** Where a string works. */
export interface WorkingPoint {
  /** Even light on all groups that would give as much, W/m². */
  lit: number
  /** Efficiency against the rated one at 25 °C and at the cells' temperature. */
  atStc: number
  atCell: number
  /** Share of its best that the inverter's window leaves it. */
  held: number
  voltsV: number
}

/** Asked about one entry after the other. */
export interface AtEntry {
  /** Where the string works in its window. */
  best(clean: number, cellC: number, inSeries: number): WorkingPoint
  /** Where it works at these volts, in the conditions that were asked about last; nothing is held where it never comes to them. */
  at(voltsV: number): WorkingPoint
  /** Takes its best from the whole curve, if it was not: so that what follows agrees with it. */
  onCurve(): void
  /**
   * Where it works at this current; `held` is below nought where bypass diodes take more than the rest gives. Without a
   * curve it stays at its best.
   * @param bestPowerW what it gives at its best, by which its curve is scaled
   */
  atCurrent(currentA: number, bestPowerW: number): WorkingPoint
  /** The current that it never comes to, A; without a curve the one at its best. */
  mostA(bestPowerW: number): number
}

/**
 * The working point of the entry that `groups` was read to, by the share of clean light, the cells' temperature and the
 * number of modules in series. Groups lit nearly alike work as their module, less what their variance costs; others on
 * the curve of the string where the module's model has one, else by the staircase of their light. The result is one
 * object, overwritten each time.
 */
export function workingPoint(
  groups: LitGroups,
  { power, window }: { readonly power: ModulePower; readonly window?: VoltWindow },
): AtEntry {
  const out: WorkingPoint = { lit: 0, atStc: 1, atCell: 1, held: 1, voltsV: 0 }
  const { curve } = power
  const cleaned = new Float64Array(groups.all)
  const counts = new Float64Array(groups.all)
  const alone = new Float64Array(groups.all)

  const asOneModule = (clean: number, cellC: number, inSeries: number) => {
    const effective = groups.mean * clean
    out.atStc = power.efficiency(effective, 25)
    out.atCell = power.efficiency(effective, cellC)
    out.voltsV = inSeries * power.volts(effective, cellC)
    out.lit = groups.mean
    out.held = 1
  }
  const isInside = () =>
    !window || (out.voltsV >= Math.max(window.lowV, window.startV) && out.voltsV <= window.highV)

  /** The mean of the levels' efficiencies by their light, and the light that each level makes at the cells' temperature. */
  const byLevels = (clean: number, cellC: number) => {
    const { light, levels } = groups
    let [stc, hot, sum] = [0, 0, 0]
    for (let j = 0; j < levels; j++) {
      const value = light[j] as number
      const weight = value * (groups.groups[j] as number)
      const made = weight * power.efficiency(value * clean, cellC)
      sum += weight
      stc += weight * power.efficiency(value * clean, 25)
      hot += made
      alone[j] = made
    }
    out.atStc = sum > 0 ? stc / sum : 1
    out.atCell = sum > 0 ? hot / sum : 1
  }

  /** The whole curve at the conditions asked about last. */
  const whole = { isMade: false, clean: 1, cellC: 25, inSeries: 0, bestW: 0 }

  /** Groups by their levels, as the curve asks for them. */
  const makeLevels = (model: SeriesCurve) => {
    const { clean, cellC, inSeries } = whole
    groups.sort()
    byLevels(clean, cellC)
    const { light, levels, all } = groups
    // Panels that stand for several modules each have their groups as many times.
    const times = (inSeries * model.groupsPerModule) / all
    const wattsOf = (model.ratedW / stcWm2 / model.groupsPerModule) * clean * times
    let apartW = 0
    for (let j = 0; j < levels; j++) {
      cleaned[j] = (light[j] as number) * clean
      counts[j] = (groups.groups[j] as number) * times
      alone[j] = (alone[j] as number) * wattsOf
      apartW += alone[j] as number
    }
    return apartW
  }
  const workOn = (model: SeriesCurve, held: VoltWindow | null) => {
    const apartW = makeLevels(model)
    const best = model.best(cleaned, counts, alone, groups.levels, whole.cellC, held)
    whole.isMade = true
    whole.bestW = best.powerW
    // The efficiencies are those of the same table, so that its own error cancels.
    out.lit = apartW > 0 ? groups.mean * Math.min(1, best.powerW / apartW) : 0
    out.held = best.powerW > 0 ? best.heldW / best.powerW : 0
    out.voltsV = best.voltsV
    return out
  }

  /** Amperes of the curve to those of what it stands for: snow that covers a share, and the table's own error. */
  const currentScale = (bestPowerW: number) => (whole.bestW > 0 ? bestPowerW / whole.bestW : 0)

  return {
    best: (clean, cellC, inSeries) => {
      Object.assign(whole, { isMade: false, clean, cellC, inSeries })
      const isSlight = groups.high - groups.low <= slightSpread * groups.high
      if (!curve) {
        groups.sort()
        byLevels(clean, cellC)
        out.lit = seriesBest(groups.light, groups.groups, groups.levels)
        out.voltsV = inSeries * power.volts(out.lit * clean, cellC)
        return out
      }
      if (isSlight) {
        asOneModule(clean, cellC, inSeries)
        const variance = groups.high > groups.low ? groups.variance() : 0
        if (variance > 0) out.lit *= 1 - variance * curve.lossByVariance(groups.mean * clean, cellC)
        if (isInside()) return out
      }
      return workOn(curve, window ?? null)
    },
    at: (voltsV) => {
      if (!curve) return out
      if (!whole.isMade) workOn(curve, null)
      const { bestW, cellC } = whole
      out.held = bestW > 0 ? curve.heldAt(cleaned, counts, alone, groups.levels, cellC, voltsV) / bestW : 0
      out.voltsV = voltsV
      return out
    },
    onCurve: () => {
      if (curve && !whole.isMade) workOn(curve, null)
    },
    atCurrent: (currentA, bestPowerW) => {
      if (!curve) return out
      const scale = currentScale(bestPowerW)
      const own = scale > 0 ? currentA / scale : 0
      out.voltsV = curve.voltsAt(cleaned, counts, alone, groups.levels, whole.cellC, own)
      out.held = whole.bestW > 0 ? (own * out.voltsV) / whole.bestW : 0
      return out
    },
    mostA: (bestPowerW) => {
      if (!curve) return out.voltsV > 0 ? bestPowerW / out.voltsV : 0
      return currentScale(bestPowerW) * curve.lightCurrentA(groups.high * whole.clean, whole.cellC)
    },
  }
}
