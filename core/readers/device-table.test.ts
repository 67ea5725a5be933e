import { catalogue } from '@/town/equipment'
import { plainEnglish } from '@/words/plain-english'
import { ownInverterSchema } from '../kinds/own-inverter/own-inverter'
import { Fault } from '../model/fault'
import { seededRandom } from '../model/random'
import {
  deviceColumnOf,
  deviceColumns,
  deviceFrom,
  deviceTable,
  deviceTypes,
  readDeviceTable,
  type Device,
  type DeviceType,
} from './device-table'

const listOf: { readonly [K in DeviceType]: readonly Device[] } = {
  inverter: catalogue.inverters,
  optimizer: catalogue.optimizers,
  battery: catalogue.batteries,
}

const faultOf = (work: () => unknown): Fault => {
  try {
    work()
  } catch (error) {
    if (error instanceof Fault) return error
    throw error
  }
  throw new Error('it was taken')
}

const inverter = {
  name: 'Own 5',
  price: '1200',
  ac_power_w: '5000',
  mpp_inputs: '2',
  highest_v: '600',
  mpp_low_v: '90',
  mpp_high_v: '500',
  input_current_a: '13.5',
  efficiency_pct: '97',
}
const measured = {
  measured_ac_w: '5000',
  measured_dc_w: '5180',
  measured_dc_v: '380',
  measured_start_w: '25',
  measured_c0_per_w: '-0.000003',
  measured_c1_per_v: '-0.00002',
  measured_c2_per_v: '0.0015',
  measured_c3_per_v: '-0.0002',
}
const optimizer = {
  name: 'Own 500',
  price: '60',
  power_w: '500',
  highest_v: '80',
  mpp_low_v: '12',
  mpp_high_v: '80',
  input_short_current_a: '15',
  output_v: '60',
  output_current_a: '15',
  efficiency_pct: '99',
  most_per_string: '25',
  string_power_w: '6000',
}
const stored = {
  name: 'Own 6',
  price: '4000',
  usable_kwh: '6',
  charge_kw: '3',
  discharge_kw: '3',
  round_trip_pct: '95',
}
const onPort = { ...stored, dc_low_v: '140', dc_high_v: '190' }
const wrong = (type: DeviceType, texts: Readonly<Record<string, string>>) =>
  faultOf(() => deviceFrom(type, texts, 'en-US'))
/** As near as ten digits are. */
const near = (sheet: object): unknown =>
  JSON.parse(JSON.stringify(sheet), (_key, value: unknown) =>
    typeof value === 'number' ? (expect.closeTo(value, Math.abs(value) < 0.01 ? 15 : 9) as unknown) : value,
  )

test('every device of the catalogue comes back from its own table', () => {
  for (const type of deviceTypes) {
    const sheets = listOf[type]
    expect(sheets.length).toBeGreaterThan(2)
    const read = readDeviceTable(type, deviceTable(type, sheets))
    expect(read).toEqual(sheets.map(({ id: _id, ...sheet }) => near(sheet)))
  }
})

test('what a sheet does not say is the usual; there and back is one way squared', () => {
  expect(deviceFrom('inverter', inverter, 'en-US')).toEqual({
    name: 'Own 5',
    maker: '',
    price: 1200,
    acPowerW: 5000,
    mppInputs: 2,
    stringsPerInput: 1,
    highestV: 600,
    mppLowV: 90,
    mppHighV: 500,
    // As soon as its window is reached.
    startV: 90,
    inputCurrentA: 13.5,
    efficiency: 0.97,
    nightW: 1,
    highestDcAc: 1.5,
  })
  const battery = { name: 'Own 8', price: '7000', usable_kwh: '8,2', charge_kw: '4', discharge_kw: '4,1' }
  expect(deviceFrom('battery', { ...battery, round_trip_pct: '81' }, 'es-ES')).toEqual({
    name: 'Own 8',
    maker: '',
    price: 7000,
    usableKwh: 8.2,
    chargeKw: 4,
    dischargeKw: 4.1,
    efficiency: 0.9,
    standbyW: 0,
  })
  expect(
    deviceFrom('battery', { ...battery, round_trip_pct: '81', standby_w: '12,5' }, 'es-ES'),
  ).toMatchObject({
    standbyW: 12.5,
  })
  const ages = { fade_per_year_pct: '1,2', fade_per_cycle_pct: '0,0045', warranty_years: '10' }
  expect(
    deviceFrom('battery', { ...battery, ...ages, warranty_kwh: '30.000', round_trip_pct: '81' }, 'es-ES'),
  ).toMatchObject({
    fadePerYear: expect.closeTo(0.012, 12) as number,
    fadePerCycle: expect.closeTo(0.000045, 12) as number,
    warrantyYears: 10,
    warrantyKwh: 30_000,
  })
  expect(deviceFrom('optimizer', optimizer, 'en-US')).toMatchObject({ fewestPerString: 1 })
  expect(deviceFrom('optimizer', { ...optimizer, step_down: 'sí' }, 'en-US')).toMatchObject({
    stepDown: true,
  })
})

