import { Fault } from '../../model/fault'
import { parseObject } from '../documents'
import { defaultCover } from './cover'

const first = {
  id: 'cover',
  kind: 'cover',
  moduleId: 'lumenfold-420',
  setbacksM: { eave: 0.3, ridge: 0.45, hip: 0.45, valley: 0.4, rake: 0.3 },
}

test('a cover of the first version keeps its distances, the fixed one from walls, and no rules', () => {
  expect(parseObject(first, '', { cover: 1 })).toEqual({
    ...first,
    setbacksM: { ...first.setbacksM, wall: 0.3, flat: null },
    rulesId: null,
    ...{ mountingId: null, flatMountingId: null, footEvery: null },
  })
})

test('one whose distances are no distances is refused at its place', () => {
  const read = (setbacksM: unknown) => {
    try {
      return parseObject({ ...first, setbacksM }, 'x', { cover: 1 })
    } catch (error) {
      if (error instanceof Fault) return error.path
      throw error
    }
  }
  expect(read(null)).toBe('x.setbacksM')
  expect(read('wide')).toBe('x.setbacksM')
  expect(read({ ...first.setbacksM, eave: -1 })).toBe('x.setbacksM.eave')
  expect(parseObject(defaultCover)).toEqual(defaultCover)
})
