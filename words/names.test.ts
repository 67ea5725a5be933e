import { job, option } from '@/town/testing'
import { catalogue } from '@/town/equipment'
import { namesIn } from './names'

test('an array is called by its name, and without one by what it lies on: it may cast shade', () => {
  const south = option['array-south']
  if (south?.kind !== 'array') throw new Error('the shipped job has one')
  const named = (array: object) =>
    namesIn([job.house, { ...option, 'array-south': { ...south, ...array } }], catalogue)('array-south')
  expect(named({})).toBe('Modules on House')
  expect(named({ name: 'Porch' })).toBe('Porch')
  expect(named({ volumeId: 'gone' })).toBe('Modules')
})
