import { acCurrentA, breakerFor, conductorFor, polesOf } from './circuit'

test('currents by hand: 7.6 kW on split phase, 10 kW on three, 5 kW on one', () => {
  expect(acCurrentA(7600, { gridPhases: 'split', gridVoltageV: 240 })).toBeCloseTo(31.667, 3)
  expect(acCurrentA(10_000, { gridPhases: 'three', gridVoltageV: 400 })).toBeCloseTo(14.434, 3)
  expect(acCurrentA(5000, { gridPhases: 'single', gridVoltageV: 230 })).toBeCloseTo(21.739, 3)
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
