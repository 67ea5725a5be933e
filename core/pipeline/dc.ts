import { type Losses } from '../model/kinds/losses'
import { cellTemperatureC, type HeatLoss } from '../energy/cell-temperature'
import { seriesBest } from '../energy/strip-mismatch'
import { type ModuleType } from '../electrical/catalogue'
import { type SunHours } from '../sun/sun-hours'
import { type WeatherYear } from '../weather/weather-year'
import { type PanelLight } from './panel-light'

/** A string as the energy chain sees it: modules in series with one current. */
export interface LitString {
  readonly panels: readonly PanelLight[]
  /** Whether it hangs on an input of the inverter; without one it yields nothing. */
  readonly connected: boolean
}

export interface DcYear {
  /** W at the inverter, one entry to each of `SunHours`. */
  readonly powerW: Float64Array
  /** kWh lost on the way, in the order of the chain. */
  readonly lostKwh: {
    /** Light on modules that hang on no input. */
    readonly unwired: number
    readonly mismatch: number
    readonly dirt: number
    readonly heat: number
    readonly lightInduced: number
    readonly nameplate: number
    readonly wiring: number
    readonly connections: number
  }
  readonly kwh: number
}

const stcWm2 = 1000
const stcC = 25

/**
 * Module power with a linear temperature coefficient: P = Pstc G/1000 (1 + gamma (T - 25)), each string at its best
 * bypass step, then the named losses one after the other.
 */
export function dcYear(
  strings: readonly LitString[],
  module: ModuleType,
  losses: Losses,
  weather: WeatherYear,
  sun: SunHours,
  heatLoss: HeatLoss,
): DcYear {
  const entries = sun.interval.length
  const powerW = new Float64Array(entries)
  const sums = { unwired: 0, mean: 0, best: 0, dirty: 0, hot: 0 }
  const clean = 1 - losses.soiling
  const chain =
    (1 - losses.lightInduced) * (1 - losses.nameplate) * (1 - losses.wiring) * (1 - losses.connections)
  for (const { panels, connected } of strings) {
    const n = panels.length
    const bests = panels.map((panel) => panel.best)
    const means = panels.map((panel) => panel.mean)
    for (let k = 0; k < entries; k++) {
      let meanSum = 0
      for (let p = 0; p < n; p++) meanSum += (means[p] as Float32Array)[k] as number
      if (meanSum <= 0) continue
      if (!connected) {
        sums.unwired += (meanSum * module.powerW) / stcWm2
        continue
      }
      const best = stringBest(bests, k)
      const i = sun.interval[k] as number
      const cell = cellTemperatureC(
        weather.temperatureC[i] as number,
        meanSum / n,
        weather.windMs[i] as number,
        heatLoss,
      )
      const nominal = (n * best * module.powerW) / stcWm2
      const dirty = nominal * clean
      const hot = Math.max(0, dirty * (1 + module.powerPerK * (cell - stcC)))
      sums.mean += (meanSum * module.powerW) / stcWm2
      sums.best += nominal
      sums.dirty += dirty
      sums.hot += hot
      powerW[k] = (powerW[k] as number) + hot * chain
    }
  }
  const kwh = sun.stepMinutes / 60_000
  let rest = sums.hot * kwh
  const take = (share: number) => {
    const lost = rest * share
    rest -= lost
    return lost
  }
  const lightInduced = take(losses.lightInduced)
  const nameplate = take(losses.nameplate)
  const wiring = take(losses.wiring)
  const connections = take(losses.connections)
  return {
    powerW,
    lostKwh: {
      unwired: sums.unwired * kwh,
      mismatch: (sums.mean - sums.best) * kwh,
      dirt: (sums.best - sums.dirty) * kwh,
      heat: (sums.dirty - sums.hot) * kwh,
      lightInduced,
      nameplate,
      wiring,
      connections,
    },
    kwh: rest,
  }
}

const scratch: { values: Float64Array } = { values: new Float64Array(0) }

/** The staircase of `seriesBest` over whole modules, without sorting where all are alike. */
function stringBest(bests: readonly Float32Array[], k: number): number {
  const n = bests.length
  if (scratch.values.length !== n) scratch.values = new Float64Array(n)
  const values = scratch.values
  let low = Infinity
  let high = -Infinity
  for (let p = 0; p < n; p++) {
    const value = (bests[p] as Float32Array)[k] as number
    values[p] = value
    if (value < low) low = value
    if (value > high) high = value
  }
  // No bypass can win: n - 1 modules at the best one's light give no more than all of them at the least.
  return low * n >= high * (n - 1) ? low : seriesBest(values)
}
