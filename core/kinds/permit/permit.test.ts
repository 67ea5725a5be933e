import { permitSchema, type Permit } from './permit'

const permit: Permit = {
  id: 'permit-1',
  kind: 'permit',
  name: 'Building permit',
  authority: 'Pellworth town hall',
  number: '',
  state: 'to-apply',
  appliedOn: null,
  decidedOn: null,
  validUntil: null,
  notes: '',
}

test('a permit is decided after it was applied for, and on days that exist', () => {
  const allowed = (fields: Partial<Permit>) => permitSchema.safeParse({ ...permit, ...fields }).success
  expect(allowed({})).toBe(true)
  expect(allowed({ appliedOn: '2026-03-09', decidedOn: '2026-03-09' })).toBe(true)
  expect(allowed({ decidedOn: '2026-03-09' })).toBe(true)
  expect(allowed({ appliedOn: '2026-03-09', decidedOn: '2026-03-08' })).toBe(false)
  expect(allowed({ validUntil: '2026-02-30' })).toBe(false)
  const wrong = permitSchema.safeParse({ ...permit, appliedOn: '2026-12-01', decidedOn: '2026-02-01' })
  expect(wrong.error?.issues.map(({ path }) => path)).toEqual([['decidedOn']])
})
