import { type z } from 'zod'
import { type BatteryType, type InverterType, type OptimizerType } from '../electrical/catalogue'
import { ownBatterySchema, type OwnBattery } from '../kinds/own-battery/own-battery'
import { ownInverterSchema, type OwnInverter } from '../kinds/own-inverter/own-inverter'
import { ownOptimizerSchema, type OwnOptimizer } from '../kinds/own-optimizer/own-optimizer'
import { Fault } from '../model/fault'
import { faultOf } from '../model/rules'
import {
  flagIn,
  neededIn,
  numbersIn,
  saidIn,
  sheetsFromTable,
  tableOfSheets,
  textsOfNumbers,
  toldOfColumn,
  type SheetColumn,
  type SheetTexts,
} from './sheet-columns'

/** Data sheets of inverters, optimizers and batteries as tables and as the texts of a form. */

export const deviceTypes = ['inverter', 'optimizer', 'battery'] as const
export type DeviceType = (typeof deviceTypes)[number]

/** A sheet as it is kept in a job, and as a catalogue has it. */
export interface OwnDevices {
  readonly inverter: OwnInverter
  readonly optimizer: OwnOptimizer
  readonly battery: OwnBattery
}
export interface Devices {
  readonly inverter: InverterType
  readonly optimizer: OptimizerType
  readonly battery: BatteryType
}
export type OwnDevice = OwnDevices[DeviceType]
export type Device = Devices[DeviceType]
type SheetOf<K extends DeviceType> = Omit<OwnDevices[K], 'id' | 'kind'>

const number = (of: string, needed = true): SheetColumn => ({ needed, of })
const percent = (of: string, more: Partial<SheetColumn> = {}): SheetColumn => ({
  needed: true,
  of,
  factor: 0.01,
  ...more,
})

/** What an inverter's measured parameters are called in a table; all of them are given or none. */
const kingColumns = {
  measured_ac_w: number('acPowerW', false),
  measured_dc_w: number('dcPowerW', false),
  measured_dc_v: number('dcVoltsV', false),
  measured_start_w: number('startW', false),
  measured_c0_per_w: number('c0PerW', false),
  measured_c1_per_v: number('c1PerV', false),
  measured_c2_per_v: number('c2PerV', false),
  measured_c3_per_v: number('c3PerV', false),
}

/** And its battery port; again all or none. */
const portColumns = {
  battery_port_kw: number('powerKw', false),
  battery_port_low_v: number('lowV', false),
  battery_port_high_v: number('highV', false),
}
/** The volts of a battery that hangs on one. */
const dcSideColumns = { dc_low_v: number('lowV', false), dc_high_v: number('highV', false) }

/** Columns of a group of a sheet's figures. */
const groups = {
  king: kingColumns,
  batteryPort: portColumns,
  dcSide: dcSideColumns,
} as const satisfies Readonly<Record<string, Readonly<Record<string, SheetColumn>>>>
const unneeded = (columns: Readonly<Record<string, SheetColumn>>): Readonly<Record<string, SheetColumn>> =>
  Object.fromEntries(Object.keys(columns).map((name) => [name, { needed: false }]))

/** Columns by the device, with what is needed of each; the order is that of the template and the form. */
const columnsOf = {
  inverter: {
    name: { needed: true },
    maker: { needed: false },
    price: number('price'),
    ac_power_w: number('acPowerW'),
    phases: number('phases', false),
    mpp_inputs: number('mppInputs'),
    strings_per_input: number('stringsPerInput', false),
    highest_v: number('highestV'),
    mpp_low_v: number('mppLowV'),
    mpp_high_v: number('mppHighV'),
    start_v: number('startV', false),
    input_current_a: number('inputCurrentA'),
    input_short_current_a: number('inputShortCurrentA', false),
    efficiency_pct: percent('efficiency'),
    night_w: number('nightW', false),
    highest_dc_ac: number('highestDcAc', false),
    micro_branch_breaker_a: { needed: false },
    ...unneeded(portColumns),
    ...unneeded(kingColumns),
  },
  optimizer: {
    name: { needed: true },
    maker: { needed: false },
    price: number('price'),
    power_w: number('powerW'),
    highest_v: number('highestV'),
    mpp_low_v: number('mppLowV'),
    mpp_high_v: number('mppHighV'),
    input_short_current_a: number('inputShortCurrentA'),
    output_v: number('outputV'),
    output_current_a: number('outputCurrentA'),
    efficiency_pct: percent('efficiency'),
    fewest_per_string: number('fewestPerString', false),
    most_per_string: number('mostPerString'),
    string_power_w: number('stringPowerW'),
    step_down: { needed: false },
    weight_kg: number('weightKg', false),
  },
  battery: {
    name: { needed: true },
    maker: { needed: false },
    price: number('price'),
    usable_kwh: number('usableKwh'),
    charge_kw: number('chargeKw'),
    discharge_kw: number('dischargeKw'),
    // A sheet tells what comes back of what went in; a year is run with each way.
    round_trip_pct: percent('efficiency', { square: true }),
    standby_w: number('standbyW', false),
    fade_per_year_pct: percent('fadePerYear', { needed: false }),
    fade_per_cycle_pct: percent('fadePerCycle', { needed: false }),
    warranty_years: number('warrantyYears', false),
    warranty_kwh: number('warrantyKwh', false),
    ...unneeded(dcSideColumns),
  },
} as const satisfies Readonly<Record<DeviceType, Readonly<Record<string, SheetColumn>>>>

