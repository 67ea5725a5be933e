import { type BatteryType, type InverterType, type OptimizerType } from './catalogue'
import { saysAll } from './sheet-list'

/** What inverters are looked for. */
export interface InverterFilter {
  /** Words that maker and name hold, in whatever order and case. */
  readonly text: string
  readonly phases: 1 | 3 | 'any'
  readonly place: 'strings' | 'modules' | 'battery' | 'any'
  readonly leastW: number
  readonly mostW: number
}

export const phasesOf = ({ phases = 1 }: InverterType): 1 | 3 => phases

const takes = ({ micro, batteryPort }: InverterType, place: InverterFilter['place']): boolean => {
  if (place === 'battery') return batteryPort !== undefined
  return place === 'any' || (place === 'modules') === (micro !== undefined)
}

/** Inverters that are looked for, in the catalogue's order. */
export const findInverters = (
  inverters: readonly InverterType[],
  { text, phases, place, leastW, mostW }: InverterFilter,
): InverterType[] =>
  inverters.filter(
    (inverter) =>
      saysAll(inverter, text) &&
      (phases === 'any' || phasesOf(inverter) === phases) &&
      takes(inverter, place) &&
      inverter.acPowerW >= leastW &&
      inverter.acPowerW <= mostW,
  )

/** What lists of devices show and are sorted by, the name first. */
export const inverterFigures = {
  name: null,
  acPowerW: ({ acPowerW }: InverterType) => acPowerW,
  phases: phasesOf,
  mppInputs: ({ mppInputs }: InverterType) => mppInputs,
  highestV: ({ highestV }: InverterType) => highestV,
  inputCurrentA: ({ inputCurrentA }: InverterType) => inputCurrentA,
  efficiency: ({ efficiency }: InverterType) => efficiency,
  /** Of a hybrid, kW. */
  batteryPort: ({ batteryPort }: InverterType) => batteryPort?.powerKw,
  price: ({ price }: InverterType) => price,
  pricePerW: ({ price, acPowerW }: InverterType) => price / acPowerW,
}
export type InverterFigure = keyof typeof inverterFigures

export const optimizerFigures = {
  name: null,
  powerW: ({ powerW }: OptimizerType) => powerW,
  highestV: ({ highestV }: OptimizerType) => highestV,
  outputCurrentA: ({ outputCurrentA }: OptimizerType) => outputCurrentA,
  mostPerString: ({ mostPerString }: OptimizerType) => mostPerString,
  efficiency: ({ efficiency }: OptimizerType) => efficiency,
  price: ({ price }: OptimizerType) => price,
}
export type OptimizerFigure = keyof typeof optimizerFigures

export const batteryFigures = {
  name: null,
  usableKwh: ({ usableKwh }: BatteryType) => usableKwh,
  chargeKw: ({ chargeKw }: BatteryType) => chargeKw,
  dischargeKw: ({ dischargeKw }: BatteryType) => dischargeKw,
  /** There and back. */
  efficiency: ({ efficiency }: BatteryType) => efficiency ** 2,
  standbyW: ({ standbyW }: BatteryType) => standbyW,
  /** Volts when empty of one that hangs on a battery port. */
  dcSide: ({ dcSide }: BatteryType) => dcSide?.lowV,
  price: ({ price }: BatteryType) => price,
  pricePerKwh: ({ price, usableKwh }: BatteryType) => price / usableKwh,
  warrantyYears: ({ warrantyYears }: BatteryType) => warrantyYears,
}
export type BatteryFigure = keyof typeof batteryFigures
