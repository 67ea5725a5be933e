import { stringUp, stringWindow } from './stringing'
import { type InverterType, type ModuleType } from './catalogue'

const module = { vocV: 40, vmpV: 33, powerPerK: -0.0035, vocPerK: -0.0027 } as ModuleType
const inverter = {
  highestV: 600,
  mppLowV: 90,
  mppHighV: 480,
  startV: 100,
  mppInputs: 2,
  stringsPerInput: 1,
} as InverterType

test('the window by hand: -15 C and 35 C', () => {
  const w = stringWindow(module, inverter, -15, 35)
  // 40 (1 + 0.0027 * 40) = 44.32 V; 33 (1 - 0.0035 * 40) = 28.38 V.
  expect(w.coldVocV).toBeCloseTo(44.32, 9)
  expect(w.hotVmpV).toBeCloseTo(28.38, 9)
  // Cold maximum power 33 (1 + 0.0035 * 40) = 37.62 V: 12 in the window of 480 V, though 13 stand under 600 V.
  expect(w.coldVmpV).toBeCloseTo(37.62, 9)
  expect(w.mostStanding).toBe(13)
  expect(w.most).toBe(12)
  expect(w.fewest).toBe(4)
})

test('every module is strung once, strings are near equal, planes are not mixed', () => {
  const south = Array.from({ length: 17 }, (_, i) => `s${i}`)
  const west = Array.from({ length: 6 }, (_, i) => `w${i}`)
  const strings = stringUp([west, south], { mppInputs: 3, stringsPerInput: 1 }, 10)
  expect(strings.map((s) => s.panelIds.length)).toEqual([9, 8, 6])
  expect(strings.map((s) => s.input)).toEqual([0, 1, 2])
  expect(strings.flatMap((s) => s.panelIds).sort()).toEqual([...south, ...west].sort())
})

test('strings without an input left are marked', () => {
  expect(stringUp([['a'], ['b'], ['c']], inverter, 5).map((s) => s.input)).toEqual([0, 1, -1])
})