export const deviceColumns: Readonly<Record<DeviceType, Readonly<Record<string, SheetColumn>>>> = columnsOf

/** The column that a fault is about, by its path: a column or a field of the sheet; null where it is neither. */
export const deviceColumnOf = (type: DeviceType, path: string): string | null => {
  const field = path.replace(/^micro\..*/, 'micro')
  const [grouped] = Object.entries(groups).flatMap(([group, columns]) =>
    Object.entries(columns).flatMap(([name, { of }]) => (`${group}.${of}` === path ? [name] : [])),
  )
  const found = Object.entries(deviceColumns[type]).find(([name, { of }]) => name === path || of === path)
  return found?.[0] ?? grouped ?? (field === 'micro' ? 'micro_branch_breaker_a' : null)
}

/**
 * A data sheet from what stands in a table's row or in a form.
 * @throws Fault `sheet-cell` with the column; `bad-object` with the sheet's field as its path; `bad-device` and `measured-efficiency`
 * where its figures do not belong together
 */
export const deviceFrom = <K extends DeviceType>(type: K, texts: SheetTexts, locale: string): SheetOf<K> =>
  readers[type](texts, locale)

const readers: { readonly [K in DeviceType]: (texts: SheetTexts, locale: string) => SheetOf<K> } = {
  inverter: (texts, locale) => {
    const said = saidOf('inverter', texts, locale)
    const { mppLowV } = said
    // Where no start is told it starts as soon as its window is reached.
    const usual = { ...usualInverter, ...(mppLowV === undefined ? {} : { startV: mppLowV }) }
    return checked('inverter', ownInverterSchema, { ...usual, ...said, ...electronics(texts, locale) })
  },
  optimizer: (texts, locale) =>
    checked('optimizer', ownOptimizerSchema, {
      fewestPerString: 1,
      ...saidOf('optimizer', texts, locale),
      ...(flagIn(texts, 'step_down') ? { stepDown: true } : {}),
    }),
  battery: (texts, locale) => {
    const said = saidOf('battery', texts, locale)
    const { efficiency } = said
    if (typeof efficiency === 'number' && !(efficiency >= 0.5 && efficiency <= 1))
      throw new Fault('bad-device', { reason: 'back' }, 'round_trip_pct')
    // Where a sheet says nothing of it, it draws nothing itself.
    const dcSide = groupIn(dcSideColumns, texts, locale)
    return checked('battery', ownBatterySchema, { standbyW: 0, ...said, ...(dcSide ? { dcSide } : {}) })
  },
}

const saidOf = (type: DeviceType, texts: SheetTexts, locale: string) => {
  const name = neededIn(texts, 'name')
  const numbers: Readonly<Partial<Record<string, number>>> = numbersIn(deviceColumns[type], texts, locale)
  return { ...numbers, name, maker: saidIn(texts, 'maker') } as Readonly<Record<string, unknown>> & {
    readonly mppLowV?: number
  }
}

function checked<T extends OwnDevice>(
  type: DeviceType,
  schema: z.ZodType<T>,
  sheet: Readonly<Record<string, unknown>>,
): Omit<T, 'id' | 'kind'> {
  const parsed = schema.safeParse({ ...sheet, id: 'x', kind: `own-${type}` })
  if (!parsed.success) {
    const fault = faultOf(parsed.error, 'bad-object')
    throw toldOfColumn(fault, deviceColumnOf(type, fault.path))
  }
  checkFigures(parsed.data)
  const { id: _id, kind: _kind, ...own } = parsed.data
  return own
}

/** Of what an inverter's sheet does not say: the usual. */
const usualInverter = { stringsPerInput: 1, nightW: 1, highestDcAc: 1.5 }

