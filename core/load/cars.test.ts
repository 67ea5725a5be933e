import fc from 'fast-check'
import { localClock } from '../model/local-clock'
import { eachCar, loadUnder, withCars, type Car, type HouseWithCars } from './cars'

const clock = localClock('America/New_York', Date.UTC(2025, 0, 1, 5), 60, 8760)
// Cheap from one to four at night.
const price = Float64Array.from(clock.hour, (hour) => (hour >= 1 && hour < 4 ? 0.1 : 0.3))
const nothing = new Float64Array(8760)
const house = { steadyKwh: nothing, clock, stepMinutes: 60, price }
const sum = (values: ArrayLike<number>) => Array.from(values).reduce((all, value) => all + value, 0)
const car: Car = { what: 'car', kwhPerYear: 3650, chargerKw: 7, fromHour: 18, toHour: 7, charging: 'at-once' }
/** Intervals of a day in March. */
const day = Array.from({ length: 24 }, (_, k) => 70 * 24 + k)
const at = (hour: number) => day.find((i) => clock.hour[i] === hour) ?? NaN
const closeTo = (digits: number, ...values: number[]) =>
  values.map((value) => expect.closeTo(value, digits) as number)
const only = (...cars: Car[]): HouseWithCars => ({ ...house, cars })

test('a car is charged when it comes home, or in the cheapest hours that it is there', () => {
  const atOnce = withCars(only(car), null).loadKwh
  expect(sum(atOnce)).toBeCloseTo(3650, 6)
  // 10 kWh on an evening in March: seven in the first hour, three in the next.
  expect([18, 19, 20].map((hour) => atOnce[at(hour)])).toEqual([7, expect.closeTo(3, 1), 0])
  const cheapest = withCars(only({ ...car, charging: 'cheapest' }), null).loadKwh
  expect(sum(cheapest)).toBeCloseTo(3650, 6)
  const wrong = cheapest.filter((kwh, i) => kwh > 0 && !(clock.hour[i] === 1 || clock.hour[i] === 2))
  // But the evening that New Year cuts off its night, and the night that has no two o’clock.
  expect(wrong.filter((kwh) => kwh > 0)).toHaveLength(2)
})

test('by hand: what the roof has left first, then the cheapest hours of the same stay', () => {
  // Always there, 10 kWh from each midnight on; the house uses 1 kWh an hour.
  const steadyKwh = new Float64Array(8760).fill(1)
  const waiting: Car = { ...car, chargerKw: 3, fromHour: 0, toHour: 24, charging: 'on-surplus' }
  const yieldKwh = new Float64Array(8760).fill(-0.01)
  // 0 + 2 + 3 of 5 spare: the charger takes no more. The other days have no sun.
  for (const [hour, kwh] of [
    [9, 0.8],
    [10, 3],
    [11, 6],
  ] as const)
    yieldKwh[at(hour)] = kwh
  const { loadKwh, onSurplusKwh } = withCars({ ...house, steadyKwh, cars: [waiting] }, yieldKwh)
  expect(onSurplusKwh).toBeCloseTo(5, 9)
  const charged = (hour: number) => (loadKwh[at(hour)] ?? NaN) - 1
  expect([9, 10, 11, 12].map(charged)).toEqual(closeTo(9, 0, 2, 3, 0))
  // Five are missing: three at one o'clock and two at two.
  expect([1, 2, 3].map(charged)).toEqual(closeTo(1, 3, 2, 0))
  expect(sum(loadKwh)).toBeCloseTo(8760 + 3650, 6)
  // Without a roof it is one that goes by the price.
  const without = withCars({ ...house, steadyKwh, cars: [waiting] }, null)
  expect(without.onSurplusKwh).toBe(0)
  expect(without.loadKwh).toEqual(
    withCars({ ...house, steadyKwh, cars: [{ ...waiting, charging: 'cheapest' }] }, null).loadKwh,
  )
})

test('of two that wait for the sun the second finds what the first leaves; one that does not wait comes before both', () => {
  const yieldKwh = nothing.slice()
  yieldKwh[at(12)] = 9
  const waiting: Car = { ...car, chargerKw: 4, fromHour: 0, toHour: 24, charging: 'on-surplus' }
  const noon: Car = { ...car, fromHour: 12, toHour: 13, kwhPerYear: 730 }
  expect(withCars(only(waiting), yieldKwh).onSurplusKwh).toBeCloseTo(4, 9)
  expect(withCars(only(waiting, waiting), yieldKwh).onSurplusKwh).toBeCloseTo(8, 9)
  expect(withCars(only(waiting, waiting, noon), yieldKwh).onSurplusKwh).toBeCloseTo(7, 9)
})

