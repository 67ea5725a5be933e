import { readFileSync } from 'node:fs'
import { Ajv2020 } from 'ajv/dist/2020.js'
import { job } from '@/town/testing'
import { ofKind } from '@/core/kinds/documents'
import { tariffFormSchema } from '@/core/kinds/tariff/form'
import { tariffSchema } from './tariff-schema'

const validate = new Ajv2020({ strict: false }).compile(tariffSchema())

test('the schema that is shipped is the one of today', () => {
  const file = new URL('../docs/schema/tariff.json', import.meta.url).pathname
  // Written by `npm run generate`.
  expect(JSON.parse(readFileSync(file, 'utf8'))).toEqual(JSON.parse(JSON.stringify(tariffSchema())))
})

test.each([
  [{ pricePerKwh: 0.2 }, true],
  [{}, false],
  [{ pricePerKwh: 0.2, exports: { kind: 'feed-in', perKwh: 0.1 } }, true],
  [{ pricePerKwh: 0.2, exports: { kind: 'feed-in' } }, false],
  [{ pricePerKwh: 0.2, holidays: ['07-04', '2025-12-26'] }, true],
  [{ pricePerKwh: 0.2, holidays: ['July 4'] }, false],
  [{ pricePerKwh: 0.2, demand: [{ perKw: 4, minutes: 10 }] }, false],
])('the schema takes what the reader takes: %j', (tariff, taken) => {
  expect(tariffFormSchema.safeParse(tariff).success).toBe(taken)
  expect(validate(tariff)).toBe(taken)
})

test('a job’s tariffs are tariffs', () => {
  const tariffs = ofKind(job.house, 'tariff')
  expect(tariffs).toHaveLength(2)
  for (const tariff of tariffs) expect(validate(tariff)).toBe(true)
})
