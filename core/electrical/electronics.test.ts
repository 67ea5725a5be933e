import { seededRandom } from '../model/random'
import {
  branchUp,
  devicesFor,
  mostOnBranch,
  optimizedCurrentA,
  optimizedLengths,
  parallelOptimized,
  ratedAcW,
  thereAndBack,
} from './electronics'
import { branchRule, devicesOnBranches, microRules, optimizedStringRules, optimizerRules } from './unit-rules'

const optimizer = {
  powerW: 430,
  highestV: 60,
  mppLowV: 8,
  mppHighV: 55,
  inputShortCurrentA: 15,
  outputV: 60,
  fewestPerString: 6,
  mostPerString: 25,
  stringPowerW: 6000,
}

test('strings of optimizers, by hand', () => {
  // 6000 W of 420 W are 14; to start at 75 V two of 60 V would do, but the sheet asks for six.
  expect(optimizedLengths(optimizer, { mppLowV: 60, startV: 75 }, 420)).toEqual({ fewest: 6, most: 14 })
  // 500 V need nine.
  expect(optimizedLengths(optimizer, { mppLowV: 500, startV: 160 }, 420).fewest).toBe(9)
  expect(optimizedLengths(optimizer, { mppLowV: 60, startV: 75 }, 200).most).toBe(25)
  expect(parallelOptimized({ stringsPerInput: 3, inputCurrentA: 31 }, { outputCurrentA: 15 })).toBe(2)
  expect(parallelOptimized({ stringsPerInput: 3, inputCurrentA: 10 }, { outputCurrentA: 15 })).toBe(1)
})

test('a string draws no more than the input it hangs on', () => {
  expect(optimizedCurrentA({ outputCurrentA: 15 }, { inputCurrentA: 19 })).toBe(15)
  expect(optimizedCurrentA({ outputCurrentA: 18 }, { inputCurrentA: 16 })).toBe(16)
})

test('branches, by hand', () => {
  // 16 A of a 20 A breaker; 360 W at 240 V are 1.5 A, at 230 V 1.57 A.
  expect(mostOnBranch({ acPowerW: 360 }, 20, 240)).toBe(10)
  expect(mostOnBranch({ acPowerW: 384 }, 20, 240)).toBe(10)
  expect(mostOnBranch({ acPowerW: 9000 }, 20, 240)).toBe(1)
  expect(branchRule(10, { acPowerW: 360 }, 20, 240)).toMatchObject({ figure: 15, limit: 16, ok: true })
  expect(branchRule(11, { acPowerW: 360 }, 20, 240)).toMatchObject({ figure: 16.5, limit: 16, ok: false })
})

test('how many inverters, and their power', () => {
  const quad = { micro: { branchBreakerA: 20 }, mppInputs: 4, acPowerW: 1600 }
  expect([0, 1, 4, 5, 17].map((modules) => devicesFor(quad, modules, 3))).toEqual([0, 1, 1, 2, 5])
  expect(ratedAcW(quad, 17, 3)).toBe(8000)
  expect(ratedAcW({ mppInputs: 4, acPowerW: 7600 }, 17, 1)).toBe(7600)
  expect(ratedAcW({ mppInputs: 4, acPowerW: 7600 }, 17, 2)).toBe(15_200)
})

test('rows there and back: each beside the one before', () => {
  const slots = ['0:0', '0:1', '0:2', '1:0', '1:2', '3:1', '10:0']
  expect(thereAndBack(slots.map((slot) => ({ id: slot, slot }))).map(({ id }) => id)).toEqual([
    '0:0',
    '0:1',
    '0:2',
    '1:2',
    '1:0',
    '3:1',
    '10:0',
  ])
})

