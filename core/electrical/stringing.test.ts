import fc from 'fast-check'
import { linearPower } from '../energy/module-power'
import { lengthsFor, parallelStrings, stringUp, stringWindow } from './stringing'
import { type InverterType, type ModuleType } from './catalogue'

const module = { vocV: 40, vocPerK: -0.0027 } as ModuleType
const power = linearPower(-0.0035, 33)
const inverter = {
  highestV: 600,
  mppLowV: 90,
  mppHighV: 480,
  startV: 100,
  mppInputs: 2,
  stringsPerInput: 1,
} as InverterType

test('the window by hand: air of -15 °C, cells of 65 °C', () => {
  const w = stringWindow(module, power, inverter, -15, 65)
  // 40 (1 + 0.0027 * 40) = 44.32 V; 33 (1 - 0.0035 * 40) = 28.38 V.
  expect(w.coldVocV).toBeCloseTo(44.32, 9)
  expect(w.hotVmpV).toBeCloseTo(28.38, 9)
  // Cold maximum power 33 (1 + 0.0035 * 40) = 37.62 V: 12 in the window of 480 V, though 13 stand under 600 V.
  expect(w.coldVmpV).toBeCloseTo(37.62, 9)
  expect(w.mostStanding).toBe(13)
  expect(w.most).toBe(12)
  expect(w.fewest).toBe(4)
})

test('strings are even where they can be, directions are not mixed, the largest comes first', () => {
  const south = Array.from({ length: 17 }, (_, i) => `s${i}`)
  const west = Array.from({ length: 6 }, (_, i) => `w${i}`)
  const strings = stringUp([west, south], { fewest: 4, most: 10, inputs: 3, parallel: 1 })
  expect(strings.map((s) => s.panelIds.length)).toEqual([9, 8, 6])
  expect(strings.map((s) => s.input)).toEqual([0, 1, 2])
  expect(strings.map((s) => s.id)).toEqual(['S1', 'S2', 'S3'])
  expect(strings.flatMap((s) => s.panelIds)).toEqual([...south, ...west])
})

test('what finds no input is kept in strings without one', () => {
  const field = Array.from({ length: 27 }, (_, i) => `m${i}`)
  const strings = stringUp([field], { fewest: 4, most: 10, inputs: 2, parallel: 1 })
  expect(strings.map(({ input, panelIds }) => [input, panelIds.length])).toEqual([
    [0, 10],
    [1, 10],
    [-1, 7],
  ])
})

test('lengths: the window, what is typed, and what to do where nothing fits', () => {
  expect(lengthsFor({ fewest: 4, most: 12 }, null)).toEqual({ fewest: 4, most: 12 })
  expect(lengthsFor({ fewest: 4, most: 12 }, 20)).toEqual({ fewest: 4, most: 20 })
  expect(lengthsFor({ fewest: 4, most: 12 }, 3)).toEqual({ fewest: 1, most: 3 })
  expect(lengthsFor({ fewest: 4, most: 0 }, null)).toEqual({ fewest: 1, most: 1 })
})

test('as many in parallel as the current allows: 30 A carry two of 13.9 A, not three', () => {
  const input = { stringsPerInput: 3, inputCurrentA: 19 }
  expect(parallelStrings({ ...input, inputShortCurrentA: 30 }, 13.9)).toBe(2)
  expect(parallelStrings(input, 13.9)).toBe(1)
  expect(parallelStrings({ ...input, inputShortCurrentA: 60 }, 13.9)).toBe(3)
  // One string hangs on an input whatever it carries: the check says the rest.
  expect(parallelStrings(input, 25)).toBe(1)
})

const sheet = fc.record({
  vocV: fc.double({ min: 30, max: 60, noNaN: true }),
  share: fc.double({ min: 0.75, max: 0.9, noNaN: true }),
  vocPerK: fc.double({ min: -0.004, max: -0.002, noNaN: true }),
  powerPerK: fc.double({ min: -0.005, max: -0.0025, noNaN: true }),
})

test('within the window nothing breaks, one module more or less does', () => {
  fc.assert(
    fc.property(
      sheet,
      fc.integer({ min: -35, max: 15 }),
      fc.integer({ min: 50, max: 80 }),
      ({ share, ...rest }, low, high) => {
        const some = rest as unknown as ModuleType
        const volts = linearPower(rest.powerPerK, rest.vocV * share)
        const w = stringWindow(some, volts, inverter, low, high)
        expect(w.mostStanding * w.coldVocV).toBeLessThanOrEqual(inverter.highestV + 1e-6)
        expect((w.mostStanding + 1) * w.coldVocV).toBeGreaterThan(inverter.highestV)
        expect(w.most).toBeLessThanOrEqual(w.mostStanding)
        expect(w.most * w.coldVmpV).toBeLessThanOrEqual(inverter.mppHighV + 1e-6)
        expect(w.fewest * w.hotVmpV).toBeGreaterThanOrEqual(inverter.mppLowV - 1e-6)
        expect(w.fewest * w.coldVocV).toBeGreaterThanOrEqual(inverter.startV - 1e-6)
        // Colder air asks for shorter strings, hotter air for longer ones.
        expect(stringWindow(some, volts, inverter, low - 5, high).mostStanding).toBeLessThanOrEqual(
          w.mostStanding,
        )
        expect(stringWindow(some, volts, inverter, low, high + 5).fewest).toBeGreaterThanOrEqual(w.fewest)
      },
    ),
    { seed: 61, numRuns: 200 },
  )
})

test('whatever the roof: each module once, in its own direction, within what the inputs take', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 0, max: 40 }), { minLength: 1, maxLength: 6 }),
      fc.integer({ min: 1, max: 8 }),
      fc.integer({ min: 0, max: 12 }),
      fc.integer({ min: 0, max: 4 }),
      fc.integer({ min: 1, max: 3 }),
      (counts, fewest, more, inputs, parallel) => {
        const groups = counts.map((n, f) => Array.from({ length: n }, (_, i) => `${f}/${i}`))
        const strings = stringUp(groups, { fewest, most: fewest + more, inputs, parallel })
        expect(strings.flatMap((s) => s.panelIds).sort()).toEqual(groups.flat().sort())
        const groupOf = (id: string | undefined) => id?.split('/')[0]
        for (const { input, panelIds } of strings) {
          expect(panelIds.length).toBeGreaterThan(0)
          expect(panelIds.length).toBeLessThanOrEqual(fewest + more)
          expect(new Set(panelIds.map(groupOf)).size).toBe(1)
          if (input >= 0) expect(panelIds.length).toBeGreaterThanOrEqual(fewest)
          expect(input).toBeLessThan(inputs)
        }
        for (let input = 0; input < inputs; input++) {
          const here = strings.filter((s) => s.input === input)
          expect(here.length).toBeLessThanOrEqual(parallel)
          expect(new Set(here.map((s) => groupOf(s.panelIds[0]))).size).toBeLessThanOrEqual(1)
          expect(new Set(here.map((s) => s.panelIds.length)).size).toBeLessThanOrEqual(1)
        }
      },
    ),
    { seed: 62, numRuns: 300 },
  )
})
