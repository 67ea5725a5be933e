import { Fault } from '../model/fault'
import { type Data } from '../model/said'
import { diodeAt, maximumPower, openCircuitV, type DiodeModel, type DiodeParameters } from './single-diode'

/** What a module's data sheet says at standard test conditions; coefficients as shares a kelvin. */
export interface ModuleSheet {
  readonly vocV: number
  readonly vmpV: number
  readonly iscA: number
  readonly impA: number
  readonly vocPerK: number
  readonly iscPerK: number
  readonly powerPerK: number
}

/** Kelvin to either side over which a sheet's coefficients are taken. */
const spanK = 10
/** Voc over n Ns Vt of modules as they are built: from ten-fold ideal to hardly a diode. */
const lowestRatio = 14
const highestRatio = 45
const steps = 60
/** Of the series resistance, the exponent of a kelvin: metal grows by 0.004. */
const mostGrowth = 0.06

/** At standard conditions: where light, saturation and shunt follow from Rs by three linear equations. */
function solveAt(sheet: ModuleSheet, thermalV: number, seriesOhm: number): DiodeParameters {
  const { iscA, impA, vmpV, vocV } = sheet
  const shortV = iscA * seriesOhm
  const bestV = vmpV + impA * seriesOhm
  const e = (v: number) => Math.expm1(v / thermalV)
  // IL - I0 e(v) - v / Rsh = I at the short, the best and the open point; IL goes by subtraction.
  const [a, b, p] = [e(bestV) - e(shortV), bestV - shortV, iscA - impA]
  const [c, d, q] = [e(vocV) - e(shortV), vocV - shortV, iscA]
  const determinant = a * d - b * c
  const saturationA = (p * d - b * q) / determinant
  const conductance = (a * q - p * c) / determinant
  return {
    thermalV,
    seriesOhm,
    saturationA,
    shuntOhm: 1 / conductance,
    lightA: iscA + saturationA * e(shortV) + shortV * conductance,
  }
}

/** How far the sheet's best point is from being one: dP/dV there, A. */
function slopeAtBest(sheet: ModuleSheet, p: DiodeParameters): number {
  const v = sheet.vmpV + sheet.impA * p.seriesOhm
  const slope = -(p.saturationA / p.thermalV) * Math.exp(v / p.thermalV) - 1 / p.shuntOhm
  return sheet.impA + (sheet.vmpV * slope) / (1 - slope * p.seriesOhm)
}

/** The parameters at standard conditions with a given n Ns Vt; null where none are physical. */
function parametersWith(sheet: ModuleSheet, thermalV: number): DiodeParameters | null {
  const most = (sheet.vocV - sheet.vmpV) / sheet.impA
  let [low, high] = [0, most * (1 - 1e-9)]
  const value = (rs: number) => slopeAtBest(sheet, solveAt(sheet, thermalV, rs))
  const atLow = value(low)
  if (!(atLow * value(high) < 0)) return null
  for (let k = 0; k < 80; k++) {
    const middle = (low + high) / 2
    if (value(middle) * atLow > 0) low = middle
    else high = middle
  }
  const found = solveAt(sheet, thermalV, (low + high) / 2)
  return found.saturationA > 0 && found.shuntOhm > 0 ? found : null
}

/** How far the model's open-circuit volts change a kelvin, as a share. */
export const voltageCoefficient = (model: DiodeModel): number =>
  (openCircuitV(diodeAt(model, 1000, 25 + spanK)) - openCircuitV(diodeAt(model, 1000, 25 - spanK))) /
  (2 * spanK * openCircuitV(diodeAt(model, 1000, 25)))

/** Power's change a kelvin as the model has it. */
export const powerCoefficient = (model: DiodeModel): number =>
  (maximumPower(diodeAt(model, 1000, 25 + spanK)).powerW -
    maximumPower(diodeAt(model, 1000, 25 - spanK)).powerW) /
  (2 * spanK * maximumPower(diodeAt(model, 1000, 25)).powerW)

