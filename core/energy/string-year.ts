import { type Losses } from '../kinds/losses/losses'
import { type SunHours } from '../sun/sun-hours'
import { type WeatherYear } from '../weather/weather-year'
import { cellTemperatureC, type HeatLoss } from './cell-temperature'
import { type ModulePower } from './module-power'
import { type PanelLight } from './panel-light'
import { type PlaneLight } from './plane-light'
import { type VoltWindow } from './series-curve'
import { LitGroups, workingPoint, type WorkingPoint } from './working-point'

/** What the modules of one array have in common. */
export interface ArrayConditions {
  readonly light: PlaneLight
  readonly heat: HeatLoss
  /** Share of the output that lying snow takes, one an interval; null where it is entered by month. */
  readonly snowLost: Float32Array | null
}

/** Modules of a string on one of its planes. */
export interface PlaneShare {
  readonly conditions: ArrayConditions
  readonly modules: number
}

/** A string as the energy chain sees it: modules in series with one current. */
export interface LitString {
  readonly panels: readonly PanelLight[]
  readonly conditions: ArrayConditions
  /** Where they lie on several planes: all of those, in place of `conditions`. */
  readonly planes?: readonly PlaneShare[]
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
  /** What each module brings into it: the sum of its watts, or over several planes its light; null where all bring alike. */
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

/** Modules in series, entry after entry. */
export interface InSeries {
  /** Reads an entry, to be asked in their order, and books what is lost before the modules work; false where nothing is left. */
  read(entry: number): boolean
  /** What they give at the entry at their best in the window, overwritten each time. */
  work(): Given
  /** What they give at these volts, once they have worked at their best there. */
  workAt(voltsV: number): Given
  /** What they give at this current, A, once they have worked at their best there; below nought where bypass diodes take more. */
  workAtCurrent(currentA: number): Given
  /** The current that they never come to, A. */
  mostA(): number
  /** Books what was lost where they last worked. */
  book(): void
  /** What each module has brought, see `StringYear`. */
  weights(): readonly number[] | null
}

/**
 * From light on modules in series to their power. Where their groups of cells are lit unlike each other they work at
 * the greatest maximum of their common curve; the light is converted at the efficiency of the sheet's model, once at
 * 25 °C (low light) and once at the modules' temperature (heat); what the window of what they hang on keeps from their
 * best point is lost last. Modules on several planes have each the light of their own and are as warm as all of them on
 * the mean, by their light: within two percent of the whole curve in every hour tried.
 * @param out light and losses are added to it; the power is not
 */
export function inSeriesInto(
  out: StringYear,
  { panels, conditions, planes, connected, inSeries = panels.length }: LitString,
  request: StringRequest,
): InSeries {
  const { losses, weather, sun } = request
  const rated = request.powerW / stcWm2
  const { reflection, shade, unwired, mismatch, snow, dirt, heat, window } = out.lostW
  const lowLight = out.lostW['low-light']
  const n = panels.length
  const shares = planes ?? [{ conditions, modules: n }]
  const groups = new LitGroups(panels)
  const point = workingPoint(groups, request)
  const given: Given = { powerW: 0, voltsV: 0 }
  let [entry, meanSum, clean, bare, cell] = [0, 0, 0, 0, 0]
  let at: WorkingPoint | null = null
  const nominalOf = ({ lit }: WorkingPoint) => Math.min(meanSum / n, lit) * n * rated
  /** What they give with nothing held back. */
  const freeW = (where: WorkingPoint) => nominalOf(where) * bare * clean * where.atCell
  const gives = (where: WorkingPoint) => {
    at = where
    given.powerW = freeW(where) * where.held
    given.voltsV = where.voltsV
    return given
  }
  return {
    read: (k) => {
      entry = k
      at = null
      let [incident, open] = [0, 0]
      for (const { conditions: own, modules } of shares) {
        incident += incidentOn(own.light, k) * modules
        open += openOn(own.light, k) * modules
      }
      meanSum = groups.read(k)
      add(out.sunW, k, incident * rated)
      add(reflection, k, (incident - open) * rated)
      add(shade, k, (open - meanSum) * rated)
      if (!connected) add(unwired, k, meanSum * rated)
      if (!connected || meanSum <= 0) return false
      const i = sun.interval[k] as number
      const month = sun.month[k] as number
      clean = 1 - (losses.soiling[month] ?? 0)
      const lost = losses.snow[month] ?? 0
      // The glass holds heat as well: what warms the module is the light that meets it, in the measure it is lit.
      const warmed = open > 0 ? meanSum / open : 0
      bare = cell = 0
      for (const { conditions: own, modules } of shares) {
        bare += (1 - (own.snowLost ? (own.snowLost[i] as number) : lost)) * modules
        const light = incidentOn(own.light, k)
        const celsius = cellTemperatureC(
          weather.temperatureC[i] as number,
          light * warmed,
          weather.windMs[i] as number,
          own.heat,
        )
        // Darker ones are bypassed, or give less: what brighter ones have counts more.
        cell += incident > 0 ? (celsius * light * modules) / incident : (celsius * modules) / n
      }
      bare /= n
      return true
    },
    work: () => gives(point.best(clean, cell, inSeries)),
    workAt: (voltsV) => gives(point.at(voltsV)),
    workAtCurrent: (currentA) => {
      at ??= point.best(clean, cell, inSeries)
      point.onCurve()
      return gives(point.atCurrent(currentA, freeW(at)))
    },
    mostA: () => {
      at ??= point.best(clean, cell, inSeries)
      point.onCurve()
      return point.mostA(freeW(at))
    },
    book: () => {
      if (!at) return
      const nominal = nominalOf(at)
      const dirty = nominal * bare * clean
      const hot = dirty * at.atCell
      add(mismatch, entry, meanSum * rated - nominal)
      add(snow, entry, nominal * (1 - bare))
      add(dirt, entry, nominal * bare * (1 - clean))
      add(lowLight, entry, dirty * (1 - at.atStc))
      add(heat, entry, dirty * (at.atStc - at.atCell))
      add(window, entry, hot - hot * at.held)
    },
    // Modules in series bring alike as long as they face one way; over several planes, in the measure of their light.
    weights: () => (planes ? panels.map(({ meanKwhM2 }) => meanKwhM2) : null),
  }
}

/** Light that meets the glass of a plane, and what comes through it, W/m². */
const incidentOn = ({ beam, sky, groundReflected }: PlaneLight, k: number): number =>
  (beam[k] as number) + (sky[k] as number) + (groundReflected[k] as number)
const openOn = ({ direct, dome, horizon, ground }: PlaneLight, k: number): number =>
  (direct[k] as number) + (dome[k] as number) + (horizon[k] as number) + (ground[k] as number)

/**
 * A year of modules in series, see `inSeriesInto`. In every entry `sunW` is `powerW` and all of `lostW` together.
 */
export function stringYear(string: LitString, request: StringRequest): StringYear {
  const out = emptyYear(request.sun.interval.length, request.withVolts)
  return yearOf(inSeriesInto(out, string, request), out, request)
}

/** Every entry at its best, where nothing else hangs on the input. @param out what `series` books into */
export function yearOf(
  series: InSeries,
  out: StringYear,
  { withVolts, sun }: Pick<StringRequest, 'withVolts' | 'sun'>,
): StringYear {
  for (let k = 0; k < sun.interval.length; k++) {
    if (!series.read(k)) continue
    const { powerW, voltsV } = series.work()
    series.book()
    out.powerW[k] = powerW
    if (withVolts) out.voltWatts[k] = powerW * voltsV
  }
  return { ...out, weights: series.weights() }
}

/** Adds to an entry. */
export const add = (series: Float64Array, k: number, value: number): void => {
  series[k] = (series[k] as number) + value
}
