import { job, option } from '@/town/testing'
import { catalogue } from '@/town/equipment'
import { namesIn } from './names'

test('an array is called by its name, and without one by what it lies on: it may cast shade', () => {
  const south = option['array-south']
  if (south?.kind !== 'array') throw new Error('the shipped job has one')
  const namedAmong = (objects: object, array: object) =>
    namesIn([job.house, { ...objects, 'array-south': { ...south, ...array } }], catalogue)('array-south')
  const named = (array: object) => namedAmong(option, array)
  // The house has others: the number of its side tells them apart, as the stage shows it.
  expect(named({})).toBe(`Modules on House, side ${south.edgeIndex + 1}`)
  expect(namedAmong({}, {})).toBe('Modules on House')
  const other = { ...south, id: 'array-other', edgeIndex: 2 }
  expect(namedAmong({ [other.id]: other }, {})).toBe(`Modules on House, side ${south.edgeIndex + 1}`)
  expect(namedAmong({ [other.id]: { ...other, name: 'Porch' } }, {})).toBe('Modules on House')
  expect(named({ name: 'Porch' })).toBe('Porch')
  expect(named({ volumeId: 'gone' })).toBe('Modules')
})