/** The figures of a group, of which all are given or none. */
function groupIn(columns: Readonly<Record<string, SheetColumn>>, texts: SheetTexts, locale: string) {
  const given = numbersIn(columns, texts, locale)
  if (Object.keys(given).length === 0) return null
  for (const name of Object.keys(columns)) neededIn(texts, name)
  return given
}

/** What of an inverter is said in groups: the branch of a microinverter, its battery port, and measured parameters. */
function electronics(texts: SheetTexts, locale: string) {
  const { branchBreakerA } = numbersIn(
    { micro_branch_breaker_a: number('branchBreakerA', false) },
    texts,
    locale,
  )
  const [king, batteryPort] = [groupIn(kingColumns, texts, locale), groupIn(portColumns, texts, locale)]
  return {
    ...(branchBreakerA === undefined ? {} : { micro: { branchBreakerA } }),
    ...(batteryPort ? { batteryPort } : {}),
    ...(king ? { king } : {}),
  }
}

function checkFigures(sheet: OwnDevice): void {
  const wrong = (reason: string, column: string) => new Fault('bad-device', { reason }, column)
  if (sheet.kind === 'own-battery') {
    if (sheet.dcSide && sheet.dcSide.lowV >= sheet.dcSide.highV) throw wrong('dcVolts', 'dc_low_v')
    return
  }
  if (sheet.mppLowV >= sheet.mppHighV) throw wrong('window', 'mpp_low_v')
  if (sheet.mppHighV > sheet.highestV) throw wrong('highest', 'mpp_high_v')
  if (sheet.kind === 'own-optimizer') {
    if (sheet.fewestPerString > sheet.mostPerString) throw wrong('string', 'fewest_per_string')
    return
  }
  if (sheet.startV > sheet.highestV) throw wrong('start', 'start_v')
  const { inputShortCurrentA, inputCurrentA, king, acPowerW, batteryPort, micro } = sheet
  if (batteryPort && batteryPort.lowV >= batteryPort.highV) throw wrong('port', 'battery_port_low_v')
  if (batteryPort && micro) throw wrong('microPort', 'battery_port_kw')
  if (inputShortCurrentA !== undefined && inputShortCurrentA < inputCurrentA)
    throw wrong('short', 'input_short_current_a')
  if (!king) return
  if (king.dcPowerW <= king.acPowerW) throw wrong('measured', 'measured_dc_w')
  if (Math.abs(king.acPowerW / acPowerW - 1) > measuredShare) throw wrong('measured-power', 'measured_ac_w')
  const measured = king.acPowerW / king.dcPowerW
  if (Math.abs(measured - sheet.efficiency) > efficiencyShare)
    throw new Fault(
      'measured-efficiency',
      {
        measured: { value: measured, unit: 'share', digits: 1 },
        said: { value: sheet.efficiency, unit: 'share', digits: 1 },
      },
      'measured_dc_w',
    )
}

/** How far the AC power that was measured may be from the rated one. */
const measuredShare = 0.1
/** And the efficiency at it from the one that the sheet says: measured at one voltage, said of the best or a weighted one. */
const efficiencyShare = 0.04

/** @throws Fault as `sheetsFromTable` */
export const readDeviceTable = <K extends DeviceType>(type: K, text: string): SheetOf<K>[] =>
  sheetsFromTable(deviceColumns[type], text, (texts, locale) => deviceFrom(type, texts, locale))

/** What a sheet says, as a row of such a table. @param write a number as it is to be read again */
export function deviceTexts(
  type: DeviceType,
  sheet: Omit<Device, 'id'>,
  write?: (value: number) => string,
): SheetTexts {
  const { micro, king, batteryPort, stepDown, dcSide } = sheet as Partial<
    InverterType & OptimizerType & BatteryType
  >
  return {
    ...textsOfNumbers(deviceColumns[type], sheet, write),
    ...textsOfNumbers({ micro_branch_breaker_a: number('branchBreakerA') }, micro ?? {}, write),
    ...textsOfNumbers(portColumns, batteryPort ?? {}, write),
    ...textsOfNumbers(kingColumns, king ?? {}, write),
    ...textsOfNumbers(dcSideColumns, dcSide ?? {}, write),
    ...(type === 'optimizer' ? { step_down: stepDown ? 'yes' : 'no' } : {}),
    name: sheet.name,
    maker: sheet.maker,
  }
}

/** Data sheets as a table that `readDeviceTable` takes. */
export const deviceTable = (type: DeviceType, sheets: readonly Omit<Device, 'id'>[]): string =>
  tableOfSheets(
    deviceColumns[type],
    sheets.map((sheet) => deviceTexts(type, sheet)),
  )