const hour = fc.integer({ min: 0, max: 24 })
const anyCar: fc.Arbitrary<Car> = fc.record({
  what: fc.constant('car' as const),
  fromHour: hour,
  toHour: hour,
  kwhPerYear: fc.double({ min: 1, max: 40_000, noNaN: true }),
  chargerKw: fc.double({ min: 0.5, max: 22, noNaN: true }),
  charging: fc.constantFrom('at-once' as const, 'cheapest' as const, 'on-surplus' as const),
})
const anySun = fc
  .array(fc.double({ min: -0.1, max: 12, noNaN: true }), { minLength: 24, maxLength: 40 })
  .map((some) => Float64Array.from(clock.hour, (_, i) => some[i % some.length] ?? 0))
const isThere = ({ fromHour, toHour }: Car, h: number) =>
  fromHour === toHour || (fromHour < toHour ? h >= fromHour && h < toHour : h >= fromHour || h < toHour)

test('whatever the car: no more than its charger gives, only while it is there, never more than is wanted', () => {
  fc.assert(
    fc.property(anyCar, anySun, (one, yieldKwh) => {
      const { loadKwh, onSurplusKwh } = withCars(only(one), yieldKwh)
      const { fromHour, toHour, kwhPerYear, chargerKw } = one
      const total = sum(loadKwh)
      expect(total).toBeLessThanOrEqual(kwhPerYear + 1e-6)
      expect(Math.max(...loadKwh)).toBeLessThanOrEqual(chargerKw + 1e-9)
      expect(loadKwh.every((kwh, i) => kwh >= 0 && (kwh === 0 || isThere(one, clock.hour[i] ?? -1)))).toBe(
        true,
      )
      // All of it where the charger has time enough each day.
      const hours = ((toHour - fromHour + 24) % 24 || 24) - 1
      if (hours * chargerKw > (kwhPerYear / 365) * 1.05) expect(total).toBeGreaterThan(kwhPerYear * 0.995)
      // When it charges says nothing of how much it gets.
      expect(total).toBeCloseTo(sum(withCars(only({ ...one, charging: 'at-once' }), null).loadKwh), 6)
      // No car finds more sun than one that waits for it.
      const sunny = (kwh: Float64Array) =>
        sum(kwh.map((used, i) => Math.min(used, Math.max(0, yieldKwh[i] ?? 0))))
      if (one.charging === 'on-surplus') {
        expect(onSurplusKwh).toBeLessThanOrEqual(sunny(loadKwh) + 1e-6)
        for (const charging of ['at-once', 'cheapest'] as const)
          expect(sunny(withCars(only({ ...one, charging }), yieldKwh).loadKwh)).toBeLessThanOrEqual(
            sunny(loadKwh) + 1e-6,
          )
      } else expect(onSurplusKwh).toBe(0)
    }),
    { seed: 9, numRuns: 80, endOnFailure: true },
  )
})

test('many yields one after the other are each as if alone', () => {
  fc.assert(
    fc.property(
      fc.array(anyCar, { minLength: 1, maxLength: 3 }),
      fc.array(anySun, { maxLength: 3 }),
      (cars, suns) => {
        const under = loadUnder(only(...cars))
        for (const sun of suns) expect(under(sun)).toEqual(withCars(only(...cars), sun).loadKwh)
      },
    ),
    { seed: 10, numRuns: 20, endOnFailure: true },
  )
})

test('car by car they take what all of them take, in whatever order they are told', () => {
  const steadyKwh = Float64Array.from({ length: 8760 }, (_, i) => 0.3 + 0.2 * Math.sin(i / 5))
  const yieldKwh = Float64Array.from(clock.hour, (hour) => (hour > 8 && hour < 16 ? 4 : 0))
  const cars: Car[] = [
    { ...car, charging: 'on-surplus', fromHour: 8, toHour: 18 },
    { ...car, kwhPerYear: 1500 },
    { ...car, kwhPerYear: 900, charging: 'cheapest' },
  ]
  const all = withCars({ ...house, steadyKwh, cars }, yieldKwh).loadKwh
  const each = eachCar({ ...house, steadyKwh, cars }, yieldKwh)
  expect(each.map(sum)).toEqual(closeTo(6, 3650, 1500, 900))
  const summed = steadyKwh.map((kwh, i) => each.reduce((total, one) => total + (one[i] ?? NaN), kwh))
  expect(Math.max(...summed.map((kwh, i) => Math.abs(kwh - (all[i] ?? NaN))))).toBeLessThan(1e-9)
  const turned = eachCar({ ...house, steadyKwh, cars: [...cars].reverse() }, yieldKwh).reverse()
  expect(turned.map(sum)).toEqual(closeTo(6, 3650, 1500, 900))
})
