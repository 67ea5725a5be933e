import {
  acCurrentA,
  breakerFor,
  conductorFor,
  gaugeFor,
  phaseVoltageV,
  polesOf,
  stringGauge,
} from './circuit'

test('currents by hand: 7.6 kW on split phase, 10 kW on three, 5 kW on one', () => {
  expect(acCurrentA(7600, { gridPhases: 'split', gridVoltageV: 240 })).toBeCloseTo(31.667, 3)
  expect(acCurrentA(10_000, { gridPhases: 'three', gridVoltageV: 400 })).toBeCloseTo(14.434, 3)
  expect(acCurrentA(5000, { gridPhases: 'single', gridVoltageV: 230 })).toBeCloseTo(21.739, 3)
})

test('volts of a small device: between the two conductors, or from one of three to the neutral', () => {
  expect(phaseVoltageV({ gridPhases: 'split', gridVoltageV: 240 })).toBe(240)
  expect(phaseVoltageV({ gridPhases: 'single', gridVoltageV: 230 })).toBe(230)
  expect(phaseVoltageV({ gridPhases: 'three', gridVoltageV: 400 })).toBeCloseTo(230.94, 2)
})

test('breakers: a quarter more, and the next one made', () => {
  // 39.6 A, 18.0 A, 27.2 A; 40 A exactly.
  expect([31.667, 14.434, 21.739, 32].map(breakerFor)).toEqual([40, 20, 30, 40])
  expect(breakerFor(32.01)).toBe(45)
  expect(breakerFor(300)).toBeNull()
})

test('conductors that the breaker protects', () => {
  expect([20, 30, 40, 63].map(conductorFor)).toEqual([2.5, 6, 10, 16])
  expect(conductorFor(1000)).toBeNull()
})

test('poles', () => {
  expect((['single', 'split', 'three'] as const).map((gridPhases) => polesOf({ gridPhases }))).toEqual([
    2, 2, 3,
  ])
})

test('American gauges: what may protect small ones, and 1.56 of a string’s current', () => {
  expect([15, 20, 25, 30, 35, 40, 60].map(gaugeFor)).toEqual(['14', '12', '10', '10', '8', '8', '6'])
  expect(gaugeFor(1000)).toBeNull()
  // 13.85 A are 21.6 A: more than a 12 gauge may carry.
  expect([12.5, 13.85, 27.7].map(stringGauge)).toEqual(['12', '10', '8'])
})
