import { inverterAc, type InverterCurve } from './inverter-curve'
import { type SunHours } from '../sun/sun-hours'
import { type InverterFeed } from './dc'
import { type DeviceYear } from './string-year'

/** Stages from the inverter's input to its output, in their order. */
export const acLosses = ['inverter', 'own-draw', 'clipping', 'ac-cables', 'downtime'] as const
export type AcLoss = (typeof acLosses)[number]

/** A year behind the inverter; arrays have one entry an interval of the year. */
export interface AcYear {
  /** kWh; a little below zero at night. */
  readonly kwhByInterval: Float64Array
  readonly lostKwh: Readonly<Record<AcLoss, Float64Array>>
  /** What is clipped, kWh, as what would have come out: a DC-coupled battery may take it. */
  readonly clippedByInterval: Float64Array
  /** Sums over the year. */
  readonly kwh: number
  readonly clippedKwh: number
  /** What the inverter itself takes while it gives nothing. */
  readonly ownDrawKwh: number
}

/** What comes out at an entry, W; what is made, clipped and lost adds up to what went in. */
interface AcStep {
  readonly acW: number
  readonly clippedW: number
  readonly lostW: number
}

/** A cable of alternating current: volts that a device gives its watts at, and what it loses of the amperes. */
export interface AcCable {
  /** Amperes are watts over this. */
  readonly wattsPerA: number
  /** Times the square of amperes: watts lost. */
  readonly ohm: number
}

const noCable: AcCable = { wattsPerA: 1, ohm: 0 }

const heatOf = (watts: number, { wattsPerA, ohm }: AcCable): number =>
  watts > 0 ? Math.min(watts, (watts / wattsPerA) ** 2 * ohm) : 0

/**
 * One inverter, or several of a kind side by side, each of which converts and clips what comes to it.
 * @param feeds what comes to each
 * @param unavailable share of the time they are down
 * @param any whether there is anything to convert at all; without modules there is no inverter
 * @param cable of each
 */
export function acYear(
  feeds: readonly InverterFeed[],
  sun: SunHours,
  inverter: InverterCurve,
  unavailable: number,
  any: boolean,
  cable = noCable,
): AcYear {
  if (!any) return gathered(sun, 0, unavailable, 0, () => [{ acW: 0, clippedW: 0, lostW: 0 }, 0, 0])
  const all = { acW: 0, clippedW: 0, lostW: 0 }
  return gathered(sun, feeds.length * inverter.nightW, unavailable, feeds[0]?.powerW.length ?? 0, (k) => {
    all.acW = all.clippedW = all.lostW = 0
    let [drawnW, heatW] = [0, 0]
    for (const { powerW, voltsV } of feeds) {
      const { acW, clippedW, lostW } = inverterAc(powerW[k] as number, inverter, voltsV[k])
      all.acW += acW
      all.clippedW += clippedW
      all.lostW += lostW
      // Below zero it takes more than its own losses: that much comes from the house.
      drawnW += Math.max(0, -acW)
      heatW += heatOf(acW, cable)
    }
    return [all, drawnW, heatW]
  })
}

/**
 * Many small inverters together, by branch.
 * @param nightW of one of them
 * @param cables one to a branch; none that are not known
 */
export function devicesAcYear(
  branches: readonly DeviceYear[],
  sun: SunHours,
  nightW: number,
  unavailable: number,
  cables: readonly AcCable[] = [],
): AcYear {
  const step = { acW: 0, clippedW: 0, lostW: 0 }
  const all = branches.reduce((sum, { devices }) => sum + devices, 0)
  return gathered(sun, all * nightW, unavailable, sun.interval.length, (k) => {
    step.acW = step.clippedW = step.lostW = 0
    let [drawnW, heatW] = [0, 0]
    for (let b = 0; b < branches.length; b++) {
      const branch = branches[b] as DeviceYear
      const acW = branch.acW[k] as number
      heatW += heatOf(acW, cables[b] ?? noCable)
      step.acW += acW
      step.clippedW += branch.clippedW[k] as number
      step.lostW += branch.lostW[k] as number
      drawnW += branch.drawnW[k] as number
    }
    return [step, drawnW, heatW]
  })
}

/** @param at what comes out at an entry, what is drawn from the house of it, and what the cables behind it take */
function gathered(
  sun: SunHours,
  nightW: number,
  unavailable: number,
  entries: number,
  at: (entry: number) => readonly [AcStep, drawnW: number, heatW: number],
): AcYear {
  const series = () => new Float64Array(sun.intervals)
  const out = series()
  const lostKwh = {
    inverter: series(),
    'own-draw': series(),
    clipping: series(),
    'ac-cables': series(),
    downtime: series(),
  }
  const ownDraw = lostKwh['own-draw']
  const kwh = sun.stepMinutes / 60_000
  const night = nightW * kwh
  ownDraw.fill(night)
  out.fill(0 - night)
  let [clippedKwh, ownDrawKwh] = [0, night * (sun.intervals - entries)]
  for (let k = 0; k < entries; k++) {
    const i = sun.interval[k] as number
    const [{ acW, clippedW, lostW }, drawnW, heatW] = at(k)
    const drawn = drawnW * kwh
    ownDraw[i] = drawn
    ownDrawKwh += drawn
    lostKwh.inverter[i] = lostW * kwh - drawn
    lostKwh.clipping[i] = clippedW * kwh
    clippedKwh += clippedW * kwh
    lostKwh['ac-cables'][i] = heatW * kwh
    out[i] = (acW - heatW) * kwh
  }
  const clipped = series()
  let total = 0
  for (let i = 0; i < out.length; i++) {
    const made = out[i] as number
    lostKwh.downtime[i] = made * unavailable
    out[i] = made * (1 - unavailable)
    clipped[i] = (lostKwh.clipping[i] as number) * (1 - unavailable)
    total += out[i] as number
  }
  return { kwhByInterval: out, clippedByInterval: clipped, lostKwh, kwh: total, clippedKwh, ownDrawKwh }
}