/**
 * Single-diode parameters from a data sheet's five numbers and three coefficients, after the conditions of De Soto et al.
 * 2006 and Dobos 2012 ("An improved coefficient calculator for the California Energy Commission 6 parameter
 * photovoltaic module model", J. Sol. Energy Eng. 134): the short, best and open points lie on the curve, the best
 * point is one, and the coefficient of the open circuit is met; that of the short circuit is entered. The sixth
 * parameter, the series resistance's growth, meets that of power. Each is a root in one unknown, found by bisection:
 * no start values, no failure to converge.
 * @throws Fault `sheet-contradicts` when no physical parameters fit
 */
export function fitDiode(sheet: ModuleSheet): DiodeModel {
  checkSheet(sheet)
  const at = (ratio: number): DiodeModel | null => {
    const parameters = parametersWith(sheet, sheet.vocV / ratio)
    return parameters && { ...parameters, lightAPerK: sheet.iscPerK * sheet.iscA, seriesPerK: 0 }
  }
  const voltage = scan(lowestRatio, highestRatio, at, (m) => voltageCoefficient(m) - sheet.vocPerK)
  if (!voltage) throw new Fault('sheet-contradicts', { reason: 'voltage' }, 'module')
  const grown = (seriesPerK: number): DiodeModel => ({ ...voltage, seriesPerK })
  const power = scan(-mostGrowth, mostGrowth, grown, (m) => powerCoefficient(m) - sheet.powerPerK)
  if (power) return power
  throw new Fault(
    'sheet-contradicts',
    {
      reason: 'power',
      found: { value: powerCoefficient(voltage), unit: 'share/K' },
      given: { value: sheet.powerPerK, unit: 'share/K' },
    },
    'module',
  )
}

/** Where `miss` changes its sign among models with one unknown; null when it does not. */
function scan(
  from: number,
  to: number,
  at: (x: number) => DiodeModel | null,
  miss: (model: DiodeModel) => number,
): DiodeModel | null {
  let before: { x: number; miss: number } | null = null
  for (let k = 0; k <= steps; k++) {
    const x = from + ((to - from) * k) / steps
    const model = at(x)
    const value = model && miss(model)
    if (before && value !== null && before.miss * value <= 0) return refine(before, x, at, miss)
    before = value === null ? null : { x, miss: value }
  }
  return null
}

function refine(
  from: { x: number; miss: number },
  to: number,
  at: (x: number) => DiodeModel | null,
  miss: (model: DiodeModel) => number,
): DiodeModel | null {
  let [low, high] = [from.x, to]
  for (let k = 0; k < 44; k++) {
    const middle = (low + high) / 2
    const model = at(middle)
    if (model && miss(model) * from.miss > 0) low = middle
    else high = middle
  }
  return at((low + high) / 2)
}

function checkSheet(sheet: ModuleSheet): void {
  const refuse = (path: keyof ModuleSheet, reason: string, data: Data = {}) => {
    throw new Fault('sheet-contradicts', { reason, ...data }, `module.${path}`)
  }
  for (const name of ['vocV', 'vmpV', 'iscA', 'impA', 'vocPerK', 'iscPerK', 'powerPerK'] as const)
    if (!Number.isFinite(sheet[name])) refuse(name, 'number', { field: name })
  const { vmpV, vocV, impA, iscA } = sheet
  if (!(vmpV > 0 && vmpV < vocV))
    refuse('vmpV', 'vmp', {
      vmp: { value: vmpV, unit: 'V', digits: 1 },
      voc: { value: vocV, unit: 'V', digits: 1 },
    })
  if (!(impA > 0 && impA < iscA))
    refuse('impA', 'imp', {
      imp: { value: impA, unit: 'A', digits: 2 },
      isc: { value: iscA, unit: 'A', digits: 2 },
    })
  if (!(sheet.vocPerK < 0)) refuse('vocPerK', 'voc-coefficient')
  if (!(sheet.powerPerK < 0)) refuse('powerPerK', 'power-coefficient')
}
