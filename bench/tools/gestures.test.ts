import { coverId, defaultCover } from '@/core/kinds/cover/cover'
import { defaultTree } from '@/core/kinds/tree/tree'
import { chosenIds } from '../store/selection'
import { bench } from './testing'

const rectangle = (b: ReturnType<typeof bench>) => {
  b.tools.take('trace')
  b.click(0, 0)
  b.click(10, 0)
  b.click(10, 6)
  b.click(0, 6)
  b.click(0.1, 0.1)
}

test('four clicks and one on the first corner make a house, and the select tool is back in hand', () => {
  const b = bench()
  rectangle(b)
  expect(b.volume()).toMatchObject({
    outline: [
      [0, 0],
      [10, 0],
      [10, 6],
      [0, 6],
    ],
    eaveHeightM: 3,
  })
  expect(b.session.getState()).toMatchObject({ tool: 'select', sketch: null, selection: { kind: 'object' } })
  b.documents.undo()
  expect(b.volume()).toBeUndefined()
  b.documents.redo()
  expect(b.volume()).toBeDefined()
})

test('a key beside the right one throws nothing away; undo takes the last letter, then corner after corner', () => {
  const b = bench()
  b.tools.take('trace')
  b.click(0, 0)
  b.click(10, 0)
  b.click(10, 6)
  const drawn = () => b.session.getState().sketch?.points.length
  for (const key of ['t', 'g', 'o', 'L', 'c']) expect(b.key(key)).toBe(true)
  expect(b.session.getState().sketch?.message).toContain('Enter')
  expect(b.session.getState().tool).toBe('trace')
  expect(drawn()).toBe(3)
  // How one looks at it is no matter of the drawing.
  expect(b.key('v')).toBe(false)
  b.type('4.5')
  expect(b.tools.chart.undo()).toBe(true)
  expect(b.session.getState().sketch?.typed).toBe('4.')
  b.tools.chart.undo()
  b.tools.chart.undo()
  expect(drawn()).toBe(3)
  b.tools.chart.undo()
  expect(drawn()).toBe(2)
  b.tools.chart.undo()
  b.tools.chart.undo()
  expect(drawn()).toBe(0)
  // Nothing is being drawn any more: undo is the documents' again.
  expect(b.tools.chart.undo()).toBe(false)
})

test('a house by keys alone: Enter begins it, lengths with their directions go round, Enter closes it', () => {
  const b = bench()
  b.tools.take('trace')
  b.key('Enter')
  for (const side of ['10 90°', '6 0°', '10 270°']) {
    b.type(side)
    b.key('Enter')
  }
  b.key('Enter')
  const outline = b.volume()?.outline ?? []
  const round = ([x, y]: readonly [number, number]) => [Math.round(x), Math.round(y)]
  expect(outline.map(round)).toEqual([
    [0, 0],
    [10, 0],
    [10, 6],
    [0, 6],
  ])
})

test('corners by east and north of the last one, to the west and south too', () => {
  const b = bench()
  b.tools.take('trace')
  b.key('Enter')
  for (const corner of ['10; 0', '-2; 6', '-8, 0']) {
    b.type(corner)
    b.key('Enter')
  }
  expect(b.session.getState().sketch?.points).toEqual([
    [0, 0],
    [10, 0],
    [8, 6],
    [0, 6],
  ])
})

test('a hand that trembles still draws right angles; shift lets it', () => {
  const b = bench()
  b.tools.take('trace')
  b.click(0, 0)
  b.click(10, 0)
  b.move(10.2, 6)
  b.press(10.2, 6)
  expect(b.session.getState().sketch?.points[2]).toEqual([10, 6])
  b.move(0.2, 6.2, true)
  b.press(0.2, 6.2, true)
  expect(b.session.getState().sketch?.points[3]).toEqual([0.2, 6.2])
})

test('typed lengths go the way the pointer shows; a length with a direction goes there', () => {
  const b = bench()
  b.tools.take('trace')
  b.click(0, 0)
  b.move(3, 0)
  b.type('8.5')
  expect(b.session.getState().sketch?.typed).toBe('8.5')
  b.key('Enter')
  expect(b.session.getState().sketch?.points.at(-1)).toEqual([8.5, 0])
  b.type('4 0°')
  b.key('Enter')
  const [x, y] = b.session.getState().sketch?.points.at(-1) ?? [NaN, NaN]
  expect(x).toBeCloseTo(8.5, 12)
  expect(y).toBeCloseTo(4, 12)
})

