import { houseId } from '../store/documents'
import { chosenIds } from '../store/selection'
import { bench, gabledHouse } from './testing'
import { duplicateSelected } from './select/duplicate'
import { mirrorSelected } from './select/mirror'

const house = gabledHouse(30)
const placed = (b: ReturnType<typeof bench>, kind: string) =>
  Object.values(b.documents.house).find((object) => object.kind === kind)

test('a chimney is set down by arrow keys and Enter, and is selected', () => {
  const b = bench({ house })
  b.tools.take('chimney')
  for (const key of ['ArrowRight', 'ArrowRight', 'ArrowDown']) expect(b.key(key)).toBe(true)
  expect(b.session.getState().sketch?.pointer).toEqual([1, -0.5])
  b.tools.chart.key({ key: 'ArrowLeft', shift: true })
  b.key('Enter')
  expect(placed(b, 'chimney')).toMatchObject({ center: [0.95, -0.5] })
  expect(b.session.getState().selection).toMatchObject({ kind: 'object', id: placed(b, 'chimney')?.id })
})

test('Enter sets it under the pointer too; beside the roof it says why not and stays in hand', () => {
  const b = bench({ house })
  b.tools.take('chimney')
  b.move(20, 0)
  b.key('Enter')
  expect(placed(b, 'chimney')).toBeUndefined()
  expect(b.session.getState().sketch?.message).toMatch(/roof/)
  b.move(2, 1)
  b.key('Enter')
  expect(placed(b, 'chimney')).toMatchObject({ center: [2, 1] })
})

test('a tree stands where the keys say, and other keys are left to others', () => {
  const b = bench({ house })
  b.tools.take('tree')
  expect(b.key('v')).toBe(false)
  for (let k = 0; k < 20; k++) b.key('ArrowUp')
  b.key('Enter')
  expect(placed(b, 'tree')).toMatchObject({ center: [0, 10] })
  // One step back takes it away again.
  b.documents.undo()
  expect(placed(b, 'tree')).toBeUndefined()
})

test('a dormer is put on a plane, fits below the ridge, is widened by its grip, and carries modules', () => {
  const b = bench({ house })
  b.tools.take('dormer')
  b.click(0, -3.2)
  const dormer = () => {
    const found = placed(b, 'dormer')
    if (found?.kind !== 'dormer') throw new Error('there is a dormer')
    return found
  }
  expect(dormer()).toMatchObject({ front: [0, -3.2], form: 'gable', widthM: 2.4 })
  // 3.2 m below the ridge on 30 degrees: 1.85 m up, of which its own ridge takes 0.84.
  expect(dormer().wallHeightM).toBe(1)
  expect(b.site().faults).toEqual([])
  expect(b.session.getState().selection).toMatchObject({ kind: 'object', id: dormer().id })
  const grip = b.grips().find(({ handle }) => handle.name === 'dormer-width')
  expect(grip?.handle.at.slice(0, 2)).toEqual([1.2, -3.2])
  b.move(1.2, -3.2)
  b.press(1.2, -3.2)
  b.move(1, -3.2)
  b.release(1, -3.2)
  expect(dormer().widthM).toBe(2)
  b.documents.undo()
  expect(dormer().widthM).toBe(2.4)
  b.documents.set('Form', houseId, dormer().id, {
    form: 'shed',
    pitchDeg: 5,
    widthM: 6,
    wallHeightM: 1.6,
    front: [0, -3.8],
  })
  b.tools.take('lay')
  b.click(0, -2)
  const array = Object.values(b.documents.document('option-a')).find(({ kind }) => kind === 'array')
  expect(array).toMatchObject({ volumeId: dormer().id, edgeIndex: 0 })
  expect(b.site().arrays[0]?.panels.length).toBeGreaterThan(2)
})

test('a dormer on a neighbour’s roof carries no modules', () => {
  const b = bench({ house: { ...house, role: 'neighbour' } })
  b.tools.take('dormer')
  b.click(0, -2)
  expect(placed(b, 'dormer')).toBeDefined()
  b.tools.take('lay')
  b.click(0.3, -1.8)
  expect(b.session.getState().sketch?.message).toMatch(/neighbour/)
})

test('a flat roof has no gables to make: the tool says so and changes nothing', () => {
  const b = bench({ house: { ...house, flat: { parapetM: 0.4 } } })
  b.tools.take('gable')
  b.move(0, -4)
  // Nothing is offered that a click would refuse.
  expect(b.session.getState().sketch?.message).toMatch(/flat roof/)
  b.press(0, -4)
  expect(b.session.getState().sketch?.message).toMatch(/flat roof/)
  expect(b.documents.house.house).toMatchObject({ edges: house.edges })
})

