import { seededRandom } from '../model/random'
import { recommendedSizes, sizesOf } from './storage-sizes'

const size = (billOffset: number, price: number, paybackYears: number | null, npv: number) => ({
  billOffset,
  price,
  paybackYears,
  npv,
})

test('the highest NPV, the shortest payback, and the cheapest that offsets enough of the bill', () => {
  const sizes = [
    size(0.52, 21_000, 9.4, 12_000),
    size(0.71, 26_500, 9.1, 14_100),
    size(0.78, 31_900, 10.6, 13_200),
    size(0.77, 29_000, null, 9_000),
  ]
  expect(recommendedSizes(sizes, 0.75)).toEqual({ mostWorth: 1, shortestPayback: 1, reaching: 3 })
  expect(recommendedSizes(sizes, 0.78)).toMatchObject({ reaching: 2 })
  expect(recommendedSizes(sizes, 0.5)).toMatchObject({ reaching: 0 })
  expect(recommendedSizes(sizes, 0.9)).toMatchObject({ reaching: null })
})

test('an offset that reads as the one wanted reaches it, and a tenth of a percent less does not', () => {
  expect(recommendedSizes([size(0.59962, 1, 1, 1)], 0.6)).toMatchObject({ reaching: 0 })
  expect(recommendedSizes([size(0.5994, 1, 1, 1)], 0.6)).toMatchObject({ reaching: null })
})

test('none of none, of equal ones the first, and no payback where nothing is ever paid back', () => {
  expect(recommendedSizes([], 0.5)).toEqual({ mostWorth: null, shortestPayback: null, reaching: null })
  const equal = [size(0.5, 9000, null, -200), size(0.5, 9000, null, -200)]
  expect(recommendedSizes(equal, 0.5)).toEqual({ mostWorth: 0, shortestPayback: null, reaching: 0 })
})

test('no other size is better by what each is recommended for', () => {
  const random = seededRandom(15)
  for (let round = 0; round < 500; round++) {
    const sizes = Array.from({ length: 1 + Math.floor(random() * 20) }, () =>
      size(
        random(),
        Math.round(random() * 20) * 1000,
        random() < 0.2 ? null : 5 + random() * 20,
        random() * 9 - 4,
      ),
    )
    const wanted = Math.round(random() * 100) / 100
    const { mostWorth, shortestPayback, reaching } = recommendedSizes(sizes, wanted)
    const at = (place: number | null) => sizes[place ?? -1]
    expect(at(mostWorth)?.npv).toBe(Math.max(...sizes.map(({ npv }) => npv)))
    const paid = sizes.flatMap(({ paybackYears }) => paybackYears ?? [])
    expect(at(shortestPayback)?.paybackYears).toBe(paid.length > 0 ? Math.min(...paid) : undefined)
    const enough = sizes.filter(({ billOffset }) => billOffset.toFixed(3) >= wanted.toFixed(3))
    expect(at(reaching)?.price).toBe(
      enough.length > 0 ? Math.min(...enough.map(({ price }) => price)) : undefined,
    )
  }
})

test('what does not suit the inverter is not tried, chosen or not', () => {
  const sheets = [
    { id: 'ac', usableKwh: 4 },
    { id: 'dc', usableKwh: 6, dcSide: { lowV: 140, highV: 190 } },
  ] as unknown as Parameters<typeof sizesOf>[0]['batteries']
  const tried = (inverter: Parameters<typeof sizesOf>[2]) =>
    new Set(
      sizesOf({ batteries: sheets }, { batteryId: 'dc', count: 5 }, inverter).map((size) => size.batteryId),
    )
  expect(tried({})).toEqual(new Set([null, 'ac']))
  expect(tried({ batteryPort: { powerKw: 5, lowV: 40, highV: 60 } })).toEqual(new Set([null, 'ac']))
  expect(tried({ batteryPort: { powerKw: 5, lowV: 90, highV: 480 } })).toEqual(new Set([null, 'ac', 'dc']))
})

test('sizes to try: none first, then one to three of each by what they hold, and as many as are chosen', () => {
  const batteries = [
    { id: 'large', usableKwh: 10 },
    { id: 'small', usableKwh: 4 },
  ] as unknown as Parameters<typeof sizesOf>[0]['batteries']
  const named = sizesOf({ batteries }, { batteryId: 'small', count: 5 }, {}).map(
    ({ batteryId, count }) => `${batteryId} ${count}`,
  )
  expect(named).toEqual([
    'null 1',
    'small 1',
    'small 2',
    'large 1',
    'small 3',
    'large 2',
    'small 5',
    'large 3',
  ])
})