test('letters in a length and lengths of nothing are said, and nothing is lost', () => {
  const b = bench()
  b.tools.take('trace')
  b.click(0, 0)
  b.click(5, 0)
  b.move(5, 3)
  b.type('4x')
  b.key('Enter')
  expect(b.session.getState().sketch?.message).toMatch(/“4x” is not a length/)
  b.key('Backspace')
  b.key('Backspace')
  b.type('0')
  b.key('Enter')
  expect(b.session.getState().sketch?.message).toMatch(/longer than zero/)
  expect(b.session.getState().sketch?.points).toHaveLength(2)
})

test('a side that would cross another is refused with its number; Backspace takes a corner back', () => {
  const b = bench()
  b.tools.take('trace')
  for (const [x, y] of [
    [0, 0],
    [10, 0],
    [10, 6],
  ] as const)
    b.click(x, y)
  b.move(5, -3, true)
  b.press(5, -3, true)
  expect(b.session.getState().sketch?.message).toMatch(/would cross side 1/)
  expect(b.session.getState().sketch?.points).toHaveLength(3)
  b.key('Backspace')
  expect(b.session.getState().sketch?.points).toHaveLength(2)
  b.tools.chart.cancel()
  b.tools.chart.cancel()
  expect(b.session.getState().tool).toBe('select')
  expect(b.documents.store.getState().done).toHaveLength(0)
})

test('the ridge dragged up is a steeper pitch, in one step of undo; Esc while dragging bails out', () => {
  const b = bench()
  rectangle(b)
  const grip = b.grips().find(({ handle }) => handle.name === 'ridge')
  if (!grip) throw new Error('a roof has a ridge')
  const ridge = grip.handle
  const sight = (z: number) => ({
    ...b.input([ridge.at[0], ridge.at[1]], false, [ridge.at[0], ridge.at[1] - 50, z], [0, 1, 0]),
    grip,
  })
  b.tools.chart.press(sight(ridge.at[2]))
  b.tools.chart.move(sight(ridge.at[2] + 0.5))
  b.tools.chart.move(sight(6))
  expect(b.documents.store.getState().done).toHaveLength(1)
  b.tools.chart.release(sight(6))
  const volume = b.volume()
  if (volume?.kind !== 'volume') throw new Error('a house was drawn')
  // 3 m over the eave across 3 m: 45 degrees.
  expect(volume.edges[0]).toMatchObject({ pitchDeg: expect.closeTo(45, 1) as number })
  expect(b.documents.store.getState().done.map((step) => step.label)).toEqual(['Trace outline', 'Pitch'])
  b.tools.chart.press(sight(6))
  b.tools.chart.move(sight(8))
  b.tools.chart.cancel()
  expect(b.volume()).toEqual(volume)
})

test('a gable is made by a click near an eave, and unmade by another', () => {
  const b = bench()
  rectangle(b)
  b.tools.take('gable')
  b.click(9.7, 3)
  expect(b.volume()).toMatchObject({ edges: [{}, { gable: true }, {}, {}] })
  b.click(9.7, 3)
  const volume = b.volume()
  expect(volume?.kind === 'volume' && volume.edges.some((edge) => 'gable' in edge)).toBe(false)
})

test('a chimney wants a roof, a tree the ground; a tree is dragged, nudged, deleted and brought back', () => {
  const b = bench()
  rectangle(b)
  b.tools.take('chimney')
  b.click(20, 20)
  expect(b.session.getState().sketch?.message).toMatch(/stands on a roof/)
  b.click(4, 2)
  expect(Object.values(b.documents.house).find((o) => o.kind === 'chimney')).toMatchObject({ center: [4, 2] })
  b.tools.take('tree')
  b.click(-8, 0)
  const tree = () => Object.values(b.documents.house).find((o) => o.kind === 'tree')
  expect(tree()).toMatchObject({ center: [-8, 0], heightM: 8 })
  b.press(-8, 0)
  b.move(-7, 1)
  b.release(-7, 1)
  expect(tree()).toMatchObject({ center: [-7, 1] })
  b.key('ArrowRight')
  expect(tree()).toMatchObject({ center: [expect.closeTo(-6.99, 6), 1] })
  b.tools.chart.key({ key: 'ArrowUp', shift: true })
  expect(tree()).toMatchObject({ center: [expect.closeTo(-6.99, 6), expect.closeTo(1.1, 6)] })
  b.key('Delete')
  expect(tree()).toBeUndefined()
  b.documents.undo()
  expect(tree()).toBeDefined()
})

