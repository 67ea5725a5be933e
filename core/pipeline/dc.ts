import { type Losses } from '../model/kinds/losses'
import { cellTemperatureC, type HeatLoss } from '../energy/cell-temperature'
import { type ModulePower } from '../energy/module-power'
import { seriesBest } from '../energy/strip-mismatch'
import { type ModuleType } from '../electrical/catalogue'
import { type SunHours } from '../sun/sun-hours'
import { type WeatherYear } from '../weather/weather-year'
import { type PanelLight } from './panel-light'
import { type PlaneLight } from './plane-light'

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

const stcWm2 = 1000

/** Everything the chain from light to direct current is told beside its strings. */
export interface DcRequest {
  readonly module: Pick<ModuleType, 'powerW'>
  readonly power: ModulePower
  readonly losses: Losses
  readonly weather: WeatherYear
  readonly sun: SunHours
  /** Whether the inverter asks for its volts. */
  readonly withVolts?: boolean
}

/**
 * From light on the planes to power at the inverter. Each string works at the best step of its
 * strips' bypass diodes; its modules convert
 * that light at the efficiency of their sheet's model, once at 25 °C (low light) and once at their temperature (heat);
 * then the entered losses one after the other. In every entry `sunW` is `powerW` and all of `lostW` together.
 */
export function dcYear(strings: readonly LitString[], request: DcRequest): DcYear {
  const { module, power, losses, weather, sun, withVolts = false } = request
  const entries = sun.interval.length
  const series = () => new Float64Array(entries)
  const lostW = Object.fromEntries(dcLosses.map((name) => [name, series()])) as Record<DcLoss, Float64Array>
  const out = { powerW: series(), voltsV: series(), sunW: series(), lostW }
  const rated = module.powerW / stcWm2
  const { reflection, shade, unwired, mismatch, snow, dirt } = lostW
  const [lowLight, heat] = [lostW['low-light'], lostW.heat]
  for (const { panels, conditions, connected } of strings) {
    const n = panels.length
    const { light, snowLost } = conditions
    const means = panels.map((panel) => panel.mean)
    const strips = panels.map((panel) => panel.strips)
    const counts = panels.map((panel) => panel.stripCount)
    const most = counts.reduce((sum, count) => sum + count, 0)
    const room = { light: new Float64Array(most), parts: new Float64Array(most) }
    for (let k = 0; k < entries; k++) {
      const incident = (light.beam[k] as number) + (light.sky[k] as number) + (light.groundward[k] as number)
      const open =
        (light.direct[k] as number) +
        (light.dome[k] as number) +
        (light.horizon[k] as number) +
        (light.ground[k] as number)
      let meanSum = 0
      for (let p = 0; p < n; p++) meanSum += (means[p] as Float32Array)[k] as number
      add(out.sunW, k, incident * n * rated)
      add(reflection, k, (incident - open) * n * rated)
      add(shade, k, (open * n - meanSum) * rated)
      if (!connected) {
        add(unwired, k, meanSum * rated)
        continue
      }
      if (meanSum <= 0) continue
      const i = sun.interval[k] as number
      const month = sun.month[k] as number
      const best = Math.min(meanSum / n, stringBest(strips, counts, k, room))
      const bare = 1 - (snowLost ? (snowLost[i] as number) : (losses.snow[month] ?? 0))
      const clean = 1 - (losses.soiling[month] ?? 0)
      const nominal = best * n * rated
      const effective = best * clean
      // The glass holds heat as well: what warms the module is the light that meets it, in the measure it is lit.
      const cell = cellTemperatureC(
        weather.temperatureC[i] as number,
        open > 0 ? (incident * meanSum) / (n * open) : 0,
        weather.windMs[i] as number,
        conditions.heat,
      )
      const dirty = nominal * bare * clean
      const atStc = power.efficiency(effective, 25)
      const atCell = power.efficiency(effective, cell)
      const hot = dirty * atCell
      add(mismatch, k, (meanSum - best * n) * rated)
      add(snow, k, nominal * (1 - bare))
      add(dirt, k, nominal * bare * (1 - clean))
      add(lowLight, k, dirty * (1 - atStc))
      add(heat, k, dirty * (atStc - atCell))
      add(out.powerW, k, hot)
      if (withVolts) add(out.voltsV, k, hot * n * power.volts(effective, cell))
    }
  }
  const taken: readonly (readonly [DcLoss, number])[] = [
    ['light-induced', losses.lightInduced],
    ['nameplate', losses.nameplate],
    ['wiring', losses.wiring],
    ['connections', losses.connections],
    ...losses.other.map(({ share }) => ['other', share] as const),
  ]
  if (withVolts)
    for (let k = 0; k < entries; k++) {
      const hot = out.powerW[k] as number
      if (hot > 0) out.voltsV[k] = (out.voltsV[k] as number) / hot
    }
  for (const [name, share] of taken) {
    const series = lostW[name]
    for (let k = 0; k < entries; k++) {
      const rest = out.powerW[k] as number
      const lost = rest * share
      series[k] = (series[k] as number) + lost
      out.powerW[k] = rest - lost
    }
  }
  return out
}

const add = (series: Float64Array, k: number, value: number) => {
  series[k] = (series[k] as number) + value
}

/** Room for a string's light, used again for every entry. */
interface Room {
  readonly light: Float64Array
  readonly parts: Float64Array
}

/**
 * The staircase of `seriesBest` over all strips of a string, without putting them in order where they are alike; a
 * module whose strips are lit alike stands once.
 * @param strips each module's strips, `entry * counts + strip`
 */
function stringBest(
  strips: readonly Float32Array[],
  counts: readonly number[],
  k: number,
  room: Room,
): number {
  const { light, parts } = room
  let low = Infinity
  let high = -Infinity
  let all = 0
  let used = 0
  for (let p = 0; p < strips.length; p++) {
    const of = strips[p] as Float32Array
    const count = counts[p] as number
    const first = used
    for (let i = k * count; i < (k + 1) * count; i++) {
      const value = of[i] as number
      if (value < low) low = value
      if (value > high) high = value
      if (used > first && light[used - 1] === value) parts[used - 1] = (parts[used - 1] as number) + 1
      else {
        light[used] = value
        parts[used++] = 1
      }
    }
    all += count
  }
  // No bypass can win: all but one at the best one's light give no more than all of them at the least.
  return low * all >= high * (all - 1) ? low : seriesBest(light, parts, used)
}
