import fc from 'fast-check'
import { palletsOf } from './pallets'

const module = { lengthM: 1.722, widthM: 1.134, thicknessM: 0.03, weightKg: 21.5 }

test('by hand: 34 modules of 30 mm stand on 1.14 m, 30 of 35 mm do', () => {
  // 34 × 30 mm and 33 spacers of 3 mm are 1.119 m; one more would be 1.152 m.
  expect(palletsOf(module, 17)).toEqual({
    perPallet: 34,
    full: 0,
    rest: 17,
    lengthM: 1.722,
    widthM: 1.14,
    fullKg: 25 + 34 * 21.5,
    restKg: 25 + 17 * 21.5,
  })
  expect(palletsOf({ ...module, thicknessM: 0.035 }, 60)).toMatchObject({
    perPallet: 30,
    full: 2,
    rest: 0,
    restKg: null,
  })
})

test('a sheet that does not say how thick or heavy: no pallets, or none with a weight', () => {
  const { thicknessM: _thickness, ...flat } = module
  expect(palletsOf(flat, 10)).toBeNull()
  expect(palletsOf(module, 0)).toBeNull()
  const { weightKg: _weight, ...light } = module
  expect(palletsOf(light, 10)).toMatchObject({ fullKg: null, restKg: null })
})

test('seeded: all modules are on some pallet, and what stands there fits', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.002, max: 3, noNaN: true }),
      fc.integer({ min: 1, max: 3000 }),
      (thicknessM, count) => {
        const found = palletsOf({ ...module, thicknessM }, count)
        if (!found) throw new Error('its thickness is known')
        expect(found.full * found.perPallet + found.rest).toBe(count)
        const across = (n: number) => n * thicknessM + (n - 1) * 0.003
        if (found.perPallet > 1) expect(across(found.perPallet)).toBeLessThanOrEqual(1.14 + 1e-9)
        expect(across(found.perPallet + 1)).toBeGreaterThan(1.14 - 1e-9)
      },
    ),
    { numRuns: 1000, seed: 20261130 },
  )
})
