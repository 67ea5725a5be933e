import { chosenParts, partKey, toBring, withChange } from './chosen-parts'
import { type PartLine } from './parts-list'

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
  line('module', { typeId: 'lumenfold-420', count: 17, price: 185, weightKg: 21.5 }),
  line('foot', { count: 40, weightKg: 0.5 }),
  line('string-cable', { count: 66, unit: 'm' }),
]
const none = { partChanges: [], ownParts: [] }

test('without changes it is what is counted', () => {
  const parts = chosenParts(lines, none)
  expect(parts.map(({ key, count }) => [key, count])).toEqual([
    ['module/lumenfold-420', 17],
    ['foot', 40],
    ['string-cable', 66],
  ])
  expect(toBring(parts)).toEqual({ price: 17 * 185, weightKg: 17 * 21.5 + 20, priced: 1, lines: 3 })
})

test('what is on site is neither paid nor carried; counts and prices of one’s own count; added lines stand below', () => {
  let changes = withChange(lines, none, 'foot', { onSite: true })
  changes = withChange(lines, { partChanges: changes }, 'string-cable', { count: 80, price: 1.5 })
  const parts = chosenParts(lines, {
    partChanges: changes,
    ownParts: [{ name: 'Scaffold boards', count: 4, unit: 'piece', price: 25 }],
  })
  expect(parts.map(({ count, onSite }) => [count, onSite])).toEqual([
    [17, false],
    [40, true],
    [80, false],
    [4, false],
  ])
  expect(parts[2]?.line?.count).toBe(66)
  expect(toBring(parts)).toEqual({
    price: 17 * 185 + 80 * 1.5 + 100,
    weightKg: 17 * 21.5,
    priced: 3,
    lines: 3,
  })
})

test('a change taken back is none, and those of lines that are gone go with the next one', () => {
  const changed = withChange(lines, none, 'foot', { onSite: true, count: 12 })
  const left = withChange(lines, { partChanges: changed }, 'foot', { onSite: false, count: null })
  expect(left).toEqual([])
  const stale = [{ part: 'battery/x', onSite: true, count: null, price: null }]
  expect(withChange(lines, { partChanges: stale }, 'foot', { onSite: true }).map(({ part }) => part)).toEqual(
    ['foot'],
  )
  // A count of nought is a change: none is to be brought.
  const nought = withChange(lines, none, 'foot', { count: 0 })
  expect(toBring(chosenParts(lines, { partChanges: nought, ownParts: [] })).lines).toBe(2)
  expect(partKey(line('meter'))).toBe('meter')
})
