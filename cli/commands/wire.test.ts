import { Fault } from '@/core/model/fault'
import { answerTo } from '../case-command'
import { wireQuestion } from './wire'

const module = {
  powerW: 420,
  vocV: 38.3,
  vmpV: 32.2,
  iscA: 13.85,
  impA: 13.05,
  vocPerK: -0.0026,
  powerPerK: -0.0034,
  iscPerK: 0.00045,
}
const inverter = {
  acPowerW: 7600,
  mppInputs: 3,
  highestV: 600,
  mppLowV: 60,
  mppHighV: 550,
  startV: 75,
  inputCurrentA: 19,
  highestDcAc: 1.6,
}
const site = { lowestTemperatureC: -20, highestTemperatureC: 35 }
const south = { tiltDeg: 30, azimuthDeg: 180 }
const wire = (more: object) =>
  answerTo(wireQuestion, {
    module,
    inverter,
    site,
    fields: [{ modules: 17, ...south }],
    ...more,
  }) as {
    window: Record<string, number>
    strings: {
      inverter?: number
      input: number
      modules: number
      fields: number[]
      coldVocV: number
      hotVmpV: number
    }[]
    left: object[]
    checks: { code: string; figure: number; limit: number; ok: boolean }[]
  }

test('the window by hand, and two even strings within it', () => {
  const { window, strings, left, checks } = wire({})
  // 38.3 V (1 + 0.0026 x 45 K) = 42.78 V: fourteen stay under 600 V.
  expect(window).toMatchObject({ least: 3, most: 14 })
  expect(window['coldVocV']).toBeCloseTo(42.781, 3)
  expect(strings.map(({ input, modules }) => [input, modules])).toEqual([
    [1, 9],
    [2, 8],
  ])
  expect(strings[0]?.coldVocV).toBeCloseTo(9 * 42.7811, 3)
  expect(left).toEqual([])
  expect(checks.filter(({ ok }) => !ok)).toEqual([])
  expect(checks.find(({ code }) => code === 'string-cold')).toMatchObject({ limit: 600, ok: true })
  expect(checks.find(({ code }) => code === 'dc-ac-high')?.figure).toBeCloseTo((17 * 420) / 7600, 9)
})

test('two inverters side by side share the strings, and the fullest is held against what one may have', () => {
  const { strings, left, checks } = wire({ inverters: 2, fields: [{ modules: 26, ...south }] })
  expect(left).toEqual([])
  expect(strings.map((string) => [string.inverter, string.input, string.modules])).toEqual([
    [1, 1, 13],
    [2, 1, 13],
  ])
  const figure = (code: string) => checks.find((check) => check.code === code)?.figure
  expect(figure('dc-ac-high')).toBeCloseTo((13 * 420) / 7600, 9)
  expect(figure('dc-ac-low')).toBeCloseTo((26 * 420) / 15_200, 9)
  // Of one alone an input has no other number.
  expect(wire({}).strings[0]).not.toHaveProperty('inverter')
  for (const inverters of [0, 7, 1.5]) expect(() => wire({ inverters })).toThrow(Fault)
  const micro = { ...inverter, micro: { branchBreakerA: 20 } }
  expect(() => wire({ inverters: 2, inverter: micro })).toThrow(Fault)
})

test('fields that face one way share a string; what finds no place is named', () => {
  const { strings, left, checks } = wire({
    fields: [
      { modules: 11, ...south },
      { modules: 6, tiltDeg: 30, azimuthDeg: 540 },
      { modules: 1, tiltDeg: 20, azimuthDeg: 90 },
    ],
  })
  expect(strings.map(({ fields }) => fields)).toEqual([[0], [0, 1]])
  expect(left).toEqual([{ field: 2, modules: 1 }])
  expect(checks.find(({ code }) => code === 'inputs')).toEqual({
    code: 'inputs',
    figure: 1,
    limit: 0,
    ok: false,
  })
})

test('what is typed is taken, and what it breaks is said', () => {
  const long = wire({ modulesPerString: 17 })
  expect(long.strings.map(({ modules }) => modules)).toEqual([17])
  expect(long.checks.filter(({ ok }) => !ok).map(({ code }) => code)).toEqual(['string-cold', 'string-peak'])
  const weak = wire({ inverter: { ...inverter, inputCurrentA: 12 } })
  expect(weak.checks.filter(({ ok }) => !ok)).toEqual([
    { code: 'current', figure: 13.85, limit: 12, ok: false },
  ])
})

