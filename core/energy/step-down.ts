import { type OptimizerType } from '../electrical/catalogue'
import { goldenSection } from '../model/golden-section'
import {
  add,
  inSeriesInto,
  type Given,
  type InSeries,
  type LitString,
  type StringRequest,
  type StringYear,
} from './string-year'

/** What a step-down optimizer can, and its loss. */
export type StepDownLimits = Pick<
  OptimizerType,
  'powerW' | 'outputCurrentA' | 'efficiency' | 'mppLowV' | 'mppHighV'
>

/** A string of which some modules have a step-down optimizer. */
export interface SteppedString {
  /** Those that have none; null where each has one. */
  readonly plain: LitString | null
  /** Those that have one. */
  readonly held: readonly LitString[]
  /** Of each module in the order of the string: whether it has one. */
  readonly isHeld: readonly boolean[]
  readonly connected: boolean
  readonly limits: StepDownLimits
}

/** Under this share of what all give apart it is not worth to look for a better current. */
const enough = 2e-4
/** Even steps of the search over the current, and where it ends. */
const steps = 24
const fineShare = 1e-4
const mostSteps = 60
/** Of the greatest current: as good as none, where the volts are those of an open circuit. */
const nearOpen = 1e-6
const anyVolts = { lowV: 0, highV: Infinity, startV: 0 }

/** What a string gives at one current. */
interface AtCurrent {
  madeW: number
  /** Of the modules, before the optimizers' own loss and limit. */
  takenW: number
  voltsV: number
}

/** A string's modules in series, with step-down optimizers at some of them or without any. */
export const seriesInto = (
  out: StringYear,
  string: LitString | SteppedString,
  request: StringRequest,
): InSeries =>
  'limits' in string ? new SteppedSeries(out, string, request) : inSeriesInto(out, string, request)

/**
 * One current flows through a string. A module without an optimizer has the volts of its curve there. One with a step-down
 * optimizer is at its own best point as long as that needs no more current than flows: its optimizer lowers the volts
 * and raises the current, never the other way round; where less flows, it is passed through and the module works on its
 * own curve. The string works at the current where all give most together, within the volts of the inverter's window. What
 * that leaves of the best point of each is mismatch, what the window takes is the loss `window`, what the optimizers take
 * and keep back is `optimizers`.
 */
class SteppedSeries implements InSeries {
  readonly #out: StringYear
  readonly #string: SteppedString
  readonly #window: StringRequest['window']
  readonly #plain: InSeries | null
  readonly #held: readonly InSeries[]
  readonly #given: Given = { powerW: 0, voltsV: 0 }
  readonly #there: AtCurrent = { madeW: 0, takenW: 0, voltsV: 0 }
  /** Watts of all entries: of the modules without one together, and of each of the others. */
  #plainSum = 0
  readonly #heldSums: Float64Array
  /** The entry's best points: of the modules without, W and A, and of each with. */
  readonly #bestW: Float64Array
  readonly #bestA: Float64Array
  readonly #madeW: Float64Array
  #plainW = 0
  #plainA = 0
  #entry = 0
  #isPlainLit = false
  readonly #isLit: boolean[]
  #isWorking = false
  /** What the modules give where nothing but each other holds them, and how much of that the inverter's volts take. */
  #freeW = 0
  /** The entry's greatest current and its volts at an open circuit, once somebody has asked. */
  #mostA = NaN
  #openV = NaN
  #windowW = 0