const port = { battery_port_kw: '5', battery_port_low_v: '90', battery_port_high_v: '480' }

test('a battery port, and the volts of what hangs on one: all of them or none', () => {
  expect(deviceFrom('inverter', { ...inverter, ...port }, 'en-US')).toMatchObject({
    batteryPort: { powerKw: 5, lowV: 90, highV: 480 },
  })
  expect(deviceFrom('inverter', inverter, 'en-US')).not.toHaveProperty('batteryPort')
  for (const column of Object.keys(port))
    expect(wrong('inverter', { ...inverter, ...port, [column]: '' })).toMatchObject({
      code: 'sheet-cell',
      path: column,
    })
  const far = wrong('inverter', { ...inverter, ...port, battery_port_kw: '2000' })
  expect(deviceColumnOf('inverter', far.path)).toBe('battery_port_kw')
  expect(deviceFrom('battery', onPort, 'en-US')).toMatchObject({ dcSide: { lowV: 140, highV: 190 } })
  expect(wrong('battery', { ...onPort, dc_high_v: '' })).toMatchObject({
    code: 'sheet-cell',
    path: 'dc_high_v',
  })
  expect(deviceColumnOf('battery', wrong('battery', { ...onPort, dc_high_v: '9000' }).path)).toBe('dc_high_v')
})

test('a microinverter and measured parameters are read in groups; half of one is refused', () => {
  const micro = deviceFrom('inverter', { ...inverter, micro_branch_breaker_a: '20', phases: '1' }, 'en-US')
  expect(micro).toMatchObject({ micro: { branchBreakerA: 20 }, phases: 1 })
  expect(deviceFrom('inverter', { ...inverter, ...measured }, 'en-US').king).toEqual({
    acPowerW: 5000,
    dcPowerW: 5180,
    dcVoltsV: 380,
    startW: 25,
    c0PerW: -0.000003,
    c1PerV: -0.00002,
    c2PerV: 0.0015,
    c3PerV: -0.0002,
  })
  // As tables of them have it, whatever marks the others have.
  for (const [locale, text] of [
    ['en-US', '-3.120E-06'],
    ['es-ES', '-3.120E-06'],
    ['es-ES', '−3,12e-6'],
  ] as const)
    expect(
      deviceFrom('inverter', { ...inverter, ...measured, measured_c0_per_w: text }, locale).king?.c0PerW,
    ).toBeCloseTo(-3.12e-6, 15)
  expect(wrong('inverter', { ...inverter, ...measured, measured_c0_per_w: '1e999' }).code).toBe('bad-object')
  for (const column of Object.keys(measured))
    expect(wrong('inverter', { ...inverter, ...measured, [column]: '' })).toMatchObject({
      code: 'sheet-cell',
      path: column,
    })
})