test('modules are laid on a plane, one is deleted and put back by a click on its place', () => {
  const b = bench()
  rectangle(b)
  b.tools.take('lay')
  b.click(5, 1)
  const array = () => b.site().arrays[0]
  const count = array()?.panels.length ?? 0
  expect(count).toBeGreaterThan(3)
  b.tools.take('select')
  const panel = array()?.panels[0]
  if (!panel) throw new Error('modules were laid')
  const middle = [0, 1].map(
    (axis) => ((panel.corners[0][axis] ?? 0) + (panel.corners[2][axis] ?? 0)) / 2,
  ) as [number, number]
  b.click(...middle)
  expect(b.session.getState().selection).toMatchObject({ kind: 'panel', id: panel.id })
  b.key('Delete')
  expect(array()?.panels).toHaveLength(count - 1)
  expect(array()?.empty).toHaveLength(1)
  b.click(...middle)
  expect(array()?.panels).toHaveLength(count)
  b.documents.undo()
  b.documents.undo()
  b.documents.undo()
  expect(array()).toBeUndefined()
})

test('by keys alone: from the array to its modules, row by row, one deleted and stepped over', () => {
  const b = bench()
  rectangle(b)
  b.tools.take('lay')
  b.click(5, 1)
  b.tools.take('select')
  const array = () => b.site().arrays[0]
  const id = array()?.id ?? ''
  const slots = () => (array()?.panels ?? []).map((panel) => panel.slot)
  const here = () => {
    const { selection } = b.session.getState()
    return selection?.kind === 'panel' ? selection.id.slice(id.length + 1) : chosenIds(selection)[0]
  }
  b.session.setState({ selection: null })
  expect(b.key('ArrowRight')).toBe(false)
  b.session.setState({ selection: { kind: 'object', id } })
  expect(b.key('ArrowRight')).toBe(true)
  expect(here()).toBe(slots()[0])
  const [row = 0, column = 0] = (here() ?? '').split(':').map(Number)
  b.key('ArrowRight')
  expect(here()).toBe(`${row}:${column + 1}`)
  b.key('ArrowRight')
  b.key('Delete')
  expect(slots()).not.toContain(`${row}:${column + 2}`)
  // After a deletion the array is chosen; its first module is one step away, the empty place is stepped over.
  expect(here()).toBe(id)
  for (const _ of [0, 1, 2]) b.key('ArrowRight')
  expect(here()).toBe(`${row}:${column + 3}`)
  b.key('ArrowLeft')
  expect(here()).toBe(`${row}:${column + 1}`)
  // The next row is up the roof, at the nearest column; below the lowest row there is nothing.
  const above = slots().filter((slot) => slot.startsWith(`${row + 1}:`))
  expect(b.key('ArrowUp')).toBe(above.length > 0)
  if (above.length > 0) {
    expect(above).toContain(here())
    b.key('ArrowDown')
  }
  expect(here()?.startsWith(`${row}:`)).toBe(true)
  expect(b.key('ArrowDown')).toBe(false)
  // Left of the first module there is none, and the selection stays.
  while (b.key('ArrowLeft')) expect(here()).toBeDefined()
  expect(here()).toBe(slots()[0])
  const heights = (slot: string) => array()?.panels.find((panel) => panel.slot === slot)?.corners[0]
  if (above[0]) expect(heights(above[0])?.[2]).toBeGreaterThan(heights(slots()[0] ?? '')?.[2] ?? Infinity)
})

