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

/** Losses that each string has of its own, in their order; each takes from what is left. */
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
  'optimizers',
] as const
export type StringLoss = (typeof stringLosses)[number]

/** A year of one string, W, one entry to each of `SunHours`. */
export interface StringYear {
  readonly powerW: Float64Array
  /** Volts times watts, to be divided by the watts of all; empty where nobody asks for them. */
  readonly voltWatts: Float64Array
  readonly sunW: Float64Array
  readonly lostW: Readonly<Record<StringLoss, Float64Array>>
  /** What each module brings into it, the sum of its watts; null where all bring alike. */
  readonly weights: readonly number[] | null
  /** Of microinverters: what they make of it, after the losses that are entered. */
  readonly ac: DeviceYear | null
}

/** A year behind several small inverters, W, one entry to each of `SunHours`. */
export interface DeviceYear {
  /** How many they are. */
  readonly devices: number
  /** What they give; below zero where they take more. */
  readonly acW: Float64Array
  readonly clippedW: Float64Array
  readonly lostW: Float64Array
  /** What those take that give nothing. */
  readonly drawnW: Float64Array
}

/** Memory that a string's year takes. */
export const stringYearBytes = ({ powerW, voltWatts, ac }: StringYear): number =>
  400 + (stringLosses.length + 2 + (ac ? 4 : 0)) * powerW.byteLength + voltWatts.byteLength

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

/** An empty year to add to. */
export function emptyYear(entries: number, withVolts: boolean): StringYear {
  const series = () => new Float64Array(entries)
  const lostW = Object.fromEntries(stringLosses.map((name) => [name, series()])) as Record<
    StringLoss,
    Float64Array
  >
  return {
    powerW: series(),
    voltWatts: withVolts ? series() : new Float64Array(0),
    sunW: series(),
    lostW,
    weights: null,
    ac: null,
  }
}

/** What modules in series give at an entry, overwritten each time. */
export interface Given {
  powerW: number
  voltsV: number
}

/**
 * From light on modules in series to their power. Where their groups of cells are lit unlike each other they work at
 * the greatest maximum of their common curve; the light is converted at the efficiency of the sheet's model, once at
 * 25 °C (low light) and once at the modules' temperature (heat); what the window of what they hang on keeps from their
 * best point is lost last.
 * @param out light and losses are added to it; the power is not
 * @returns to be asked entry after entry
 */
export function inSeriesInto(
  out: StringYear,
  { panels, conditions, connected, inSeries = panels.length }: LitString,
  request: StringRequest,
): (entry: number) => Given {
  const { losses, weather, sun } = request
  const rated = request.powerW / stcWm2
  const { reflection, shade, unwired, mismatch, snow, dirt, heat, window } = out.lostW
  const lowLight = out.lostW['low-light']
  const n = panels.length
  const { light, snowLost } = conditions
  const groups = new LitGroups(panels)
  const point = workingPoint(groups, request)
  const given: Given = { powerW: 0, voltsV: 0 }
  return (k) => {
    const incident =
      (light.beam[k] as number) + (light.sky[k] as number) + (light.groundReflected[k] as number)
    const open =
      (light.direct[k] as number) +
      (light.dome[k] as number) +
      (light.horizon[k] as number) +
      (light.ground[k] as number)
    const meanSum = groups.read(k)
    add(out.sunW, k, incident * n * rated)
    add(reflection, k, (incident - open) * n * rated)
    add(shade, k, (open * n - meanSum) * rated)
    given.powerW = 0
    given.voltsV = 0
    if (!connected) {
      add(unwired, k, meanSum * rated)
      return given
    }
    if (meanSum <= 0) return given
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
    add(mismatch, k, (meanSum - lit * n) * rated)
    add(snow, k, nominal * (1 - bare))
    add(dirt, k, nominal * bare * (1 - clean))
    add(lowLight, k, dirty * (1 - at.atStc))
    add(heat, k, dirty * (at.atStc - at.atCell))
    add(window, k, hot - held)
    given.powerW = held
    given.voltsV = at.voltsV
    return given
  }
}

/**
 * A year of modules in series, see `inSeriesInto`. In every entry `sunW` is `powerW` and all of `lostW` together.
 */
export function stringYear(string: LitString, request: StringRequest): StringYear {
  const { withVolts, sun } = request
  const entries = sun.interval.length
  const out = emptyYear(entries, withVolts)
  const given = inSeriesInto(out, string, request)
  for (let k = 0; k < entries; k++) {
    const { powerW, voltsV } = given(k)
    out.powerW[k] = powerW
    if (withVolts) out.voltWatts[k] = powerW * voltsV
  }
  return out
}

const add = (series: Float64Array, k: number, value: number) => {
  series[k] = (series[k] as number) + value
}
