import fc from 'fast-check'
import { linearPower } from '../energy/module-power'
import { stringUp, stringWindow } from './stringing'
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

test('whatever the planes: each module in one string, none too long, lengths of a plane differ by one at most', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 0, max: 40 }), { minLength: 1, maxLength: 6 }),
      fc.integer({ min: 1, max: 20 }),
      fc.integer({ min: 1, max: 4 }),
      fc.integer({ min: 1, max: 3 }),
      (counts, most, mppInputs, stringsPerInput) => {
        const fields = counts.map((n, f) => Array.from({ length: n }, (_, i) => `${f}/${i}`))
        const strings = stringUp(fields, { mppInputs, stringsPerInput }, most)
        expect(strings.flatMap((s) => s.panelIds).sort()).toEqual(fields.flat().sort())
        const planeOf = (id: string | undefined) => id?.split('/')[0]
        for (const string of strings) {
          expect(string.panelIds.length).toBeGreaterThan(0)
          expect(string.panelIds.length).toBeLessThanOrEqual(most)
          expect(new Set(string.panelIds.map(planeOf)).size).toBe(1)
        }
        fields.forEach((_, f) => {
          const lengths = strings
            .filter((s) => planeOf(s.panelIds[0]) === String(f))
            .map((s) => s.panelIds.length)
          if (lengths.length > 0) expect(Math.max(...lengths) - Math.min(...lengths)).toBeLessThanOrEqual(1)
        })
        // No input has more strings than it takes, and those of one input lie on one plane.
        for (let input = 0; input < mppInputs; input++) {
          const here = strings.filter((s) => s.input === input)
          expect(here.length).toBeLessThanOrEqual(stringsPerInput)
          expect(new Set(here.map((s) => planeOf(s.panelIds[0]))).size).toBeLessThanOrEqual(1)
        }
      },
    ),
    { seed: 62, numRuns: 200 },
  )
})
