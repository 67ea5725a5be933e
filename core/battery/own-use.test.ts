import fc from 'fast-check'
import { dispatchOwnUse } from './own-use'
import { hoursOf } from './testing'

const battery = {
  usableKwh: 10,
  chargeKw: 3,
  dischargeKw: 4,
  chargeEfficiency: 0.95,
  dischargeEfficiency: 0.95,
  reserve: 0.1,
}

test('by hand: three hours', () => {
  const d = dispatchOwnUse(hoursOf(Float64Array.of(5, 0, 0), Float64Array.of(1, 2, 3)), {
    ...battery,
    reserve: 0,
  })
  // Hour one: 1 used, 3 charged (limit), 1 sold; 2.85 inside. Hour two: 2 drawn. Hour three: what is left.
  expect(d.charged[0]).toBeCloseTo(3, 12)
  expect(d.sold[0]).toBeCloseTo(1, 12)
  expect(d.discharged[1]).toBeCloseTo(2, 12)
  expect(d.discharged[2]).toBeCloseTo(2.85 * 0.95 - 2, 9)
  expect(d.bought[2]).toBeCloseTo(3 - (2.85 * 0.95 - 2), 9)
})

test('an export limit leaves the rest unmade, an inverter at night is a load', () => {
  const d = dispatchOwnUse(
    { ...hoursOf(Float64Array.of(5, -0.01), Float64Array.of(1, 1)), exportLimitKw: 2.5 },
    null,
  )
  expect(d.sold[0]).toBe(2.5)
  expect(d.curtailed[0]).toBe(1.5)
  expect(d.bought[1]).toBeCloseTo(1.01, 12)
})

test('energy is kept: what is made and bought is used, sold, curtailed or lost on the way through', () => {
  const kwh = fc.array(fc.double({ min: 0, max: 8, noNaN: true }), { minLength: 48, maxLength: 48 })
  fc.assert(
    fc.property(kwh, kwh, (made, load) => {
      const d = dispatchOwnUse(
        { ...hoursOf(Float64Array.from(made), Float64Array.from(load)), exportLimitKw: 3 },
        battery,
      )
      const sum = (a: Float64Array) => a.reduce((s, x) => s + x, 0)
      for (let i = 0; i < 48; i++) {
        const at = (a: Float64Array) => a[i] ?? 0
        expect(at(d.usedDirect) + at(d.charged) + at(d.sold) + at(d.curtailed)).toBeCloseTo(made[i] ?? 0, 9)
        expect(at(d.usedDirect) + at(d.discharged) + at(d.bought)).toBeCloseTo(load[i] ?? 0, 9)
        expect(at(d.storedKwh)).toBeGreaterThan(1 - 1e-9)
        expect(at(d.storedKwh)).toBeLessThan(10 + 1e-9)
      }
      expect(sum(d.discharged)).toBeLessThanOrEqual(sum(d.charged) * 0.95 * 0.95 + 9 * 0.95 + 1e-6)
    }),
    { seed: 21, numRuns: 100 },
  )
})