test('heat: cells of 80 °C by hand against those of a mounting', () => {
  const hot = wire({ site: { ...site, highestCellC: 80 } })
  const roof = wire({})
  const open = wire({ mount: 'open' })
  expect(hot.window['highestCellC']).toBe(80)
  expect(hot.window['hotVmpV']).toBeLessThan(roof.window['hotVmpV'] as number)
  expect(open.window['hotVmpV']).toBeGreaterThan(roof.window['hotVmpV'] as number)
  // Near the sheet's own coefficients: -0.34 % of power and +0.045 % of current a kelvin, 55 K over 25 °C.
  expect(hot.window['hotVmpV']).toBeCloseTo(32.2 * (1 - 0.0034 * 55), -0.5)
})

test.each([
  [{ site: { lowestTemperatureC: 20, highestTemperatureC: 10 } }, 'site.highestTemperatureC'],
  [{ fields: [] }, 'fields'],
  [{ fields: [{ modules: 2.5, ...south }] }, 'fields.0.modules'],
  [{ fields: [4000, 4000].map((modules) => ({ modules, ...south })) }, 'fields'],
  [{ module: { ...module, vocV: -1 } }, 'module.vocV'],
  [{ inverter: { ...inverter, mppInputs: 0 } }, 'inverter.mppInputs'],
])('bad input %# is named', (more, path) => {
  expect.assertions(2)
  try {
    wire(more)
  } catch (error) {
    expect(error).toBeInstanceOf(Fault)
    expect((error as Fault).path).toBe(path)
  }
})

const optimizer = {
  powerW: 430,
  highestV: 60,
  mppLowV: 8,
  inputShortCurrentA: 15,
  outputV: 60,
  outputCurrentA: 15,
  fewestPerString: 6,
  mostPerString: 25,
  stringPowerW: 6000,
}

test('optimizers: strings by number and power, over fields; volts are of one module', () => {
  const { window, strings, left, checks } = wire({
    optimizer,
    fields: [
      { modules: 13, ...south },
      { modules: 4, tiltDeg: 20, azimuthDeg: 90 },
    ],
  })
  expect(window).toMatchObject({ least: 6, most: 14 })
  expect(strings.map(({ modules, fields }) => [modules, fields])).toEqual([
    [9, [0]],
    [8, [0, 1]],
  ])
  expect(left).toEqual([])
  expect(checks.filter(({ ok }) => !ok)).toEqual([])
  expect(checks.find(({ code }) => code === 'optimizers-power')).toMatchObject({ figure: 3780, limit: 6000 })
  const short = wire({ optimizer, modulesPerString: 5, fields: [{ modules: 10, ...south }] })
  expect(short.checks.filter(({ ok }) => !ok).map(({ code }) => code)).toEqual([
    'optimizers-few',
    'dc-ac-low',
  ])
})

test('optimizers that only lower volts: strings are those without any, and the module is held against its device', () => {
  const fields = [
    { modules: 13, ...south },
    { modules: 4, tiltDeg: 20, azimuthDeg: 90 },
  ]
  const plain = wire({ fields })
  const stepped = wire({ fields, optimizer: { ...optimizer, stepDown: true } })
  expect(stepped.strings).toEqual(plain.strings)
  expect(stepped.window).toEqual(plain.window)
  expect(stepped.checks.slice(0, plain.checks.length)).toEqual(plain.checks)
  expect(stepped.checks.slice(plain.checks.length).map(({ code, ok }) => [code, ok])).toEqual(
    ['unit-cold', 'unit-peak', 'unit-hot', 'unit-current', 'unit-power'].map((code) => [code, true]),
  )
  const weak = wire({ fields, optimizer: { ...optimizer, powerW: 300, stepDown: true } })
  expect(weak.checks.filter(({ ok }) => !ok)).toMatchObject([{ code: 'unit-power', figure: 420, limit: 300 }])
})

test('microinverters: branches by what their breaker carries, none over two fields', () => {
  const micro = {
    ...inverter,
    acPowerW: 800,
    mppInputs: 2,
    highestV: 60,
    mppLowV: 22,
    mppHighV: 48,
    micro: { branchBreakerA: 20, acVoltsV: 240 },
  }
  const fields = [
    { modules: 13, ...south },
    { modules: 4, tiltDeg: 20, azimuthDeg: 90 },
  ]
  const { window, strings, checks } = wire({ inverter: micro, fields })
  // 16 A are four of 3.33 A; seven inverters and two make nine, on three branches.
  expect(window.most).toBe(4)
  expect(strings.map((string) => (string as { devices?: number }).devices)).toEqual([3, 3, 3])
  expect(strings.map(({ modules }) => modules)).toEqual([6, 6, 5])
  expect(checks.find(({ code }) => code === 'branch-many')).toMatchObject({ figure: 10, limit: 16, ok: true })
  expect(checks.find(({ code }) => code === 'dc-ac-high')?.figure).toBeCloseTo(1.05, 9)
  expect(() => wire({ inverter: micro, optimizer, fields })).toThrow(Fault)
})
