import { nameSchema } from '@/core/model/object-base'
import { nameOfFile } from './file-name'

test.each([
  ['Ridge, west end.csv', 'Ridge, west end'],
  ['plan.v2.dxf', 'plan.v2'],
  ['.csv', '.csv'],
  ['no ending', 'no ending'],
  [`${'a'.repeat(90)}.csv`, 'a'.repeat(80)],
  [`${'a'.repeat(79)}☀︎𝒳.csv`, `${'a'.repeat(79)}☀`],
  [`${'a'.repeat(79)}𝒳.csv`, 'a'.repeat(79)],
])('%s', (name, made) => {
  expect(nameOfFile({ name })).toBe(made)
  expect(nameSchema.parse(made)).toBe(made)
})