test('every module has one inverter on one branch, none over its plane, and branches are even', () => {
  const random = seededRandom(43)
  for (let k = 0; k < 3000; k++) {
    const planes = Array.from({ length: Math.floor(random() * 5) }, (_, p) =>
      Array.from({ length: Math.floor(random() * 23) }, (__, m) => ({
        id: `${p}/${m}`,
        slot: `${Math.floor(m / 5)}:${m % 5}`,
      })),
    )
    const inputs = 1 + Math.floor(random() * 4)
    const most = 1 + Math.floor(random() * 12)
    const { strings, devices } = branchUp([], planes, inputs, most)
    const all = planes.flat().map(({ id }) => id)
    expect(strings.flatMap(({ panelIds }) => panelIds).sort()).toEqual(all.toSorted())
    expect(devices.flat().sort()).toEqual(all.toSorted())
    for (const ids of devices) {
      expect(ids.length).toBeLessThanOrEqual(inputs)
      expect(new Set(ids.map((id) => id.split('/')[0])).size).toBe(1)
    }
    const counts = devicesOnBranches(strings, devices)
    expect(counts.reduce((sum, count) => sum + count, 0)).toBe(devices.length)
    expect(strings.length).toBe(Math.ceil(devices.length / most))
    if (counts.length > 0) {
      expect(Math.max(...counts)).toBeLessThanOrEqual(most)
      expect(Math.max(...counts) - Math.min(...counts)).toBeLessThanOrEqual(1)
    }
    expect(new Set(strings.map(({ id }) => id)).size).toBe(strings.length)
  }
})

const failed = (rules: readonly { readonly code: string; readonly ok: boolean }[]): string[] =>
  rules.flatMap(({ code, ok }) => (ok ? [] : [code]))

test('each rule of a module at its device is broken by what it is about, and by nothing else', () => {
  const module = { iscA: 14, powerW: 420 }
  const volts = { coldVocV: 45, coldVmpV: 38, hotVmpV: 28 }
  expect(failed(optimizerRules(module, volts, optimizer))).toEqual([])
  expect(failed(optimizerRules(module, { ...volts, coldVocV: 60.1 }, optimizer))).toEqual(['unit-cold'])
  expect(failed(optimizerRules(module, { ...volts, coldVmpV: 55.1 }, optimizer))).toEqual(['unit-peak'])
  expect(failed(optimizerRules(module, { ...volts, hotVmpV: 7.9 }, optimizer))).toEqual(['unit-hot'])
  expect(failed(optimizerRules({ ...module, iscA: 15.1 }, volts, optimizer))).toEqual(['unit-current'])
  expect(failed(optimizerRules({ ...module, powerW: 431 }, volts, optimizer))).toEqual(['unit-power'])
  expect(failed(optimizedStringRules(14, 420, 6, optimizer))).toEqual([])
  expect(failed(optimizedStringRules(5, 420, 6, optimizer))).toEqual(['optimizers-few'])
  expect(failed(optimizedStringRules(15, 420, 6, optimizer))).toEqual(['optimizers-power'])
  expect(failed(optimizedStringRules(26, 200, 6, optimizer))).toEqual(['optimizers-many'])
  const micro = {
    acPowerW: 360,
    mppInputs: 1,
    highestV: 60,
    mppLowV: 22,
    mppHighV: 48,
    inputCurrentA: 14,
    inputShortCurrentA: 20,
    highestDcAc: 1.5,
  }
  expect(failed(microRules(module, volts, micro))).toEqual([])
  expect(failed(microRules(module, { ...volts, coldVmpV: 48.1 }, micro))).toEqual(['unit-peak'])
  // Of a sheet without a short-circuit current the other one is the limit.
  const { inputShortCurrentA: _short, ...bare } = micro
  expect(failed(microRules({ ...module, iscA: 14.1 }, volts, bare))).toEqual(['unit-current'])
  expect(failed(microRules({ ...module, powerW: 541 }, volts, micro))).toEqual(['dc-ac-high'])
  // Of one that takes two modules, the two count.
  expect(failed(microRules(module, volts, { ...micro, mppInputs: 2 }))).toEqual(['dc-ac-high'])
  expect(failed(microRules(module, volts, { ...micro, acPowerW: 800, mppInputs: 2 }))).toEqual([])
})