test('a rack is put on open ground, dragged as a whole, and loses one module to a second click', () => {
  const b = bench()
  rectangle(b)
  b.tools.take('rack')
  expect(b.session.getState().sketch?.message).toMatch(/open ground/)
  b.click(5, 3)
  expect(b.session.getState().sketch?.message).toMatch(/stands there/)
  b.click(0, -30)
  const rack = () => Object.values(b.documents.document('option-a')).find((o) => o.kind === 'rack')
  expect(rack()).toMatchObject({
    center: [0, -30],
    azimuthDeg: 180,
    name: 'Ground rack',
    rows: 2,
    columns: 5,
  })
  expect(b.session.getState()).toMatchObject({
    tool: 'select',
    selection: { kind: 'object', id: rack()?.id },
  })
  const laid = () => b.site().arrays.find((array) => array.id === rack()?.id)
  const middleOf = (index: number) => {
    const corners = laid()?.panels[index]?.corners
    if (!corners) throw new Error('the rack has modules')
    return [0, 1].map((axis) => ((corners[0][axis] ?? 0) + (corners[2][axis] ?? 0)) / 2) as [number, number]
  }
  // A drag that begins on a module takes the rack along.
  const [x, y] = middleOf(7)
  b.press(x, y)
  b.move(x + 3, y - 4)
  b.release(x + 3, y - 4)
  const moved = rack()
  expect(moved?.kind === 'rack' && moved.center[0]).toBeCloseTo(3, 1)
  expect(moved?.kind === 'rack' && moved.center[1]).toBeCloseTo(-34, 1)
  b.key('ArrowUp')
  expect(b.documents.store.getState().done.at(-1)?.label).toBe('Nudge')
  // A click on a module of the selected rack means the module.
  b.click(...middleOf(2))
  expect(b.session.getState().selection).toMatchObject({ kind: 'panel', arrayId: rack()?.id })
  b.key('Delete')
  expect(laid()?.panels).toHaveLength(9)
  // Unselected, the first click means the rack again.
  b.tools.chart.cancel()
  b.click(...middleOf(0))
  expect(b.session.getState().selection).toEqual({ kind: 'object', id: rack()?.id })
  b.key('Delete')
  expect(rack()).toBeUndefined()
  b.documents.undo()
  expect(laid()?.panels).toHaveLength(9)
})

test('nothing is moved beyond the end of the world, and no step is left where nothing moved', () => {
  const b = bench({
    'tree-1': {
      ...defaultTree,
      id: 'tree-1',
      center: [499.995, 0],
      transmissivity: new Array<number>(12).fill(0.5),
    },
  })
  b.session.setState({ selection: { kind: 'object', id: 'tree-1' } })
  const center = () => {
    const tree = b.documents.house['tree-1']
    return tree?.kind === 'tree' ? tree.center : null
  }
  expect(b.key('ArrowRight')).toBe(true)
  expect(center()).toEqual([500, 0])
  const steps = b.documents.store.getState().done.length
  b.tools.chart.key({ key: 'ArrowRight', shift: true })
  expect(center()).toEqual([500, 0])
  expect(b.documents.store.getState().done).toHaveLength(steps)
  // By hand as well: the pointer may go anywhere.
  b.press(500, 0)
  b.move(700, -900)
  b.release(700, -900)
  expect(center()).toEqual([500, -500])
})

test('modules that fit nowhere leave nothing behind, not even something to redo', () => {
  const b = bench()
  rectangle(b)
  b.documents.edit('Setbacks', 'option-a', (before) => ({
    ...before,
    [coverId]: {
      ...defaultCover,
      setbacksM: { ...defaultCover.setbacksM, eave: 2, ridge: 2, hip: 2, valley: 2, rake: 2 },
    },
  }))
  b.documents.edit('Name', 'option-a', (before) => before)
  const before = b.documents.store.getState()
  b.tools.take('lay')
  b.click(5, 1)
  expect(b.session.getState().sketch?.message).toMatch(/No module fits/)
  expect(b.site().arrays).toEqual([])
  const after = b.documents.store.getState()
  expect([after.done, after.undone, after.documents]).toEqual([before.done, before.undone, before.documents])
})

test('the toast’s own step is taken back, whatever was done since', () => {
  const b = bench()
  rectangle(b)
  b.tools.take('lay')
  b.click(5, 1)
  const laid = b.session.getState().toast?.step
  if (!laid) throw new Error('what was laid can be taken back')
  b.tools.take('tree')
  b.click(-8, 0)
  expect(b.documents.takeBack(laid)).toBe(true)
  expect(b.site().arrays).toEqual([])
  expect(Object.values(b.documents.house).some((object) => object.kind === 'tree')).toBe(true)
})
