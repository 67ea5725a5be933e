import { Fault } from '@/core/model/fault'
import { tariffsIn } from '@/town/tariffs'
import { readTariff } from './read-tariff'

const file = (content: string, size = content.length) => ({ size, text: async () => content })
const faultOf = async (content: string, size?: number): Promise<Fault> => {
  try {
    await readTariff(file(content, size))
  } catch (error) {
    if (error instanceof Fault) return error
    throw error
  }
  throw new Error('it was read')
}

test('what a tariff is saved as is read as it was', async () => {
  for (const tariff of tariffsIn('pellworth'))
    expect(await readTariff(file(JSON.stringify(tariff, null, 2)))).toEqual(tariff)
})

test('what is usual may be left out', async () => {
  expect(
    await readTariff(file('{"pricePerKwh": 0.2, "periods": [{"pricePerKwh": 0.4, "fromHour": 17}]}')),
  ).toMatchObject({
    name: '',
    taxes: [],
    exports: { kind: 'net-billing' },
    periods: [{ months: [], days: 'all', fromHour: 17, toHour: 24 }],
  })
})

test.each([
  ['Dear customer', 'no-tariff', ''],
  ['', 'no-tariff', ''],
  ['[]', 'bad-object', ''],
  ['{}', 'bad-object', 'pricePerKwh'],
  ['{"pricePerKwh": "0.2"}', 'bad-object', 'pricePerKwh'],
  ['{"pricePerKwh": 0.2, "holidays": ["4 July"]}', 'bad-object', 'holidays.0'],
  [
    '{"pricePerKwh": 0.2, "periods": [{"pricePerKwh": 0.2, "fromHour": 25}]}',
    'bad-object',
    'periods.0.fromHour',
  ],
  ['{"pricePerKwh": 0.2, "exports": {"kind": "barter"}}', 'bad-object', 'exports.kind'],
])('%s is refused with its place', async (content, code, path) => {
  expect(await faultOf(content)).toMatchObject({ code, path })
})

test('a file of many megabytes is not even opened', async () => {
  expect(await faultOf('{}', 3_000_000)).toMatchObject({ code: 'long-tariff' })
})

test('export prices by the hour are a year of them', async () => {
  const withPrices = (count: number) =>
    JSON.stringify({
      pricePerKwh: 0.2,
      exports: { kind: 'net-billing', intervals: new Array(count).fill(0.1) },
    })
  for (const count of [0, 100, 8784])
    expect(await faultOf(withPrices(count))).toMatchObject({
      code: 'tariff-intervals',
      data: { found: count },
    })
  for (const count of [8760, 35_040]) expect(await readTariff(file(withPrices(count)))).toBeTruthy()
})
