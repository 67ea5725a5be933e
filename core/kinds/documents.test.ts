import { job, option } from '@/town/testing'
import { faultIn } from '../model/fault-in'
import { checkPlaces, isAllowed, kindVersions, storedObjects } from './documents'

const tree = job.house['tree-1']
if (tree?.kind !== 'tree') throw new Error('the shipped job has a tree')

const faultOf = (work: () => unknown) => {
  const fault = faultIn(work)
  return fault ? `${fault.code} ${fault.path}` : 'none'
}

test('objects stand under their own ids, where their kinds belong, and there are not too many', () => {
  expect(faultOf(() => checkPlaces(job.house, 'house'))).toBe('none')
  expect(faultOf(() => checkPlaces({ other: tree }, 'house', 'house'))).toBe('wrong-key house.other.id')
  expect(faultOf(() => checkPlaces(option, 'house', 'house'))).toMatch(/^misplaced-object house\./)
  const many = Object.fromEntries(
    Array.from({ length: 2001 }, (_, k) => [`tree-${k}`, { ...tree, id: `tree-${k}` }]),
  )
  expect(faultOf(() => checkPlaces(many, 'house', 'house'))).toBe('too-many-objects house')
})

test('what was stored under the versions of today is taken as it is; what is older is read again', () => {
  const body = { 'tree-1': { ...tree, heightM: -1 } }
  expect(storedObjects(body, 'house', 'house', kindVersions)).toBe(body)
  const { tree: _tree, ...older } = kindVersions
  expect(faultOf(() => storedObjects(body, 'house', 'house', older))).toBe('bad-object house.tree-1.heightM')
})

test('whether an object may be as it is, is asked of its kind', () => {
  expect(isAllowed(tree)).toBe(true)
  expect(isAllowed({ ...tree, heightM: 0 })).toBe(false)
})
