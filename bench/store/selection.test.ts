import {
  added,
  chosenIds,
  modulesOf,
  objectIdsOf,
  ofModules,
  ofObjects,
  ownerIds,
  soleOwner,
  toggled,
} from './selection'

const module = (slot: string, arrayId = 'array-a') => ({ id: `${arrayId}/${slot}`, arrayId })

test('one and several are told apart, twice the same is once, and nothing is nothing', () => {
  expect(ofObjects([])).toBeNull()
  expect(ofModules([])).toBeNull()
  expect(ofObjects(['a', 'a'])).toEqual({ kind: 'object', id: 'a' })
  expect(ofObjects(['a', 'b', 'a'])).toEqual({ kind: 'objects', ids: ['a', 'b'] })
  expect(ofModules([module('0:1')])).toEqual({ kind: 'panel', id: 'array-a/0:1', arrayId: 'array-a' })
  expect(ofModules([module('0:1'), module('0:2')])).toEqual({
    kind: 'panels',
    panels: [module('0:1'), module('0:2')],
  })
})

test('what is added stays with its like; modules and whole objects do not mix', () => {
  const two = added(ofObjects(['a']), ofObjects(['b']))
  expect(objectIdsOf(two)).toEqual(['a', 'b'])
  expect(added(two, null)).toBe(two)
  const modules = added(two, ofModules([module('0:1'), module('1:1', 'array-b')]))
  expect(objectIdsOf(modules)).toEqual([])
  expect(modulesOf(modules)).toHaveLength(2)
  expect(ownerIds(modules)).toEqual(['array-a', 'array-b'])
  expect(soleOwner(modules)).toBeNull()
  expect(soleOwner(ofModules([module('0:1'), module('0:2')]))).toBe('array-a')
  expect(chosenIds(added(modules, ofObjects(['a'])))).toEqual(['a'])
})

test('what is chosen is taken out by the same gesture that chose it', () => {
  const three = ofObjects(['a', 'b', 'c'])
  expect(chosenIds(toggled(three, ofObjects(['b'])))).toEqual(['a', 'c'])
  expect(chosenIds(toggled(three, ofObjects(['d'])))).toEqual(['a', 'b', 'c', 'd'])
  expect(toggled(ofObjects(['a']), ofObjects(['a']))).toBeNull()
  expect(toggled(three, null)).toBe(three)
  const modules = ofModules([module('0:1'), module('0:2'), module('0:3')])
  expect(chosenIds(toggled(modules, ofModules([module('0:2')])))).toEqual(['array-a/0:1', 'array-a/0:3'])
  expect(toggled(ofModules([module('0:1')]), ofModules([module('0:1')]))).toBeNull()
})
