import { diodeAt, maximumPower, type DiodeModel, type DiodeParameters } from './single-diode'

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
}

/** Volts over a bypass diode that carries the string's current, as a Schottky diode has them. */
export const bypassV = 0.5
/** What levels would give alone is taken from a table by some, and may be under the truth by less than this. */
const tableSlack = 1.002
/** Where the search for a maximum begins, as a share of the greatest current. */
const firstShare = 0.94
/** Of the way to the light current, where volts fall without end: from there on a parabola gives the top. */
const closeEnough = 0.1
/** A correction by the shunt's leak below which the exponential is its third-order polynomial to a hundred-thousandth. */
const slightStep = 0.1
/** Of the current: a top at the end of its reach is as good as there. */
const narrow = 1e-4
/** Of the greatest current: as near as a current comes to what an input's volts let through. */
const holdShare = 1e-7
const newtonSteps = 14
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
  /** A module at 1000 W/m² and 25 °C. */
  readonly ratedW: number
  readonly #out: SeriesBest = { powerW: 0, heldW: 0, voltsV: 0 }
  #cellC = NaN
  #cell: DiodeParameters
  /** Light currents of the levels, A, volts that all groups of a level stay under, and how many groups are darker. */
  #currents = new Float64Array(64)
  #opens = new Float64Array(64)
  #darker = new Float64Array(64)
  /** What the string stays under between a level's light current and the next one's, W. */
  #bounds = new Float64Array(64)
  /** Volts of the groups summed last, and how they change with the current, once and twice. */
  #volts = 0
  #slope = 0
  #bend = 0
  #losses: Float64Array | null = null
  /** Where a climb ended. */
  #topV = 0

  constructor(model: DiodeModel, groupsPerModule: number) {
    this.#model = model
    this.ratedW = maximumPower(diodeAt(model, 1000, 25)).powerW
    this.groupsPerModule = groupsPerModule
    this.#cell = diodeAt(model, 1000, 25)
  }

  /** What the groups of one level give at their own best point, W. */
  alone(lightWm2: number, groups: number, cellC: number): number {
    const [light, counts] = [Float64Array.of(lightWm2), Float64Array.of(groups)]
    if (!(lightWm2 > 0)) return 0
    this.#prepare(light, counts, counts, 1, cellC)
    return this.#climb(light, counts, 1, 0, 0)
  }

  /**
   * @param light behind the glass, W/m², of each level, the brightest first
   * @param groups how many groups have that light
   * @param alone what they would give at their own best point, W: where it is worth to look follows from it
   * @param levels how many entries of the three count
   * @param window null where nothing holds the string: `heldW` is `powerW` then
   * @returns one object, overwritten by the next question
   */
  best(
    light: Float64Array,
    groups: Float64Array,
    alone: Float64Array,
    levels: number,
    cellC: number,
    window: VoltWindow | null,
  ): SeriesBest {
    const out = this.#out
    out.powerW = out.heldW = out.voltsV = 0
    let dark = 0
    while (levels > 0 && !((light[levels - 1] as number) > 0)) dark += groups[--levels] as number
    if (levels === 0) return out
    const open = this.#prepare(light, groups, alone, levels, cellC)
    for (let looked = 0; looked < levels; looked++) {
      let last = 0
      for (let j = 1; j < levels; j++)
        if ((this.#bounds[j] as number) > (this.#bounds[last] as number)) last = j
      const most = (this.#bounds[last] as number) * tableSlack
      if (most <= (window ? out.heldW : out.powerW)) break
      this.#bounds[last] = 0
      const least = last + 1 < levels ? (this.#currents[last + 1] as number) : 0
      const power = this.#climb(light, groups, last + 1, least, dark + (this.#darker[last] as number))
      const held = !window || (this.#topV >= window.lowV && this.#topV <= window.highV)
      if (power > out.powerW) out.powerW = power
      if (held && power > out.heldW) {
        out.heldW = power
        out.voltsV = this.#topV
      }
    }
    if (!window) return out
    if (out.voltsV < window.startV && !this.#reaches(light, groups, levels, open, window.startV))
      out.heldW = out.voltsV = 0
    else if (out.heldW < out.powerW)
      for (const volts of [window.lowV, window.highV])
        if (this.#reaches(light, groups, levels, open, volts)) this.#hold(light, groups, levels, volts)
    return out
  }

  /**
   * What the same levels give where their input holds them at these volts; nought where they do not come to them.
   */
  heldAt(
    light: Float64Array,
    groups: Float64Array,
    alone: Float64Array,
    levels: number,
    cellC: number,
    voltsV: number,
  ): number {
    let lit = levels
    while (lit > 0 && !((light[lit - 1] as number) > 0)) lit--
    if (lit === 0) return 0
    const open = this.#prepare(light, groups, alone, lit, cellC)
    if (!this.#reaches(light, groups, lit, open, voltsV)) return 0
    return this.#currentAt(light, groups, lit, voltsV) * voltsV
  }

  /** The current that so much light makes in a cell, A: no group gives more. */
  lightCurrentA(lightWm2: number, cellC: number): number {
    this.#carryTo(cellC)
    return (lightWm2 / 1000) * this.#cell.lightA
  }

  /** Volts of the same levels at a current, A; below zero where most of them are bypassed. */
  voltsAt(
    light: Float64Array,
    groups: Float64Array,
    alone: Float64Array,
    levels: number,
    cellC: number,
    currentA: number,
  ): number {
    this.#prepare(light, groups, alone, levels, cellC)
    let taking = 0
    while (taking < levels && (this.#currents[taking] as number) > currentA) taking++
    let bypassed = 0
    for (let j = taking; j < levels; j++) bypassed += groups[j] as number
    this.#sum(light, groups, taking, currentA)
    return this.#volts - bypassV * bypassed
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
        const cellC = coldestC + b * cellStepK
        const alone = levels.map((level) => this.alone(level, 12, cellC))
        const { powerW } = this.best(levels, Float64Array.of(12, 12), alone, 2, cellC, null)
        out[a * varianceCells + b] =
          (1 - powerW / ((alone[0] as number) + (alone[1] as number))) / spread ** 2
      }
    })
    return out
  }

  /**
   * Carries the model to the cells' temperature, takes light currents of the levels and what bounds their power.
   * @returns volts that the string stays under
   */
  #prepare(
    light: Float64Array,
    groups: Float64Array,
    alone: Float64Array,
    levels: number,
    cellC: number,
  ): number {
    this.#carryTo(cellC)
    if (this.#currents.length < levels) {
      this.#currents = new Float64Array(2 * levels)
      this.#opens = new Float64Array(2 * levels)
      this.#darker = new Float64Array(2 * levels)
      this.#bounds = new Float64Array(2 * levels)
    }
    const { lightA, saturationA, thermalV } = this.#cell
    let [open, darker] = [0, 0]
    for (let j = levels - 1; j >= 0; j--) {
      const current = ((light[j] as number) / 1000) * lightA
      const volts =
        ((groups[j] as number) / this.groupsPerModule) * thermalV * Math.log1p(current / saturationA)
      this.#currents[j] = current
      // Without its shunt a diode would reach as far.
      this.#opens[j] = volts
      this.#darker[j] = darker
      open += volts
      darker += groups[j] as number
    }
    for (let last = 0; last < levels; last++) {
      const current = this.#currents[last] as number
      let sum = 0
      for (let j = 0; j <= last; j++)
        sum += Math.min(alone[j] as number, current * (this.#opens[j] as number))
      this.#bounds[last] = sum
    }
    return open
  }

  #carryTo(cellC: number): void {
    if (cellC === this.#cellC) return
    this.#cell = diodeAt(this.#model, 1000, cellC)
    this.#cellC = cellC
  }

  /** Whether the string comes to these volts; looked at closely only where the bound does not say. */
  #reaches(
    light: Float64Array,
    groups: Float64Array,
    levels: number,
    openBound: number,
    voltsV: number,
  ): boolean {
    if (openBound <= voltsV) return false
    this.#sum(light, groups, levels, 0)
    return this.#volts > voltsV
  }

  /** Volts of the groups of the first levels at a current below their light currents, with both derivatives. */
  #sum(light: Float64Array, groups: Float64Array, levels: number, currentA: number): void {
    const { saturationA, seriesOhm, shuntOhm, thermalV } = this.#cell
    let [volts, slope, bend] = [0, 0, 0]
    for (let j = 0; j < levels; j++) {
      const difference = Math.max(0, (this.#currents[j] as number) - currentA)
      const shunt = (light[j] as number) / 1000 / shuntOhm
      const leak = shunt * thermalV
      // Junction volts over thermal volts if all went through the diode; then Newton's steps for what leaks.
      let x = Math.log1p(difference / saturationA)
      let grown = saturationA + difference
      let step = (leak * x) / (grown + leak)
      if (step > slightStep) {
        x = this.#nearFoot(difference, leak, Math.min(x, difference / leak))
        grown = saturationA * Math.exp(x)
      } else {
        x -= step
        grown *= 1 - step * (1 - step * (0.5 - step / 6))
      }
      step = (grown - saturationA + leak * x - difference) / (grown + leak)
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

  /** The greatest power of the first levels between a current and the least of their light currents, W. */
  #climb(
    light: Float64Array,
    groups: Float64Array,
    levels: number,
    leastA: number,
    bypassed: number,
  ): number {
    const mostA = this.#currents[levels - 1] as number
    let [low, high] = [leastA, mostA]
    let current = mostA * firstShare > leastA ? mostA * firstShare : (leastA + mostA) / 2
    for (let k = 0; k < newtonSteps; k++) {
      this.#sum(light, groups, levels, current)
      const volts = this.#volts - bypassV * bypassed
      const rise = volts + current * this.#slope
      const fall = 2 * this.#slope + current * this.#bend
      const way = -rise / fall
      if (rise > 0) low = current
      else high = current
      const next = current + way
      if (Math.abs(way) < closeEnough * (mostA - current) && next > leastA) {
        this.#topV = volts + way * (this.#slope + (way * this.#bend) / 2)
        return current * volts + (way * rise) / 2
      }
      if (high - low < narrow * mostA || k === newtonSteps - 1) {
        this.#topV = volts
        return current * volts
      }
      current = next > low && next < high ? next : (low + high) / 2
    }
    return 0
  }

  /** What the string gives where its input holds it at these volts, which it reaches. */
  #hold(light: Float64Array, groups: Float64Array, levels: number, voltsV: number): void {
    const power = this.#currentAt(light, groups, levels, voltsV) * voltsV
    if (power <= this.#out.heldW) return
    this.#out.heldW = power
    this.#out.voltsV = voltsV
  }

  /** The string's current at volts that it reaches. */
  #currentAt(light: Float64Array, groups: Float64Array, levels: number, voltsV: number): number {
    let [low, high] = [0, this.#currents[0] as number]
    let current = high * firstShare
    for (let k = 0; k < bisections && high - low > holdShare * high; k++) {
      let taking = 0
      while (taking < levels && (this.#currents[taking] as number) > current) taking++
      let bypassed = 0
      for (let j = taking; j < levels; j++) bypassed += groups[j] as number
      this.#sum(light, groups, taking, current)
      const over = this.#volts - bypassV * bypassed - voltsV
      if (over > 0) low = current
      else high = current
      // Newton's step where it stays between the two, else half way. A little aside of it, so that both come near.
      const next = current - over / this.#slope
      current =
        next > low && next < high ? next + (over > 0 ? 1 : -1) * holdShare * 0.3 * high : (low + high) / 2
      if (!(current > low && current < high)) current = (low + high) / 2
    }
    return low
  }
}