test('figures that do not belong together are refused in words, at their column', () => {
  const cases: readonly (readonly [DeviceType, Readonly<Record<string, string>>, string])[] = [
    ['inverter', { ...inverter, mpp_low_v: '500' }, 'mpp_low_v'],
    ['inverter', { ...inverter, mpp_high_v: '601' }, 'mpp_high_v'],
    ['inverter', { ...inverter, start_v: '601' }, 'start_v'],
    ['inverter', { ...inverter, input_short_current_a: '13' }, 'input_short_current_a'],
    ['inverter', { ...inverter, ...measured, measured_dc_w: '5000' }, 'measured_dc_w'],
    ['inverter', { ...inverter, ...measured, measured_ac_w: '4400' }, 'measured_ac_w'],
    ['inverter', { ...inverter, ...measured, measured_dc_w: '6500' }, 'measured_dc_w'],
    ['inverter', { ...inverter, ...port, battery_port_low_v: '480' }, 'battery_port_low_v'],
    ['inverter', { ...inverter, ...port, micro_branch_breaker_a: '20' }, 'battery_port_kw'],
    ['battery', { ...onPort, dc_low_v: '190' }, 'dc_low_v'],
    ['optimizer', { ...optimizer, mpp_high_v: '12' }, 'mpp_low_v'],
    ['optimizer', { ...optimizer, highest_v: '79' }, 'mpp_high_v'],
    ['optimizer', { ...optimizer, fewest_per_string: '26' }, 'fewest_per_string'],
  ]
  const told = cases.map(([type, texts, column]) => {
    const fault = wrong(type, texts)
    expect(['bad-device', 'measured-efficiency']).toContain(fault.code)
    expect(deviceColumnOf(type, fault.path)).toBe(column)
    return plainEnglish.fault(fault)
  })
  expect(told.join()).not.toMatch(/[{}]|undefined/)
  expect(new Set(told).size).toBe(11)
})

test('a figure out of its bounds is told of its column', () => {
  const said = (type: DeviceType, texts: Readonly<Record<string, string>>) =>
    plainEnglish.fault(wrong(type, texts))
  expect(said('inverter', { ...inverter, phases: '2' })).toMatch(/^phases: /)
  expect(said('inverter', { ...inverter, efficiency_pct: '0.97' })).toBe('efficiency_pct: at least 50.0 %')
  expect(said('inverter', { ...inverter, mpp_inputs: '1.5' })).toBe('mpp_inputs: a whole number')
  expect(said('inverter', { ...inverter, ...measured, measured_dc_v: '0' })).toMatch(
    /^measured_dc_v: at least/,
  )
  expect(said('inverter', { ...inverter, micro_branch_breaker_a: '-1' })).toMatch(/^micro_branch_breaker_a: /)
  expect(said('inverter', { ...inverter, name: ' ' })).toBe('name: something is needed here.')
  expect(said('optimizer', { ...optimizer, step_down: 'maybe' })).toMatch(/neither yes nor no/)
  const battery = { name: 'B', price: '1', usable_kwh: '8', charge_kw: '4', discharge_kw: '4' }
  expect(said('battery', { ...battery, round_trip_pct: '-81' })).toMatch(/gives back between 25 and 100 %/)
  expect(said('battery', { ...battery, round_trip_pct: '' })).toBe(
    'round_trip_pct: something is needed here.',
  )
  expect(deviceColumnOf('battery', 'acPowerW')).toBeNull()
})

test('a table is taken whole or not at all, and the line is named', () => {
  const names = Object.keys(deviceColumns.inverter)
  const row = (texts: Readonly<Partial<Record<string, string>>>) =>
    names.map((name) => texts[name] ?? '').join(';')
  const table = [names.join(';'), row(inverter), '', row({ ...inverter, price: 'a lot' })].join('\n')
  expect(plainEnglish.fault(faultOf(() => readDeviceTable('inverter', table)))).toBe(
    'Line 4: price: “a lot” is not a number.',
  )
  expect(plainEnglish.fault(faultOf(() => readDeviceTable('battery', table)))).toMatch(
    /lacks the usable_kwh, charge_kw, discharge_kw, round_trip_pct column/,
  )
  expect(faultOf(() => readDeviceTable('inverter', names.join(','))).code).toBe('no-sheet-rows')
})

test('whatever stands in a table it is read as sheets that a job takes, or refused as a fault', () => {
  const random = seededRandom(53)
  const table = deviceTable('inverter', catalogue.inverters.slice(0, 2))
  let read = 0
  for (let round = 0; round < 1000; round++) {
    const at = Math.floor(random() * table.length)
    const cut = Math.floor(random() * 4)
    const put = [...'0123456789.,;-\n"é'][Math.floor(random() * 17)] ?? ''
    const text = table.slice(0, at) + put + table.slice(at + cut)
    try {
      for (const sheet of readDeviceTable('inverter', text)) {
        ownInverterSchema.parse({ ...sheet, id: 'x', kind: 'own-inverter' })
        read++
      }
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      expect(plainEnglish.fault(error)).not.toMatch(/[{}]|undefined/)
    }
  }
  expect(read).toBeGreaterThan(200)
})
