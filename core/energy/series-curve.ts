import { diodeAt, type DiodeModel, type DiodeParameters } from './single-diode'

/** The volts an input of the inverter works at; a string that does not reach `startV` does not start. */
export interface VoltWindow {
  readonly lowV: number
  readonly highV: number
  readonly startV: number
}

/** What a string gives. */
export interface SeriesBest {
  /** At the greatest of its maxima. */
  powerW: number
  /** At the best that its input's window leaves it, and the volts there. */
  heldW: number
  voltsV: number
  /** What its groups would give if each worked at its own best point. */
  apartW: number
}

/** Volts over a bypass diode that carries the string's current, as a Schottky diode has them. */
export const bypassV = 0.5
/** Power between two light currents stays under this share of the greater one times the open-circuit volts. */
const fillBound = 0.95
/** Where the search for a maximum begins, as a share of the greatest current. */
const firstShare = 0.94
/** Of the current: the power, flat at its top, is then within a millionth. */
const closeEnough = 1e-4
const newtonSteps = 12
const bisections = 48
/** Grid of `lossByVariance`: the light even in its root. */
const lightStepWm2 = 40
const varianceLights = [10, 40, 160, 360, 640, 1000, 1440]
const coldestC = -20
const cellStepK = 25
const varianceCells = 5

/**
 * Groups of cells in series, each behind its bypass diode, on the single-diode model: the current-voltage curve of a
 * string whose groups are lit unlike each other. A group takes part while its light current is above the string's, and
 * is bypassed beyond. Between two light currents volts are falling and concave in the current, so that the power has
 * one maximum there, which Newton's steps find within a bracket; the greatest of these counts.
 */
export class SeriesCurve {
  readonly #model: DiodeModel
  /** Each has its share of the module's volts. */
  readonly groupsPerModule: number
  readonly #out: SeriesBest = { powerW: 0, heldW: 0, voltsV: 0, apartW: 0 }
  #cellC = NaN
  #cell: DiodeParameters
  /** Light currents of the levels, A, and volts at open circuit of all groups that have them. */
  #currents = new Float64Array(64)
  #opens = new Float64Array(64)
  /** Volts of the groups summed last, and how they change with the current, once and twice. */
  #volts = 0
  #slope = 0
  #bend = 0
  #losses: Float64Array | null = null
  /** Where a climb ended. */
  #topV = 0

  constructor(model: DiodeModel, groupsPerModule: number) {
    this.#model = model
    this.groupsPerModule = groupsPerModule
    this.#cell = diodeAt(model, 1000, 25)
  }

