import { catalogue } from '@/town/equipment'
import { plainEnglish } from '@/words/plain-english'
import { Fault } from '../model/fault'
import { seededRandom } from '../model/random'
import {
  columnOf,
  moduleColumnNames,
  moduleTable,
  readModuleTable,
  sheetFrom,
  textsOf,
  type ModuleTexts,
} from './module-table'

const [first] = catalogue.modules
if (!first) throw new Error('the catalogue has modules')
const { id: _id, ...sheet } = first
const texts = textsOf(sheet)

const faultOf = (does: () => unknown): Fault => {
  try {
    does()
  } catch (error) {
    if (error instanceof Fault) return error
    throw error
  }
  throw new Error('nothing was wrong')
}
const withText = (changed: ModuleTexts) => faultOf(() => sheetFrom({ ...texts, ...changed }, 'en-US'))

test('every sheet of the catalogue comes back from its table as it is', () => {
  const read = readModuleTable(moduleTable(catalogue.modules))
  expect(read).toHaveLength(catalogue.modules.length)
  read.forEach((one, i) => {
    const { id: _of, ...expected } = catalogue.modules[i] ?? first
    expect(Object.keys(one).sort()).toEqual(Object.keys(expected).sort())
    for (const [field, value] of Object.entries(expected))
      if (typeof value === 'number') expect(one[field as 'powerW']).toBeCloseTo(value, 9)
      else expect(one[field as 'name']).toBe(value)
  })
})

test('columns in any order, headings in any case, semicolons and decimal commas', () => {
  const order = moduleColumnNames.toReversed()
  const heading = order.map((name) => name.toUpperCase().replaceAll('_', ' ')).join(';')
  const row = order.map((name) => (texts[name] ?? '').replace('.', ',')).join(';')
  const [read] = readModuleTable(`\uFEFF${heading}\r\n\r\n${row}\r\n`)
  expect(read).toMatchObject({
    name: 'Lumenfold 420 M',
    powerW: 420,
    lengthM: 1.722,
    halves: 2,
    colour: 'black-frame',
  })
  expect(read?.vocPerK).toBeCloseTo(-0.0026, 9)
})

test('what is usual where the table does not say; what must be there is missed by its names', () => {
  const needed = ['name', 'power_w', 'length_m', 'width_m', 'voc_v', 'vmp_v', 'isc_a', 'imp_a'] as const
  const more = ['power_pct_per_c', 'voc_pct_per_c', 'isc_pct_per_c', 'price'] as const
  const columns = [...needed, ...more]
  const line = (names: readonly (keyof ModuleTexts)[]) => names.map((name) => texts[name]).join(',')
  const [read] = readModuleTable(`${columns.join(',')}\n${line(columns)}\n`)
  expect(read).toMatchObject({
    maker: '',
    strips: 3,
    halves: 1,
    cell: 'p-type',
    sortedUp: false,
    degradation: 0.005,
  })
  const fault = faultOf(() => readModuleTable(`${needed.join(',')}\n${line(needed)}\n`))
  expect(fault.code).toBe('sheet-columns')
  expect(plainEnglish.fault(fault)).toContain('power_pct_per_c, voc_pct_per_c, isc_pct_per_c, price')
})

test('a bad row is told of with its line and column, and nothing is brought in', () => {
  const table = moduleTable(catalogue.modules.slice(0, 3))
  const lines = table.split('\n')
  const broken = [
    ...lines.slice(0, 2),
    '',
    lines[2]?.replace(/,450,/, ',lots,') ?? '',
    ...lines.slice(3),
  ].join('\n')
  const fault = faultOf(() => readModuleTable(broken))
  expect(plainEnglish.fault(fault)).toBe('Line 4: power_w: “lots” is not a number.')
  for (const text of ['', '\n\n', 'PK\u0003\u0004\u0000\u0000', '{"a": 1}'])
    expect(faultOf(() => readModuleTable(text)).code).toBe('sheet-columns')
  expect(faultOf(() => readModuleTable(lines[0] ?? '')).code).toBe('no-sheet-rows')
  const many = [lines[0], ...Array.from({ length: 201 }, () => lines[1])].join('\n')
  expect(faultOf(() => readModuleTable(many)).code).toBe('too-many-sheets')
})

test('figures that do not belong together are refused in words', () => {
  expect(withText({ power_w: '480' }).code).toBe('module-power')
  expect(withText({ vmp_v: '39', imp_a: '10.77' }).code).toBe('sheet-contradicts')
  expect(withText({ imp_a: '' })).toMatchObject({ code: 'sheet-cell', path: 'imp_a' })
  expect(withText({ name: '  ' })).toMatchObject({ code: 'sheet-cell', path: 'name' })
  expect(withText({ half_cut: 'perhaps' })).toMatchObject({ code: 'sheet-cell', path: 'half_cut' })
  expect(withText({ width_m: '12' })).toMatchObject({ code: 'bad-object', path: 'widthM' })
  expect(withText({ cell: 'q-type' })).toMatchObject({ code: 'bad-object', path: 'cell' })
  // Shares are percent there: a coefficient of 0.34 without its sign is none that a module has.
  expect(withText({ power_pct_per_c: '0.34' })).toMatchObject({ code: 'bad-object', path: 'powerPerK' })
  for (const fault of [withText({ power_w: '480' }), withText({ imp_a: '' }), withText({ width_m: '12' })])
    expect(plainEnglish.fault(fault)).not.toMatch(/[{}]|undefined/)
})

test('lengths with their units, and the column that a fault is about', () => {
  expect(sheetFrom({ ...texts, length_m: '1722 mm', width_m: '3\' 8 1/2"' }, 'en-US')).toMatchObject({
    lengthM: 1.722,
    widthM: expect.closeTo(1.1303, 9) as number,
  })
  expect(['width_m', 'widthM', 'colour', 'name', 'id', ''].map(columnOf)).toEqual([
    ...['width_m', 'width_m', 'look', 'name'],
    null,
    null,
  ])
})

test('whatever stands in a table it is read or refused as a fault', () => {
  const random = seededRandom(77)
  const table = moduleTable(catalogue.modules.slice(0, 2))
  let read = 0
  for (let round = 0; round < 600; round++) {
    const at = Math.floor(random() * table.length)
    const put = ['', ',', '"', '\n', '-', 'e', '9', '\u0000', ';', '1e400'][Math.floor(random() * 10)] ?? ''
    try {
      readModuleTable(table.slice(0, at) + put + table.slice(at + Math.floor(random() * 3)))
      read++
    } catch (error) {
      if (!(error instanceof Fault)) throw error
    }
  }
  expect(read).toBeGreaterThan(30)
  expect(read).toBeLessThan(600)
}, 20_000)
