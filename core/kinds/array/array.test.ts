import { arrayMigrations, arraySchema, arrayVersion, defaultArray } from './array'

const plain = { id: 'array-1', volumeId: 'volume-1', edgeIndex: 2 }

test('an array of any older version keeps the search that its empty places were told by', () => {
  expect(arrayMigrations).toHaveLength(arrayVersion - 1)
  const { step: _step, liftM: _lift, pattern: _pattern, ...first } = { ...defaultArray, ...plain }
  const old: Record<string, unknown> = { ...first, removed: ['0:3'] }
  const now = arrayMigrations.reduce((value, migrate) => migrate(value), old)
  expect(arraySchema.parse(now)).toMatchObject({ pattern: 'plain', step: 0, liftM: 0.12, removed: ['0:3'] })
})

test('a new one is laid in line; a pattern that is none is refused', () => {
  expect(arraySchema.parse({ ...defaultArray, ...plain }).pattern).toBe('aligned')
  expect(arraySchema.safeParse({ ...defaultArray, ...plain, pattern: 'loose' }).success).toBe(false)
})
