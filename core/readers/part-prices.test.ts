import { partKey, chosenParts } from '../parts/chosen-parts'
import { type PartLine } from '../parts/parts-list'
import { Fault } from '../model/fault'
import { seededRandom } from '../model/random'
import { quoteCsv, quoteJson, quoteLines, readPartPrices, withPrices } from './part-prices'

const line = (code: PartLine['code'], fields: Partial<PartLine> = {}): PartLine => ({
  code,
  typeId: null,
  count: 1,
  unit: 'piece',
  data: {},
  price: null,
  weightKg: null,
  ...fields,
})
const lines = [
  line('module', { typeId: 'lumenfold-420', count: 17, price: 185 }),
  line('foot', { count: 40 }),
  line('string-cable', { count: 66, unit: 'm' }),
  line('meter'),
]
const electrical = {
  partChanges: [{ part: 'meter', onSite: true, count: null, price: null }],
  ownParts: [{ name: 'Boards, "long"', count: 4, unit: 'piece' as const, price: null }],
}
const parts = chosenParts(lines, electrical)
const asked = quoteLines(parts, ({ key, name }) => name ?? `The ${key}`)
const read = (text: string) => readPartPrices(text, parts, 'USD')
const faultOf = (text: string): Fault => {
  try {
    read(text)
  } catch (error) {
    if (error instanceof Fault) return error
    throw error
  }
  throw new Error('this was taken')
}

test('what is on site is not asked for; what somebody added is', () => {
  expect(asked.map(({ line: key, count, unit }) => [key, count, unit])).toEqual([
    ['module/lumenfold-420', 17, 'piece'],
    ['foot', 40, 'piece'],
    ['string-cable', 66, 'm'],
    ['own-0', 4, 'piece'],
  ])
})

test('an answer in the table that was sent, filled in, is taken back line by line', () => {
  const sent = quoteCsv(asked).split('\n')
  expect(sent[0]).toBe('line,part,count,unit,price')
  const filled = [sent[0], ...sent.slice(1, -1).map((row, k) => `${row}${[171.5, 6, '', 22][k]}`)].join(
    '\r\n',
  )
  const { prices, unknown } = read(`\uFEFF${filled}`)
  expect([...prices]).toEqual([
    ['module/lumenfold-420', 171.5],
    ['foot', 6],
    ['own-0', 22],
  ])
  expect(unknown).toEqual([])
  const next = withPrices(lines, electrical, prices)
  const priced = chosenParts(lines, next)
  expect(priced.map(({ price }) => price)).toEqual([171.5, 6, null, null, 22])
  // What was changed before stays.
  expect(priced[3]?.onSite).toBe(true)
})

test('an answer as JSON, and one with columns in another order, semicolons and decimal commas', () => {
  const answer = JSON.parse(quoteJson(asked, 'USD')) as { lines: { price: number | null }[] }
  expect(() => read(JSON.stringify(answer))).toThrow(
    expect.objectContaining({ code: 'prices-none' }) as Error,
  )
  answer.lines.forEach((own, k) => (own.price = k === 1 ? null : 10 + k))
  expect([...read(JSON.stringify(answer)).prices]).toEqual([
    ['module/lumenfold-420', 10],
    ['string-cable', 12],
    ['own-0', 13],
  ])
  const table = 'Price;Remark;Line\n171,5;;module/lumenfold-420\n6;cheap;foot\n1.250,00;;meter\n'
  expect([...read(table).prices]).toEqual([
    ['module/lumenfold-420', 171.5],
    ['foot', 6],
    ['meter', 1250],
  ])
})

test('a price that is listed anyway follows the list; lines that the list does not have are named', () => {
  const { prices, unknown } = read('line,price\nmodule/lumenfold-420,185\nladder,90\n')
  expect(unknown).toEqual(['ladder'])
  expect(withPrices(lines, { partChanges: [], ownParts: [] }, prices).partChanges).toEqual([])
})

test('an added line is taken only where it is still the one that was asked for', () => {
  const answer = (part: string) => `line;part;price\nown-0;${part};22\nfoot;Feet;6\n`
  expect([...read(answer('"Boards, ""long"""')).prices.keys()]).toEqual(['own-0', 'foot'])
  expect([...read(answer('')).prices.keys()]).toEqual(['own-0', 'foot'])
  expect(read(answer('Ladder'))).toMatchObject({ unknown: ['own-0'] })
})

test('how prices are written does not follow from how counts are', () => {
  const { prices } = read('line;count;price\nfoot;12.5;1,250\nmeter;1;3,5\n')
  expect([...prices.values()]).toEqual([1.25, 3.5])
})

test.each([
  ['', 'prices-columns', {}],
  ['part,cost\nfoot,6\n', 'prices-columns', { missing: 'line, price' }],
  ['line,price\nfoot,\n', 'prices-none', {}],
  ['line,price\nmeter,8\nfoot,cheap\n', 'prices-cell', { line: 3, column: 'price', text: 'cheap' }],
  ['line,price\nfoot,-1\n', 'prices-cell', { line: 2, column: 'price' }],
  ['line,price\nfoot,2000000\n', 'prices-cell', { line: 2 }],
  ['line,price\n\n,5\n', 'prices-cell', { line: 3, column: 'line' }],
  ['line,price\nfoot,5\nmeter,2\nfoot,6\n', 'prices-twice', { line: 4, part: 'foot' }],
  ['{"format":"gable-quote"', 'prices-json', {}],
  ['{"format":"other"}', 'bad-quote', { at: 'quote.format' }],
  [
    quoteJson(asked, 'USD').replace('"price": null', '"price": "5"'),
    'bad-quote',
    { at: 'quote.lines.0.price' },
  ],
  [quoteJson(asked, 'EUR').replace('null', '5'), 'prices-currency', { theirs: 'EUR', ours: 'USD' }],
  [`line,price\n${'x,1\n'.repeat(1001)}`, 'prices-many', { rows: 1001, limit: 1000 }],
])('%j is refused: %s', (text, code, data) => {
  const fault = faultOf(text)
  expect(fault.code).toBe(code)
  expect(fault.data).toMatchObject(data)
})

test('a thousand tables with seeded prices, in any order and notation, are read as they were written', () => {
  const random = seededRandom(9)
  for (let round = 0; round < 1000; round++) {
    const prices = new Map(
      lines
        .filter(() => random() < 0.7)
        .map((own) => [partKey(own), Math.round(random() * 1e6) / 100] as const),
    )
    if (prices.size === 0) continue
    const comma = random() < 0.5 && [...prices.values()].some((price) => !Number.isInteger(price))
    const write = (price: number) => (comma ? String(price).replace('.', ',') : String(price))
    const rows = [...prices].sort(() => random() - 0.5).map(([key, price]) => `${key};${write(price)}`)
    expect(new Map(read(['line;price', ...rows].join('\n')).prices)).toEqual(prices)
  }
})

test('more prices than can differ from the list are refused whole', () => {
  const many = Array.from({ length: 101 }, (_, k) => line('label', { typeId: `label-${k}` }))
  const prices = new Map(many.map((own) => [partKey(own), 3] as const))
  expect(() => withPrices(many, { partChanges: [], ownParts: [] }, prices)).toThrow(
    expect.objectContaining({ code: 'prices-full' }) as Error,
  )
})
