import { type InverterType, type OptimizerType } from '@/core/electrical/catalogue'

const micro = (
  id: string,
  name: string,
  acPowerW: number,
  mppInputs: number,
  price: number,
  more: Partial<InverterType> = {},
): InverterType => ({
  id,
  maker: 'Tarnbeck',
  name,
  price,
  acPowerW,
  mppInputs,
  stringsPerInput: 1,
  highestV: 60,
  mppLowV: 16,
  mppHighV: 55,
  startV: 18,
  inputCurrentA: 14,
  inputShortCurrentA: 22,
  efficiency: 0.965,
  nightW: 0.05,
  highestDcAc: 1.55,
  micro: { branchBreakerA: 20 },
  ...more,
})

/** Made-up microinverters for one, two and four modules. */
export const microinverters: readonly InverterType[] = [
  micro('tarnbeck-300', 'Tarnbeck 300', 300, 1, 126),
  micro('tarnbeck-360', 'Tarnbeck 360', 360, 1, 144),
  micro('tarnbeck-420', 'Tarnbeck 420', 420, 1, 163, { inputCurrentA: 16, efficiency: 0.967 }),
  micro('tarnbeck-duo-800', 'Tarnbeck Duo 800', 800, 2, 268, {
    inputCurrentA: 16,
    efficiency: 0.962,
    nightW: 0.08,
  }),
  micro('tarnbeck-quad-1600', 'Tarnbeck Quad 1600', 1600, 4, 489, {
    inputCurrentA: 16,
    efficiency: 0.96,
    nightW: 0.15,
    micro: { branchBreakerA: 32 },
  }),
]

const optimizer = (
  id: string,
  name: string,
  powerW: number,
  price: number,
  more: Partial<OptimizerType> = {},
): OptimizerType => ({
  id,
  maker: 'Thrushfield',
  name,
  price,
  powerW,
  highestV: 60,
  mppLowV: 8,
  mppHighV: 60,
  inputShortCurrentA: 15,
  outputV: 60,
  outputCurrentA: 15,
  efficiency: 0.988,
  fewestPerString: 6,
  mostPerString: 25,
  stringPowerW: 6000,
  weightKg: 0.7,
  ...more,
})

/** Those that only lower volts, for single modules in strings of others. */
const stepDown = (id: string, name: string, powerW: number, price: number, inputShortCurrentA = 15) =>
  optimizer(id, name, powerW, price, {
    stepDown: true,
    inputShortCurrentA,
    outputCurrentA: 16,
    efficiency: 0.993,
    fewestPerString: 1,
    mostPerString: 60,
    stringPowerW: 25_000,
    weightKg: 0.5,
  })

/** Made-up optimizers: for short strings, for long ones on three phases, and for single modules. */
export const optimizers: readonly OptimizerType[] = [
  optimizer('thrushfield-360', 'Thrushfield 360', 360, 52, { inputShortCurrentA: 12.5 }),
  optimizer('thrushfield-430', 'Thrushfield 430', 430, 57),
  optimizer('thrushfield-500', 'Thrushfield 500', 500, 63, { inputShortCurrentA: 18 }),
  optimizer('thrushfield-450-t', 'Thrushfield 450 T', 450, 61, {
    fewestPerString: 14,
    mostPerString: 50,
    stringPowerW: 12_000,
  }),
  optimizer('thrushfield-600-t', 'Thrushfield 600 T', 600, 72, {
    highestV: 80,
    mppHighV: 80,
    inputShortCurrentA: 20,
    outputV: 80,
    outputCurrentA: 18,
    efficiency: 0.99,
    fewestPerString: 14,
    mostPerString: 50,
    stringPowerW: 15_000,
    weightKg: 0.9,
  }),
  stepDown('thrushfield-one-430', 'Thrushfield One 430', 430, 46),
  stepDown('thrushfield-one-600', 'Thrushfield One 600', 600, 54, 20),
]