  /**
   * @param light behind the glass, W/m², of each level, the brightest first
   * @param groups how many groups have that light
   * @param levels how many entries of both count
   * @param window null where nothing holds the string: `heldW` is `powerW` then
   * @returns one object, overwritten by the next question
   */
  best(
    light: Float64Array,
    groups: Float64Array,
    levels: number,
    cellC: number,
    window: VoltWindow | null,
  ): SeriesBest {
    const out = this.#out
    out.powerW = out.heldW = out.voltsV = out.apartW = 0
    let bypassed = 0
    while (levels > 0 && !((light[levels - 1] as number) > 0)) bypassed += groups[--levels] as number
    if (levels === 0) return out
    this.#prepare(light, groups, levels, cellC)
    let open = 0
    for (let j = 0; j < levels; j++) {
      open += this.#opens[j] as number
      out.apartW += this.#climb(light, groups, j, j + 1, 0, 0)
    }
    let rest = open
    for (let last = levels - 1; last >= 0; last--) {
      const most = (this.#currents[last] as number) * rest * fillBound
      if (most > out.powerW || (window && most > out.heldW)) {
        const least = last + 1 < levels ? (this.#currents[last + 1] as number) : 0
        const power = this.#climb(light, groups, 0, last + 1, least, bypassed)
        const held = !window || (this.#topV >= window.lowV && this.#topV <= window.highV)
        if (power > out.powerW) out.powerW = power
        if (held && power > out.heldW) {
          out.heldW = power
          out.voltsV = this.#topV
        }
      }
      rest -= this.#opens[last] as number
      bypassed += groups[last] as number
    }
    if (!window) return out
    if (open < window.startV) out.heldW = out.voltsV = 0
    else if (out.heldW < out.powerW)
      for (const volts of [window.lowV, window.highV])
        if (volts < open) this.#hold(light, groups, levels, volts)
    return out
  }

  /**
   * What groups in series lose of their power by the variance of their light, where that is slight: the second-order
   * law of Bucciarelli 1979 ("Power loss in photovoltaic arrays due to mismatch in cell characteristics", Solar Energy
   * 23), its factor taken from this very curve at a few lights and temperatures, straight lines between.
   * @returns share of the power for a variance of 1
   */
  readonly lossByVariance = (lightWm2: number, cellC: number): number => {
    this.#losses ??= this.#varianceLosses()
    const x = Math.max(0, Math.min(varianceLights.length - 1.001, Math.sqrt(lightWm2 / lightStepWm2)))
    const y = Math.max(0, Math.min(varianceCells - 1.001, (cellC - coldestC) / cellStepK))
    const [i, j] = [Math.floor(x), Math.floor(y)]
    const at = (a: number, b: number) => (this.#losses as Float64Array)[a * varianceCells + b] as number
    const low = at(i, j) * (1 - y + j) + at(i, j + 1) * (y - j)
    const high = at(i + 1, j) * (1 - y + j) + at(i + 1, j + 1) * (y - j)
    return low + (high - low) * (x - i)
  }

  #varianceLosses(): Float64Array {
    const out = new Float64Array(varianceLights.length * varianceCells)
    const spread = 0.02
    varianceLights.forEach((light, a) => {
      for (let b = 0; b < varianceCells; b++) {
        const levels = Float64Array.of(light * (1 + spread), light * (1 - spread))
        const { powerW, apartW } = this.best(
          levels,
          Float64Array.of(12, 12),
          2,
          coldestC + b * cellStepK,
          null,
        )
        out[a * varianceCells + b] = (1 - powerW / apartW) / spread ** 2
      }
    })
    return out
  }

  /** Carries the model to the cells' temperature, and takes light currents and open-circuit volts of the levels. */
  #prepare(light: Float64Array, groups: Float64Array, levels: number, cellC: number): void {
    if (cellC !== this.#cellC) {
      this.#cell = diodeAt(this.#model, 1000, cellC)
      this.#cellC = cellC
    }
    if (this.#currents.length < levels) {
      this.#currents = new Float64Array(2 * levels)
      this.#opens = new Float64Array(2 * levels)
    }
    for (let j = 0; j < levels; j++) {
      this.#currents[j] = ((light[j] as number) / 1000) * this.#cell.lightA
      this.#sum(light, groups, j, j + 1, 0)
      this.#opens[j] = this.#volts
    }
  }

  /** Volts of the groups of some levels at a current below their light currents, with both derivatives. */
  #sum(light: Float64Array, groups: Float64Array, from: number, to: number, currentA: number): void {
    const { saturationA, seriesOhm, shuntOhm, thermalV } = this.#cell
    let [volts, slope, bend] = [0, 0, 0]
    for (let j = from; j < to; j++) {
      const difference = Math.max(0, (this.#currents[j] as number) - currentA)
      const shunt = (light[j] as number) / 1000 / shuntOhm
      const leak = shunt * thermalV
      // Junction volts over thermal volts: through the diode alone, less what leaks through the shunt there.
      let x = Math.log1p(difference / saturationA)
      const through = difference - leak * x
      if (through > 0.3 * difference) x = Math.log1p(through / saturationA)
      else x = this.#nearFoot(difference, leak, Math.min(x, difference / leak))
      let grown = saturationA * Math.exp(x)
      const step = (grown - saturationA + leak * x - difference) / (grown + leak)
      x -= step
      grown *= 1 - step
      const steep = grown / thermalV + shunt
      const share = (groups[j] as number) / this.groupsPerModule
      volts += share * (x * thermalV - currentA * seriesOhm)
      slope -= share * (1 / steep + seriesOhm)
      bend -= (share * grown) / (thermalV * thermalV * steep * steep * steep)
    }
    this.#volts = volts
    this.#slope = slope
    this.#bend = bend
  }

  /** Where much of the difference leaks: Newton's steps down from above, each term alone giving the whole. */
  #nearFoot(difference: number, leak: number, above: number): number {
    const { saturationA } = this.#cell
    let x = above
    for (let k = 0; k < 4; k++) {
      const grown = saturationA * Math.exp(x)
      x -= (grown - saturationA + leak * x - difference) / (grown + leak)
    }
    return x
  }

  /** The greatest power of some levels between a current and the least of their light currents, W. */
  #climb(
    light: Float64Array,
    groups: Float64Array,
    from: number,
    to: number,
    leastA: number,
    bypassed: number,
  ): number {
    const mostA = this.#currents[to - 1] as number
    let [low, high] = [leastA, mostA]
    let current = mostA * firstShare > leastA ? mostA * firstShare : (leastA + mostA) / 2
    let power = 0
    for (let k = 0; k < newtonSteps; k++) {
      this.#sum(light, groups, from, to, current)
      const volts = this.#volts - bypassV * bypassed
      power = current * volts
      this.#topV = volts
      const rise = volts + current * this.#slope
      if (rise > 0) low = current
      else high = current
      const next = current - rise / (2 * this.#slope + current * this.#bend)
      if (Math.abs(next - current) < closeEnough * mostA || high - low < closeEnough * mostA) break
      current = next > low && next < high ? next : (low + high) / 2
    }
    return power
  }

  /** What the string gives where its input holds it at these volts, which it reaches. */
  #hold(light: Float64Array, groups: Float64Array, levels: number, voltsV: number): void {
    let [low, high] = [0, this.#currents[0] as number]
    for (let k = 0; k < bisections; k++) {
      const current = (low + high) / 2
      let taking = 0
      while (taking < levels && (this.#currents[taking] as number) > current) taking++
      let bypassed = 0
      for (let j = taking; j < levels; j++) bypassed += groups[j] as number
      this.#sum(light, groups, 0, taking, current)
      if (this.#volts - bypassV * bypassed > voltsV) low = current
      else high = current
    }
    if (low * voltsV <= this.#out.heldW) return
    this.#out.heldW = low * voltsV
    this.#out.voltsV = voltsV
  }
}
