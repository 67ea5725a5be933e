import { type Vec2 } from '@/core/geometry/vector'
import { defaultChimney, type Chimney } from '@/core/kinds/chimney/chimney'
import { kindOf } from '@/core/kinds/index'
import { broadleafTransmissivity, defaultTree, type Tree } from '@/core/kinds/tree/tree'
import { bench, gabledHouse } from '../testing'
import { gripsOf } from '../grips'
import { duplicateSelected } from './duplicate'
import { isLocked, lockOrUnlock } from './lock'
import { mirrorSelected } from './mirror'
import { turnSelected } from './turn'

type Bench = ReturnType<typeof bench>

const tree = (id: string, center: Vec2): Tree => ({
  ...defaultTree,
  id,
  center,
  name: id,
  transmissivity: broadleafTransmissivity(41),
})
const oak = { ...tree('oak', [20, 0]), locked: true }
const elm = tree('elm', [30, 6])
const house = gabledHouse(30)
const chimney: Chimney = { ...defaultChimney, id: 'chimney', name: 'Chimney', center: [0, -1], locked: true }

const placeOf = (b: Bench, id: string) => {
  const object = b.documents.house[id]
  return object && kindOf(object).standing?.move?.middle(object)
}
const said = (b: Bench) => b.session.getState().toast?.text
const choose = (b: Bench, ...ids: string[]) => b.session.setState({ selection: { kind: 'objects', ids } })

test('what is locked is chosen and not dragged, has no grips, and is neither nudged, turned nor deleted', () => {
  const b = bench({ oak, elm })
  b.press(20, 0)
  b.move(22, 0)
  b.release(26, 3)
  expect(placeOf(b, 'oak')).toEqual([20, 0])
  b.click(20, 0)
  expect(b.session.getState().selection).toEqual({ kind: 'object', id: 'oak' })
  expect(gripsOf(b.site(), (id) => b.documents.house[id], b.session.getState().selection)).toEqual([])
  b.key('ArrowLeft')
  expect(said(b)).toBe('oak is locked. Press N to unlock.')
  expect(turnSelected(b.context, 30)?.code).toBe('nothing-to-turn')
  mirrorSelected(b.context, 'east-west')
  b.key('Delete')
  expect(b.documents.house).toEqual({ ...b.documents.house, oak, elm })
  expect(b.documents.undo()).toBeNull()
})

test('of several the others move and go, and the locked one is named', () => {
  const b = bench({ oak, elm })
  choose(b, 'oak', 'elm')
  b.press(30, 6)
  b.move(31, 6)
  b.move(34, 6)
  b.release(34, 6)
  expect([placeOf(b, 'oak'), placeOf(b, 'elm')]).toEqual([
    [20, 0],
    [34, 6],
  ])
  choose(b, 'oak', 'elm')
  b.key('Delete')
  expect(Object.keys(b.documents.house)).toContain('oak')
  expect(Object.keys(b.documents.house)).not.toContain('elm')
})

test('it goes along with what it stands on', () => {
  const b = bench({ house, chimney })
  choose(b, 'house')
  b.key('ArrowRight')
  expect(placeOf(b, 'chimney')).toEqual([0.01, -1])
})

test('locking is one step for all that is chosen, unlocking too; a copy is free', () => {
  const b = bench({ oak, elm })
  choose(b, 'oak', 'elm')
  lockOrUnlock(b.context)
  const locks = () => ['oak', 'elm'].map((id) => isLocked(b.documents.house[id] ?? elm))
  expect(locks()).toEqual([true, true])
  b.documents.undo()
  expect(locks()).toEqual([true, false])
  b.documents.redo()
  choose(b, 'oak', 'elm')
  lockOrUnlock(b.context)
  expect(locks()).toEqual([false, false])
  choose(b, 'oak')
  lockOrUnlock(b.context)
  duplicateSelected(b.context)
  const copies = Object.values(b.documents.house).filter(
    ({ id, kind }) => kind === 'tree' && !/oak|elm/.test(id),
  )
  expect(copies.map(isLocked)).toEqual([false])
})

test('the tools for gables and pitches leave a locked house as it is', () => {
  const b = bench({ house: { ...house, locked: true } })
  b.tools.take('gable')
  b.click(0, -4)
  expect(said(b)).toBe('House is locked. Press N to unlock.')
  b.tools.take('pitch')
  b.click(0, -2)
  b.type('4.2')
  b.key('Enter')
  expect(b.documents.undo()).toBeNull()
  b.documents.set('Unlock', 'house', 'house', { locked: false })
  b.tools.take('gable')
  b.click(0, -4)
  expect(b.documents.house['house']).toMatchObject({ edges: [{ gable: true }, {}, {}, {}] })
})
