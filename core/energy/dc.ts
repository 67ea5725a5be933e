import { type SettledLosses } from '../kinds/losses/first-year'
import { type Losses } from '../kinds/losses/losses'
import { type SunHours } from '../sun/sun-hours'
import { type WeatherYear } from '../weather/weather-year'
import { cellTemperatureC, type HeatLoss } from './cell-temperature'
import { type ModulePower } from './module-power'
import { type PanelLight } from './panel-light'
import { type PlaneLight } from './plane-light'
import { type VoltWindow } from './series-curve'
import { LitGroups, workingPoint } from './working-point'

/** What the modules of one array have in common. */
export interface ArrayConditions {
  readonly light: PlaneLight
  readonly heat: HeatLoss
  /** Share of the output that lying snow takes, one an interval; null where it is entered by month. */
  readonly snowLost: Float32Array | null
}

/** A string as the energy chain sees it: modules in series with one current. */
export interface LitString {
  readonly panels: readonly PanelLight[]
  readonly conditions: ArrayConditions
  /** Whether it hangs on an input of the inverter; without one it yields nothing. */
  readonly connected: boolean
  /** Modules in series, where `panels` are not all of them one by one. */
  readonly inSeries?: number
}

/** Stages from the light on the modules to the inverter, in their order; each takes from what is left. */
export const dcLosses = [
  'reflection',
  'shade',
  'unwired',
  'mismatch',
  'snow',
  'dirt',
  'low-light',
  'heat',
  'window',
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

/** Losses that each string has of its own; the others take their shares from all strings together. */
export const stringLosses = [
  'reflection',
  'shade',
  'unwired',
  'mismatch',
  'snow',
  'dirt',
  'low-light',
  'heat',
  'window',
] as const satisfies readonly DcLoss[]

/** A year of one string, W, one entry to each of `SunHours`. */
export interface StringYear {
  readonly powerW: Float64Array
  /** Volts times watts, to be divided by the watts of all; empty where nobody asks for them. */
  readonly voltWatts: Float64Array
  readonly sunW: Float64Array
  readonly lostW: Readonly<Record<(typeof stringLosses)[number], Float64Array>>
}

/** Memory that a string's year takes. */
export const stringYearBytes = ({ powerW, voltWatts }: StringYear): number =>
  400 + (stringLosses.length + 2) * powerW.byteLength + voltWatts.byteLength

const stcWm2 = 1000

/** Everything a string is told beside its light. */
export interface StringRequest {
  /** Rated power of one module. */
  readonly powerW: number
  readonly power: ModulePower
  readonly losses: Pick<Losses, 'soiling' | 'snow'>
  readonly weather: WeatherYear
  readonly sun: SunHours
  /** Whether the inverter asks for its volts. */
  readonly withVolts: boolean
  /** Volts that the inverter's inputs work at, where strings are held by them. */
  readonly window?: VoltWindow
}

/**
 * From light on the modules of a string to its power. Where its groups of cells are lit unlike each other it works at
 * the greatest maximum of their common curve; its light is converted at the efficiency of the sheet's model, once at
 * 25 °C (low light) and once at the modules' temperature (heat); what the inverter's window keeps from its best point
 * is lost last. In every entry `sunW` is `powerW` and all of `lostW` together.
 */
export function stringYear(string: LitString, request: StringRequest): StringYear {
  const { panels, conditions, connected } = string
  const { losses, weather, sun, withVolts } = request
  const entries = sun.interval.length
  const series = () => new Float64Array(entries)
  const lostW = Object.fromEntries(stringLosses.map((name) => [name, series()])) as StringYear['lostW']
  const out: StringYear = {
    powerW: series(),
    voltWatts: withVolts ? series() : new Float64Array(0),
    sunW: series(),
    lostW,
  }
  const rated = request.powerW / stcWm2
  const { reflection, shade, unwired, mismatch, snow, dirt, heat } = lostW
  const lowLight = lostW['low-light']
  const n = panels.length
  const inSeries = string.inSeries ?? n
  const { light, snowLost } = conditions
  const groups = new LitGroups(panels)
  const point = workingPoint(groups, request)
  for (let k = 0; k < entries; k++) {
    const incident =
      (light.beam[k] as number) + (light.sky[k] as number) + (light.groundReflected[k] as number)
    const open =
      (light.direct[k] as number) +
      (light.dome[k] as number) +
      (light.horizon[k] as number) +
      (light.ground[k] as number)
    const meanSum = groups.read(k)
    out.sunW[k] = incident * n * rated
    reflection[k] = (incident - open) * n * rated
    shade[k] = (open * n - meanSum) * rated
    if (!connected) {
      unwired[k] = meanSum * rated
      continue
    }
    if (meanSum <= 0) continue
    const i = sun.interval[k] as number
    const month = sun.month[k] as number
    const bare = 1 - (snowLost ? (snowLost[i] as number) : (losses.snow[month] ?? 0))
    const clean = 1 - (losses.soiling[month] ?? 0)
    // The glass holds heat as well: what warms the module is the light that meets it, in the measure it is lit.
    const cell = cellTemperatureC(
      weather.temperatureC[i] as number,
      open > 0 ? (incident * meanSum) / (n * open) : 0,
      weather.windMs[i] as number,
      conditions.heat,
    )
    const at = point(clean, cell, inSeries)
    const lit = Math.min(meanSum / n, at.lit)
    const nominal = lit * n * rated
    const dirty = nominal * bare * clean
    const hot = dirty * at.atCell
    const held = hot * at.held
    mismatch[k] = (meanSum - lit * n) * rated
    snow[k] = nominal * (1 - bare)
    dirt[k] = nominal * bare * (1 - clean)
    lowLight[k] = dirty * (1 - at.atStc)
    heat[k] = dirty * (at.atStc - at.atCell)
    lostW.window[k] = hot - held
    out.powerW[k] = held
    if (withVolts) out.voltWatts[k] = held * at.voltsV
  }
  return out
}

/** The entered losses that all strings have together; what others are called does not count. */
export interface EnteredShares extends Pick<
  SettledLosses,
  'lightInduced' | 'nameplate' | 'wiring' | 'connections'
> {
  readonly other: readonly number[]
}

/** Strings on one inverter, and the entered losses one after the other, each from what is left. */
export function sumStrings(strings: readonly StringYear[], entries: number, losses: EnteredShares): DcYear {
  const series = () => new Float64Array(entries)
  const lostW = Object.fromEntries(dcLosses.map((name) => [name, series()])) as Record<DcLoss, Float64Array>
  const out = { powerW: series(), voltsV: series(), sunW: series(), lostW }
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
      const part = rest * share
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
