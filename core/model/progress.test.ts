import { tagsIn } from './job-status'
import { progressSchema } from './progress'

test('tags are parted by commas, trimmed, and kept once in the case they were first written in', () => {
  expect(tagsIn(' South,  flat roof,SOUTH,, ,Ärger ,ärger')).toEqual(['South', 'flat roof', 'Ärger'])
  expect(tagsIn('')).toEqual([])
  expect(progressSchema.parse({ tags: ['a ', 'A', 'b'] })).toEqual({ tags: ['a', 'b'] })
})

test('a change may hold any of the fields, and nothing that is none', () => {
  expect(progressSchema.parse({})).toEqual({})
  expect(progressSchema.parse({ nextStep: ' Call ', nextOn: '2026-12-01', ownerId: null })).toEqual({
    nextStep: 'Call',
    nextOn: '2026-12-01',
    ownerId: null,
  })
  const bad = [
    { status: 'won' },
    { tags: ['one, two'] },
    { tags: ['x'.repeat(31)] },
    { tags: Array.from({ length: 9 }, (_, k) => `t${k}`) },
    { notes: 'n'.repeat(2001) },
    { nextOn: '2026-02-30' },
    { nextOn: '1.12.2026' },
    { ownerId: 'me' },
    { revision: 3 },
  ]
  for (const change of bad) expect(progressSchema.safeParse(change).success).toBe(false)
})
