import { type SettledLosses } from '../kinds/losses/first-year'
import { stringLosses, stringYear, type LitString, type StringRequest, type StringYear } from './string-year'

/** Stages from the light on the modules to the inverter, in their order; each takes from what is left. */
export const dcLosses = [
  ...stringLosses,
  'light-induced',
  'nameplate',
  'wiring',
  'connections',
  'other',
] as const
export type DcLoss = (typeof dcLosses)[number]

export interface DcYear {
  /** W at the inverter, one entry to each of `SunHours`; as all arrays here. */
  readonly powerW: Float64Array
  /** Volts at the inverter, weighted by the strings' power; nought where nobody asks for them. */
  readonly voltsV: Float64Array
  /** What all light on the modules would make at rated efficiency, W. */
  readonly sunW: Float64Array
  /** W lost at each stage; a gain, as in the cold, is below zero. */
  readonly lostW: Readonly<Record<DcLoss, Float64Array>>
}

/** What comes to one inverter. */
export type InverterFeed = Pick<DcYear, 'powerW' | 'voltsV'>

/** The entered losses that all strings have together; what others are called does not count. */
export interface EnteredShares extends Pick<
  SettledLosses,
  'lightInduced' | 'nameplate' | 'wiring' | 'connections'
> {
  readonly other: readonly number[]
}

/**
 * Strings on one inverter, and the entered losses one after the other, each from what is left.
 * @param ohms of each string's cables, where they are known: they take the square of its amperes in the place of a share
 */
export function sumStrings(
  strings: readonly StringYear[],
  entries: number,
  losses: EnteredShares,
  ohms: readonly number[] = [],
): DcYear {
  const series = () => new Float64Array(entries)
  const lostW = Object.fromEntries(dcLosses.map((name) => [name, series()])) as Record<DcLoss, Float64Array>
  const out = { powerW: series(), voltsV: series(), sunW: series(), lostW }
  // What comes to the cables is less than what the modules give: by the losses before them, and the amperes with it.
  const before = (1 - losses.lightInduced) * (1 - losses.nameplate)
  const heatW = series()
  strings.forEach((string, s) => addHeat(heatW, string, (ohms[s] ?? 0) * before * before))
  for (const string of strings) {
    addTo(out.powerW, string.powerW)
    addTo(out.voltsV, string.voltWatts)
    addTo(out.sunW, string.sunW)
    for (const name of stringLosses) addTo(lostW[name], string.lostW[name])
  }
  for (let k = 0; k < entries; k++) {
    const hot = out.powerW[k] as number
    if (hot > 0) out.voltsV[k] = (out.voltsV[k] as number) / hot
  }
  const taken: readonly (readonly [DcLoss, number])[] = [
    ['light-induced', losses.lightInduced],
    ['nameplate', losses.nameplate],
    ['wiring', losses.wiring],
    ['connections', losses.connections],
    ...losses.other.map((share) => ['other', share] as const),
  ]
  for (const [name, share] of taken) {
    const lost = lostW[name]
    for (let k = 0; k < entries; k++) {
      const rest = out.powerW[k] as number
      const part = name === 'wiring' ? Math.min(rest, rest * share + (heatW[k] as number)) : rest * share
      lost[k] = (lost[k] as number) + part
      out.powerW[k] = rest - part
    }
  }
  return out
}

/** All strings of an inverter and their losses at once. */
export const dcYear = (
  strings: readonly LitString[],
  { losses, ...request }: Omit<StringRequest, 'losses'> & { readonly losses: SettledLosses },
): DcYear =>
  sumStrings(
    strings.map((string) => stringYear(string, { ...request, losses })),
    request.sun.interval.length,
    { ...losses, other: losses.other.map(({ share }) => share) },
  )

const addTo = (sum: Float64Array, series: Float64Array) => {
  for (let k = 0; k < series.length; k++) sum[k] = (sum[k] as number) + (series[k] as number)
}

/** What cables take of a string: its amperes squared, times their ohms. */
function addHeat(heatW: Float64Array, { powerW, voltWatts }: StringYear, ohm: number): void {
  if (ohm === 0) return
  for (let k = 0; k < powerW.length; k++) {
    const watts = powerW[k] as number
    const square = voltWatts[k] as number
    // Watts squared over watts times volts are amperes.
    if (square > 0) heatW[k] = (heatW[k] as number) + ((watts * watts) / square) ** 2 * ohm
  }
}