  constructor(out: StringYear, string: SteppedString, request: StringRequest) {
    const { window, ...rest } = request
    const { mppLowV, mppHighV } = string.limits
    this.#out = out
    this.#string = string
    this.#window = window
    this.#plain = string.plain && inSeriesInto(out, string.plain, rest)
    this.#held = string.held.map((module) =>
      inSeriesInto(out, module, { ...rest, window: { lowV: mppLowV, highV: mppHighV, startV: 0 } }),
    )
    const n = this.#held.length
    this.#heldSums = new Float64Array(n)
    this.#bestW = new Float64Array(n)
    this.#bestA = new Float64Array(n)
    this.#madeW = new Float64Array(n)
    this.#isLit = new Array<boolean>(n).fill(false)
  }

  read(entry: number): boolean {
    this.#entry = entry
    this.#isWorking = false
    this.#isPlainLit = this.#plain?.read(entry) ?? false
    let any = this.#isPlainLit
    this.#held.forEach((module, m) => {
      const isLit = module.read(entry)
      this.#isLit[m] = isLit
      any ||= isLit
    })
    return any && this.#string.connected
  }

  work(): Given {
    this.#apart()
    const bound = this.#boundW()
    let most = this.#plainA
    for (const own of this.#bestA) if (own > most) most = own
    this.#windowW = 0
    // Where what is in series without optimizers is at its best, the others mostly are.
    const first = Math.min(this.#isPlainLit ? this.#plainA : most, this.#string.limits.outputCurrentA)
    const isFirst = this.#at(first).madeW >= bound * (1 - enough)
    const free = isFirst ? first : this.#bestBetween(0, this.#topA())
    const { voltsV, takenW } = this.#at(free)
    this.#freeW = takenW
    return this.#isInside(voltsV) ? this.#give(free) : this.#holdInside()
  }

  workAt(voltsV: number): Given {
    if (!this.#isWorking) this.work()
    const topA = this.#topA()
    if (this.#open() < voltsV) return this.#giveNothing()
    return this.#giveHeld(this.#currentAt(voltsV, topA))
  }

  workAtCurrent(currentA: number): Given {
    if (!this.#isWorking) this.work()
    return this.#giveHeld(currentA)
  }

  mostA(): number {
    if (!this.#isWorking) this.work()
    return this.#topA()
  }

  book(): void {
    if (!this.#isWorking) return
    const { lostW } = this.#out
    const { takenW, madeW } = this.#there
    let apartW = this.#plainW
    for (const own of this.#bestW) apartW += own
    const k = this.#entry
    const missing = apartW - takenW
    const held = Math.min(missing, this.#windowW)
    add(lostW.mismatch, k, missing - held)
    add(lostW.window, k, held)
    add(lostW.optimizers, k, takenW - madeW)
    for (let m = 0; m < this.#madeW.length; m++)
      this.#heldSums[m] = (this.#heldSums[m] as number) + (this.#madeW[m] as number)
    this.#plainSum += madeW - this.#madeW.reduce((sum, one) => sum + one, 0)
  }

  /** What each module has brought, in the order of the string. */
  weights(): number[] {
    let [plain, held] = [0, 0]
    const plainWeights = this.#plain?.weights() ?? this.#string.plain?.panels.map(() => 1) ?? []
    const all = plainWeights.reduce((sum, one) => sum + one, 0)
    return this.#string.isHeld.map((isHeld) =>
      isHeld
        ? Math.max(0, this.#heldSums[held++] as number)
        : all > 0
          ? (Math.max(0, this.#plainSum) * (plainWeights[plain++] as number)) / all
          : 0,
    )
  }

  /** The best points of all, each by itself, and what is lost before them. */
  #apart(): void {
    this.#isWorking = true
    this.#mostA = this.#openV = NaN
    this.#plainW = this.#plainA = 0
    if (this.#plain && this.#isPlainLit) {
      const { powerW, voltsV } = this.#plain.work()
      this.#plainW = powerW
      this.#plainA = voltsV > 0 ? powerW / voltsV : 0
      this.#plain.book()
    }
    this.#held.forEach((module, m) => {
      this.#bestW[m] = this.#bestA[m] = 0
      if (!this.#isLit[m]) return
      const { powerW, voltsV } = module.work()
      this.#bestW[m] = powerW
      this.#bestA[m] = voltsV > 0 ? powerW / voltsV : 0
      module.book()
    })
  }

  /** What would be made if each were at its best point. */
  #boundW(): number {
    let sum = this.#plainW
    for (const own of this.#bestW) sum += this.#through(own)
    return sum
  }

  #through(watts: number): number {
    const { powerW, efficiency } = this.#string.limits
    return Math.min(watts, powerW) * efficiency
  }

  #isInside(voltsV: number): boolean {
    const window = this.#window
    return !window || (voltsV >= Math.max(window.lowV, window.startV) && voltsV <= window.highV)
  }

  #open(): number {
    if (Number.isNaN(this.#openV)) this.#openV = this.#at(this.#topA() * nearOpen).voltsV
    return this.#openV
  }

  #topA(): number {
    if (!Number.isNaN(this.#mostA)) return this.#mostA
    let top = this.#isPlainLit && this.#plain ? this.#plain.mostA() : 0
    for (const own of this.#bestA) if (own > top) top = own
    this.#mostA = Math.min(top, this.#string.limits.outputCurrentA)
    return this.#mostA
  }

  /** What all give at a current. */
  #at(currentA: number): AtCurrent {
    const there = this.#there
    const plainW = this.#plain && this.#isPlainLit ? this.#plainAt(currentA) : 0
    there.madeW = there.takenW = plainW
    for (let m = 0; m < this.#held.length; m++) {
      const taken = this.#takenAt(m, currentA)
      const made = this.#through(taken)
      this.#madeW[m] = made
      there.takenW += taken
      there.madeW += made
    }
    there.voltsV = currentA > 0 ? there.madeW / currentA : 0
    return there
  }

  #plainAt(currentA: number): number {
    // At its best point nothing is to be looked for.
    if (currentA === this.#plainA) return this.#plainW
    return Math.min(this.#plainW, (this.#plain as InSeries).workAtCurrent(currentA).powerW)
  }

  #takenAt(m: number, currentA: number): number {
    if (!this.#isLit[m]) return 0
    const best = this.#bestW[m] as number
    if (currentA >= (this.#bestA[m] as number)) return best
    return Math.max(0, Math.min(best, (this.#held[m] as InSeries).workAtCurrent(currentA).powerW))
  }

  #give(currentA: number): Given {
    const { madeW, voltsV } = this.#at(currentA)
    if (!(madeW > 0)) return this.#giveNothing()
    this.#given.powerW = madeW
    this.#given.voltsV = voltsV
    return this.#given
  }

  #giveNothing(): Given {
    const there = this.#there
    there.madeW = there.takenW = there.voltsV = 0
    this.#madeW.fill(0)
    this.#given.powerW = this.#given.voltsV = 0
    // What never comes to the volts asked for is lost to them.
    this.#windowW = Infinity
    return this.#given
  }

  /** The same, where the inverter's volts have it there. */
  #giveHeld(currentA: number): Given {
    const given = this.#give(currentA)
    if (given.powerW > 0) this.#windowW = Math.max(0, this.#freeW - this.#there.takenW)
    return given
  }

  /** Where it has to work off its best, because the inverter's window lies elsewhere. */
  #holdInside(): Given {
    const { lowV, highV, startV } = this.#window ?? anyVolts
    const topA = this.#topA()
    const openV = this.#open()
    if (openV < startV || openV < lowV) return this.#giveNothing()
    const least = openV <= highV ? 0 : this.#currentAt(highV, topA)
    const most = this.#at(topA).voltsV >= lowV ? topA : this.#currentAt(lowV, topA)
    return this.#giveHeld(this.#bestBetween(least, most))
  }

  /** The best of all currents between two: at even steps and where each is at its best, then round the best of those. */
  #bestBetween(leastA: number, mostA: number): number {
    const places = [
      ...Array.from({ length: steps + 1 }, (_, k) => leastA + ((mostA - leastA) * k) / steps),
      ...[this.#plainA, ...this.#bestA].filter((own) => own > leastA && own < mostA),
    ].sort((a, b) => a - b)
    let [at, top] = [0, -Infinity]
    places.forEach((place, k) => {
      const { madeW } = this.#at(place)
      if (madeW > top) [at, top] = [k, madeW]
    })
    const best = places[at] ?? mostA
    const found = goldenSection(
      (current) => this.#at(current).madeW,
      places[at - 1] ?? best,
      places[at + 1] ?? best,
      (low, high) => high - low <= fineShare * high,
    )
    return this.#at(found).madeW > top ? found : best
  }

  /**
   * The current at volts that it comes to; volts fall as the current grows. By the false position, an end that stays
   * counting half each time (Dowell and Jarratt 1971).
   */
  #currentAt(voltsV: number, topA: number): number {
    let [low, high] = [topA * nearOpen, topA]
    let [over, under] = [this.#open() - voltsV, this.#at(topA).voltsV - voltsV]
    if (under >= 0) return topA
    let side = 0
    for (let k = 0; k < mostSteps && high - low > fineShare * 0.01 * topA; k++) {
      const at = (low * under - high * over) / (under - over)
      const off = this.#at(at).voltsV - voltsV
      if (Math.abs(off) < fineShare * 0.1 * voltsV) return at
      if (off > 0) {
        ;[low, over] = [at, off]
        if (side === 1) under /= 2
        side = 1
      } else {
        ;[high, under] = [at, off]
        if (side === -1) over /= 2
        side = -1
      }
    }
    return low
  }
}
