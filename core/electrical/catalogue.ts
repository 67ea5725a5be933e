import { type KingParameters } from '../energy/king-inverter'

/** Data sheets of what can be put on and under a roof. Values at standard test conditions unless named otherwise. */
export interface ModuleType {
  readonly id: string
  readonly maker: string
  readonly name: string
  readonly powerW: number
  readonly widthM: number
  readonly lengthM: number
  readonly vocV: number
  readonly vmpV: number
  readonly iscA: number
  readonly impA: number
  /** Share for each kelvin. */
  readonly powerPerK: number
  readonly vocPerK: number
  readonly iscPerK: number
  /** Bypass-diode strips, and halves each is cut in. */
  readonly strips: number
  readonly halves: 1 | 2
  /** Share of power lost each year. */
  readonly degradation: number
}

export interface InverterType {
  readonly id: string
  readonly maker: string
  readonly name: string
  readonly acPowerW: number
  readonly mppInputs: number
  readonly stringsPerInput: number
  readonly highestV: number
  readonly mppLowV: number
  readonly mppHighV: number
  readonly startV: number
  readonly inputCurrentA: number
  readonly efficiency: number
  readonly nightW: number
  /** Measured parameters, where the maker had them measured. */
  readonly king?: KingParameters
  /** Least and greatest ratio of module to AC power that the maker allows. */
  readonly highestDcAc: number
}

export interface BatteryType {
  readonly id: string
  readonly maker: string
  readonly name: string
  readonly usableKwh: number
  readonly chargeKw: number
  readonly dischargeKw: number
  /** Each way. */
  readonly efficiency: number
}

export interface Catalogue {
  readonly modules: readonly ModuleType[]
  readonly inverters: readonly InverterType[]
  readonly batteries: readonly BatteryType[]
}
