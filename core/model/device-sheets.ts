import { z } from 'zod'
import { between, wholeBetween } from './rules'

/**
 * What the data sheets of devices say besides id, maker, name and price: of the catalogue and of a job's own alike. The
 * bounds keep out what no device has, and what the computation would not take.
 */

/** An inverter as it was measured, see `king-inverter.ts`. */
const kingSchema = z.strictObject({
  acPowerW: between(10, 1e6, 'W'),
  dcPowerW: between(10, 1e6, 'W'),
  dcVoltsV: between(1, 2000, 'V'),
  startW: between(0, 1e5, 'W'),
  c0PerW: between(-0.01, 0.01),
  c1PerV: between(-0.1, 0.1),
  c2PerV: between(-0.1, 0.1),
  c3PerV: between(-0.1, 0.1),
})

const volts = between(0, 2000, 'V')
const someVolts = between(1, 2000, 'V')
const amperes = between(0.1, 1000, 'A')
const share = between(0.5, 1, 'share')

/** As many inputs as any inverter has. */
export const mostMppInputs = 24

export const inverterFields = {
  acPowerW: between(10, 1e6, 'W'),
  mppInputs: wholeBetween(1, mostMppInputs),
  stringsPerInput: wholeBetween(1, 24),
  highestV: someVolts,
  mppLowV: volts,
  mppHighV: someVolts,
  startV: volts,
  inputCurrentA: amperes,
  /** Greatest short-circuit current of an input; the former where a sheet does not say. */
  inputShortCurrentA: amperes.exactOptional(),
  efficiency: share,
  nightW: between(0, 1000, 'W'),
  /** Measured parameters, where the maker had them measured. */
  king: kingSchema.exactOptional(),
  /** Greatest ratio of module to AC power that the maker allows. */
  highestDcAc: between(0.5, 5, 'ratio'),
  /** Phases that it feeds; of one where a sheet does not say. */
  phases: z.union([z.literal(1), z.literal(3)]).exactOptional(),
  /** Of a microinverter, which takes one module at each input: the breaker that a branch of them may hang on. */
  micro: z.strictObject({ branchBreakerA: between(1, 200, 'A') }).exactOptional(),
  /** Of a hybrid: what its battery port passes, and the volts of batteries that may hang on it. */
  batteryPort: z
    .strictObject({ powerKw: between(0.1, 1000, 'kW'), lowV: volts, highV: someVolts })
    .exactOptional(),
}

/** What holds each module of a string at its own best point. */
export const optimizerFields = {
  /** Greatest power of the module, and what its volts and amperes may be. */
  powerW: between(10, 5000, 'W'),
  highestV: someVolts,
  mppLowV: volts,
  mppHighV: someVolts,
  inputShortCurrentA: amperes,
  /** What it can put out. */
  outputV: someVolts,
  outputCurrentA: amperes,
  efficiency: share,
  /** Of them in a string. */
  fewestPerString: wholeBetween(1, 200),
  mostPerString: wholeBetween(1, 200),
  /** Greatest module power of a string. */
  stringPowerW: between(10, 1e6, 'W'),
  /**
   * Of one that only lowers its module's volts: it may stand at some modules of a string among others without, and its
   * strings are those of modules in series. Others make the volts of their string together and are at every module.
   */
  stepDown: z.literal(true).exactOptional(),
  weightKg: between(0.01, 100, 'kg').exactOptional(),
}

export const batteryFields = {
  usableKwh: between(0.1, 1000, 'kWh'),
  chargeKw: between(0.01, 1000, 'kW'),
  dischargeKw: between(0.01, 1000, 'kW'),
  /** Each way. */
  efficiency: share,
  /** What it draws itself, day and night, whether it is charged or not. */
  standbyW: between(0, 1000, 'W'),
  /**
   * Of a DC-coupled one, which hangs on the battery port of a hybrid: the volts it has between empty
   * and full. Its power and efficiency are then those at its own terminals.
   */
  dcSide: z.strictObject({ lowV: someVolts, highV: someVolts }).exactOptional(),
  /** Shares of what it holds that it loses in a year, whatever it does, and with each full cycle. */
  fadePerYear: between(0, 0.2, 'share').exactOptional(),
  fadePerCycle: between(0, 0.01, 'share').exactOptional(),
  /** What its maker stands for: so many years, and so many kWh out of it; whichever is over first ends it. */
  warrantyYears: wholeBetween(1, 50).exactOptional(),
  warrantyKwh: between(1, 1e7, 'kWh').exactOptional(),
}