test('a vent goes on the roof under the pointer, or on open ground', () => {
  const b = bench({ house })
  b.tools.take('fixture')
  // Seen at a slant from the south: the roof is met before the ground behind it.
  b.tools.chart.press(b.input([0, 8], false, [0, -12, 12], [0, 10, -8]))
  expect(placed(b, 'fixture')).toMatchObject({ use: 'pipe', form: 'round' })
  const on = placed(b, 'fixture')
  const under = on && b.site().objects.find(({ id }) => id === on.id)?.geometry.topM
  expect(under).toBeGreaterThan(3.4)
  b.documents.undo()
  b.tools.take('fixture')
  b.move(20, 3)
  b.key('Enter')
  expect(placed(b, 'fixture')).toMatchObject({ center: [20, 3] })
})

test('a copy stands beside what was selected, along the eave of its plane, and is one step to undo', () => {
  const b = bench({ house })
  b.tools.take('dormer')
  b.click(-2, -3.6)
  const first = placed(b, 'dormer')
  expect(duplicateSelected(b.context)).toBe(true)
  const dormers = Object.values(b.documents.house).filter(({ kind }) => kind === 'dormer')
  expect(dormers).toHaveLength(2)
  const copy = dormers.find(({ id }) => id !== first?.id)
  if (copy?.kind !== 'dormer') throw new Error('there is a copy')
  // 2.4 m wide and half a metre between, eastward along the south eave.
  expect(copy).toMatchObject({ name: 'Dormer 2', front: [0.9, -3.6], widthM: 2.4 })
  expect(chosenIds(b.session.getState().selection)[0]).toBe(copy.id)
  b.documents.undo()
  expect(Object.values(b.documents.house).filter(({ kind }) => kind === 'dormer')).toEqual([first])
  // A building is copied with what stands on it; nothing selected is nothing to do.
  b.session.setState({ selection: { kind: 'object', id: 'house' } })
  expect(duplicateSelected(b.context)).toBe(true)
  expect(Object.keys(b.documents.house)).toHaveLength(5)
  const second = Object.values(b.documents.house).filter(({ kind }) => kind === 'dormer')[1]
  expect(second).toMatchObject({ front: [-2 + 10.5, -3.6] })
  b.session.setState({ selection: null })
  expect(duplicateSelected(b.context)).toBe(false)
})

test('a tree is copied a crown’s width to the east', () => {
  const b = bench()
  b.tools.take('tree')
  b.click(4, 5)
  const tree = placed(b, 'tree')
  if (tree?.kind !== 'tree') throw new Error('there is a tree')
  duplicateSelected(b.context)
  const copy = Object.values(b.documents.house).find(({ id, kind }) => kind === 'tree' && id !== tree.id)
  expect(copy).toMatchObject({ center: [4 + tree.crownDiameterM + 0.5, 5], name: 'Tree 2' })
})

test('a carport stands on open ground, and modules are laid on its leaf', () => {
  const b = bench({ house })
  b.tools.take('canopy')
  b.click(0, 0)
  expect(b.session.getState().sketch?.message).toMatch(/open ground/)
  b.click(20, 0)
  expect(placed(b, 'canopy')).toMatchObject({ use: 'carport', center: [20, 0] })
  b.tools.take('lay')
  b.click(20, 1)
  const laid = b.site().arrays.find(({ panels }) => panels.length > 0)
  expect(laid?.panels.length).toBeGreaterThan(4)
  expect(b.site().orphaned).toEqual([])
})

test('a carport is built by copy and mirror: the copy looks the other way', () => {
  const b = bench()
  b.tools.take('canopy')
  b.click(0, 0)
  b.tools.take('select')
  duplicateSelected(b.context)
  mirrorSelected(b.context, 'north-south')
  const [first, second] = b.site().objects
  // Both leaves rise by the same five degrees, from the south and from the north.
  expect([first, second].map((one) => one?.geometry.faces[0]?.azimuthDeg)).toEqual([
    expect.closeTo(180, 6),
    expect.closeTo(0, 6),
  ])
  expect(b.documents.undo()?.label).toBe('Mirror')
  expect(b.site().objects[1]?.geometry.faces[0]?.azimuthDeg).toBeCloseTo(180, 6)
})

test('keys set things down on what is seen, not on what is hidden', () => {
  const b = bench({ house })
  b.session.setState({ hidden: ['house'] })
  b.tools.take('chimney')
  b.key('Enter')
  expect(placed(b, 'chimney')).toBeUndefined()
  expect(b.session.getState().sketch?.message).toMatch(/roof/)
  b.session.setState({ hidden: [] })
  b.key('Enter')
  expect(placed(b, 'chimney')).toMatchObject({ center: [0, 0] })
})

test('no two of a kind are called the same, whatever was deleted between them', () => {
  const b = bench()
  const put = (x: number) => {
    b.tools.take('tree')
    b.click(x, 30)
  }
  const names = () =>
    Object.values(b.documents.house).flatMap((one) => (one.kind === 'tree' ? [one.name] : []))
  for (const x of [0, 10, 20]) put(x)
  expect(names()).toEqual(['Tree 1', 'Tree 2', 'Tree 3'])
  const first = Object.values(b.documents.house).find((one) => one.kind === 'tree')
  b.session.setState({ selection: { kind: 'object', id: first?.id ?? '' } })
  b.key('Delete')
  put(40)
  expect(names()).toEqual(['Tree 2', 'Tree 3', 'Tree 4'])
})
