import { type PanelArray } from '@/core/kinds/array/array'
import { frameOf, fromFrame, toFrame } from '@/core/layout/plane-frame'
import { type Vec2 } from '@/core/geometry/vector'
import { copyBeside, fillPlane, flipArray, joinArrays, setOutAsRows, splitOff } from './arrays/deeds'
import { bench, gabledHouse } from './testing'

/** A house of ten metres by eight with 40° to the south and to the north. */
function covered() {
  const b = bench({ house: gabledHouse(40) })
  const arrays = () =>
    Object.values(b.documents.document('option-a')).flatMap((one) => (one.kind === 'array' ? [one] : []))
  const laid = (id: string) => {
    const found = b.site().arrays.find((array) => array.id === id)
    if (!found) throw new Error('it is laid')
    return found
  }
  const one = (): PanelArray => {
    const found = arrays().at(-1)
    if (!found) throw new Error('there is an array')
    return found
  }
  const select = (id: string) => b.session.setState({ selection: { kind: 'object', id } })
  const dragGrip = (name: string, by: Vec2, shift = false) => {
    const grip = b.grips().find(({ handle }) => handle.name === name)
    if (!grip) throw new Error(`it has a grip ${name}`)
    const [x, y] = grip.handle.at
    b.press(x, y)
    b.move(x + by[0], y + by[1], shift)
    b.release(x + by[0], y + by[1], shift)
  }
  return { ...b, arrays, laid, one, select, dragGrip }
}

/** Up the slope, seen from above. */
const inPlan = Math.cos((40 * Math.PI) / 180)

test('rows are pulled out from a corner like a table, in one step of undo; a click lays one', () => {
  const b = covered()
  b.tools.take('lay-rows')
  b.press(-4, -3.5)
  b.move(-1, -2)
  b.move(-0.5, -0.5, true)
  expect(b.session.getState().sketch?.message).toBe('2 rows of 3: 3.44 m × 3.46 m')
  b.release(-0.5, -0.5)
  expect(b.one().part).toMatchObject({ is: 'rows', counts: [3, 3] })
  expect(b.laid(b.one().id).panels).toHaveLength(6)
  expect(b.documents.store.getState().done.at(-1)?.label).toBe('Lay rows')
  // The tool stays in hand for the next.
  b.press(3, -3.5)
  b.release(3, -3.5)
  expect(b.one().part).toMatchObject({ counts: [1] })
  b.documents.undo()
  expect(b.arrays()).toHaveLength(1)
})

test('pulled to the left and down, rows end at the corner where they began', () => {
  const b = covered()
  b.tools.take('lay-rows')
  b.press(4, -1, true)
  b.move(1.9, -3.3)
  b.release(1.9, -3.3)
  const { corners } = b.laid(b.one().id).panels[0] ?? { corners: [] }
  const { part } = b.one()
  expect(part).toMatchObject({ is: 'rows', counts: [1] })
  expect(Math.max(...corners.map((p) => p[0]))).toBeCloseTo(4, 2)
  expect(Math.max(...corners.map((p) => p[1]))).toBeCloseTo(-1, 0)
})

test('beside the roof it is said, on a neighbour’s too, and where nothing fits no step is left', () => {
  const b = covered()
  b.tools.take('lay-rows')
  b.press(30, 30)
  expect(b.session.getState().sketch?.message).toMatch(/^No roof plane there/)
  // In the ridge's setback.
  b.press(0, -0.2, true)
  b.release(0, -0.2, true)
  expect(b.session.getState().sketch?.message).toMatch(/^No module fits there/)
  expect(b.arrays()).toEqual([])
  expect(b.documents.store.getState().done).toEqual([])
  b.documents.edit('role', 'house', (before) => ({
    ...before,
    house: { ...gabledHouse(40), role: 'neighbour' },
  }))
  b.press(0, -2)
  expect(b.session.getState().sketch?.message).toMatch(/neighbour/)
})

test('rows snap to the setback while they are moved, and with Shift they stay where the hand is', () => {
  const b = covered()
  b.tools.take('lay-rows')
  b.press(-2, -2.6, true)
  b.move(0.4, -1.2)
  b.release(0.4, -1.2)
  b.tools.take('select')
  const id = b.one().id
  b.select(id)
  const { margins } = b.laid(id)
  if (!margins) throw new Error('it lies on a plane')
  const frame = frameOf(margins.plane)
  const low = () =>
    Math.min(...b.laid(id).panels.flatMap(({ corners }) => corners.map((c) => toFrame(frame, c)[0])))
  const eave = () =>
    Math.min(...b.laid(id).panels.flatMap(({ corners }) => corners.map((c) => toFrame(frame, c)[1])))
  const [left, bottom] = [low(), eave()]
  // To within 12 cm of the left rake's setback of 0.3 m: the reach of a snap is 30 cm.
  b.dragGrip('move', [0.3 + 0.12 - left, (0.3 - 0.1 - bottom) * inPlan])
  expect(low()).toBeCloseTo(0.3, 3)
  expect(eave()).toBeCloseTo(0.3, 3)
  expect(b.laid(id).unfit).toEqual([])
  b.dragGrip('move', [0.2, 0.2], true)
  expect(low()).toBeCloseTo(0.5, 3)
  // Over the rake: told apart, and back in one step.
  b.dragGrip('move', [-0.6, 0], true)
  expect(b.laid(id).unfit.length).toBeGreaterThan(0)
  b.documents.undo()
  expect(b.laid(id).unfit).toEqual([])
})

test('rows and columns more or fewer by their grips; never none', () => {
  const b = covered()
  b.tools.take('lay-rows')
  b.press(-4, -3.4)
  b.release(-4, -3.4)
  b.tools.take('select')
  b.select(b.one().id)
  b.dragGrip('columns', [3.5, 0])
  expect(b.one().part).toMatchObject({ counts: [4] })
  b.dragGrip('rows', [0, 1.9 * inPlan])
  expect(b.one().part).toMatchObject({ counts: [4, 4] })
  b.dragGrip('columns', [-40, 0])
  expect(b.one().part).toMatchObject({ counts: [1, 1] })
  b.dragGrip('rows', [0, -30])
  expect(b.one().part).toMatchObject({ counts: [1] })
})

test('a field is drawn corner by corner on the slope, filled, and the plane around it leaves it to itself', () => {
  const b = covered()
  b.tools.take('lay')
  b.click(0, -2)
  const whole = b.one().id
  const before = b.laid(whole).panels.length
  b.tools.take('lay-area')
  b.click(-4.5, -3.7, true)
  b.click(0, -3.7, true)
  expect(b.session.getState().sketch?.on).not.toBeNull()
  b.click(0, -0.5, true)
  b.click(-4.5, -0.5, true)
  b.click(-4.5, -3.7)
  const field = b.one()
  expect(field.part).toMatchObject({ is: 'field' })
  expect(b.session.getState().toast?.text).toMatch(/modules laid/)
  expect(b.laid(field.id).panels.length).toBeGreaterThan(3)
  expect(b.laid(whole).panels.length).toBeLessThan(before)
  const { margins } = b.laid(field.id)
  if (!margins || field.part?.is !== 'field') throw new Error('it is a field')
  const frame = frameOf(margins.plane)
  const us = field.part.corners.map(([u]) => u)
  for (const { corners } of b.laid(field.id).panels)
    for (const corner of corners) {
      expect(toFrame(frame, corner)[0]).toBeGreaterThanOrEqual(Math.min(...us) - 1e-6)
      expect(toFrame(frame, corner)[0]).toBeLessThanOrEqual(Math.max(...us) + 1e-6)
    }
  // Nothing of the two lies over the other.
  const at = (panel: { readonly corners: readonly (readonly number[])[] }) =>
    panel.corners.map((c) => toFrame(frame, c as never))
  for (const one of b.laid(field.id).panels)
    for (const other of b.laid(whole).panels) {
      const [p, q] = [at(one), at(other)]
      const apart = ([0, 1] as const).some(
        (axis) =>
          Math.max(...p.map((c) => c[axis])) <= Math.min(...q.map((c) => c[axis])) + 1e-6 ||
          Math.max(...q.map((c) => c[axis])) <= Math.min(...p.map((c) => c[axis])) + 1e-6,
      )
      expect(apart).toBe(true)
    }
  // The field gone, the plane is filled again.
  b.documents.edit('delete', 'option-a', ({ [field.id]: _field, ...rest }) => rest)
  expect(b.laid(whole).panels).toHaveLength(before)
})

test('corners of a field are moved, set in and taken out; crossed sides are refused and nothing is changed', () => {
  const b = covered()
  b.tools.take('lay-area')
  for (const [x, y] of [
    [-4, -3.6],
    [2, -3.6],
    [2, -0.6],
    [-4, -0.6],
  ] as const)
    b.click(x, y, true)
  b.key('Enter')
  const id = b.one().id
  b.tools.take('select')
  b.select(id)
  const corners = () => {
    const { part } = b.one()
    return part?.is === 'field' ? part.corners : []
  }
  expect(corners()).toHaveLength(4)
  const first = corners()[0]
  b.dragGrip('corner', [0.5, 0], true)
  expect(corners()[0]?.[0]).toBeCloseTo((first?.[0] ?? 0) + 0.5, 3)
  b.dragGrip('new-corner', [0, 1], true)
  expect(corners()).toHaveLength(5)
  // The second corner dragged through the opposite side.
  const kept = corners()
  b.dragGrip('new-corner', [0, 5], true)
  expect(corners()).toEqual(kept)
  expect(b.session.getState().toast?.text).toMatch(/crosses itself/)
  const corner = b.grips().find(({ handle }) => handle.name === 'corner' && handle.index === 1)
  if (!corner) throw new Error('it has corners')
  b.move(corner.handle.at[0], corner.handle.at[1])
  b.key('Delete')
  expect(corners()).toHaveLength(4)
})

test('a filled plane is set out as rows, split, joined, copied and turned over', () => {
  const b = covered()
  b.tools.take('lay')
  b.click(0, -2)
  b.tools.take('select')
  const whole = b.one()
  const places = () =>
    b
      .arrays()
      .flatMap(({ id }) => b.laid(id).panels)
      .map(({ corners }) => corners.map((c) => c.map((x) => Math.round(x * 100)).join(' ')).join('|'))
      .sort()
  const before = places()
  setOutAsRows(b.context, whole)
  expect(b.one()).toMatchObject({ id: whole.id, part: { is: 'rows', align: 'left' } })
  expect(places()).toEqual(before)
  // Two of them as an array of their own, at the very same places.
  const chosen = b.laid(whole.id).panels.slice(0, 2)
  splitOff(b.context, b.one(), chosen)
  expect(b.arrays()).toHaveLength(2)
  expect(places()).toEqual(before)
  joinArrays(b.context, b.arrays())
  expect(b.arrays()).toHaveLength(1)
  expect(places()).toEqual(before)
  b.documents.undo()
  // Dragged out of line they are not joined, and that is said.
  b.select(b.one().id)
  b.dragGrip('move', [0.07, 0], true)
  joinArrays(b.context, b.arrays())
  expect(b.arrays()).toHaveLength(2)
  expect(b.session.getState().toast?.text).toMatch(/not in line/)
})

test('a copy lies beside its original at the gap; the mirror image of rows has its gap on the other side', () => {
  const b = covered()
  b.tools.take('lay-rows')
  b.press(-4, -3.4)
  b.release(-4, -3.4)
  const id = b.one().id
  b.documents.edit('rows', 'option-a', (before) => ({
    ...before,
    [id]: { ...b.one(), part: { is: 'rows', at: [1, 0.4], counts: [3, 2], align: 'left' }, removed: ['0:0'] },
  }))
  copyBeside(b.context, b.one())
  expect(b.arrays()).toHaveLength(2)
  const [first, copy] = b.arrays()
  if (first?.part?.is !== 'rows' || copy?.part?.is !== 'rows') throw new Error('both are rows')
  const module = b.context.module()
  expect(copy.part.at[0] - first.part.at[0]).toBeCloseTo(3 * ((module?.widthM ?? 0) + 0.02), 3)
  flipArray(b.context, copy, 'eave')
  expect(b.arrays()[1]).toMatchObject({ part: { counts: [3, 2], align: 'right' }, removed: ['0:2'] })
  flipArray(b.context, b.arrays()[1] as PanelArray, 'slope')
  expect(b.arrays()[1]).toMatchObject({ part: { counts: [2, 3], align: 'right' }, removed: ['1:2'] })
})

test('a second array over rows that lie there has only what they leave it', () => {
  const b = covered()
  b.tools.take('lay-rows')
  b.press(-4, -3.4, true)
  b.move(0, -1.9)
  b.release(0, -1.9)
  const first = b.one()
  b.press(-3, -3.3, true)
  b.move(3, -1.8)
  b.release(3, -1.8)
  const second = b.one()
  expect(second.id).not.toBe(first.id)
  expect(b.laid(first.id).unfit).toEqual([])
  expect(b.laid(second.id).unfit.length).toBeGreaterThan(0)
  const { margins } = b.laid(second.id)
  if (!margins) throw new Error('it lies on a plane')
  expect(fromFrame(frameOf(margins.plane), [0, 0])[2]).toBeCloseTo(3, 9)
})

test('arrow keys move rows along the eave and up the slope; what is locked stays, and what fills its plane too', () => {
  const b = covered()
  b.tools.take('lay-rows')
  b.press(-2, -3, true)
  b.release(-2, -3)
  b.tools.take('select')
  const array = b.one()
  b.select(array.id)
  const at = () => {
    const { part } = b.one()
    return part?.is === 'rows' ? part.at : [0, 0]
  }
  const [u = 0, v = 0] = at()
  b.key('ArrowRight')
  b.key('ArrowUp')
  expect(at()).toEqual([expect.closeTo(u + 0.01, 9), expect.closeTo(v + 0.01, 9)])
  b.documents.set('Lock', 'option-a', array.id, { locked: true })
  b.key('ArrowRight')
  expect(at()[0]).toBeCloseTo(u + 0.01, 9)
  expect(b.grips()).toEqual([])
  expect(b.session.getState().toast?.text).toMatch(/locked/)
})

test('without a pointer: arrow keys go there, Enter lays one module, and the next Enter another', () => {
  const b = covered()
  b.tools.take('lay-rows')
  for (let k = 0; k < 4; k++) b.key('ArrowDown')
  b.key('Enter')
  expect(b.one().part).toMatchObject({ is: 'rows', counts: [1] })
  for (let k = 0; k < 5; k++) b.key('ArrowRight')
  b.key('Enter')
  expect(b.arrays()).toHaveLength(2)
  // And an area whose first corner was reached by keys goes on with typed ones.
  b.tools.take('lay-area')
  for (let k = 0; k < 6; k++) b.key('ArrowDown')
  b.key('Enter')
  expect(b.session.getState().sketch?.on).not.toBeNull()
  b.type('-3; 0')
  b.key('Enter')
  b.type('0; 3')
  b.key('Enter')
  b.type('3; 0')
  b.key('Enter')
  b.key('Enter')
  expect(b.one().part).toMatchObject({ is: 'field' })
  expect(b.laid(b.one().id).panels.length).toBeGreaterThan(0)
})

test('arrays and other things in hand together are moved by their own way, not half of them', () => {
  const b = covered()
  b.tools.take('tree')
  b.click(20, 20)
  const tree = Object.values(b.documents.house).find(({ kind }) => kind === 'tree')
  b.tools.take('lay-rows')
  b.press(-2, -3, true)
  b.release(-2, -3)
  b.tools.take('select')
  const before = b.one().part
  b.session.setState({ selection: { kind: 'objects', ids: [tree?.id ?? '', b.one().id] } })
  b.key('ArrowRight')
  expect(Object.values(b.documents.house).find(({ kind }) => kind === 'tree')).not.toEqual(tree)
  expect(b.one().part).toEqual(before)
})

test('what is split off a plane that a search has filled leaves all others where they were', () => {
  const b = covered()
  b.tools.take('lay')
  b.click(0, -2)
  b.tools.take('select')
  const whole = b.one()
  const places = () =>
    b
      .arrays()
      .flatMap(({ id }) => b.laid(id).panels)
      .map(({ corners }) => corners.map((c) => c.map((x) => Math.round(x * 100)).join(' ')).join('|'))
      .sort()
  const before = places()
  splitOff(b.context, whole, b.laid(whole.id).panels.slice(3, 5))
  expect(b.arrays()).toHaveLength(2)
  expect(places()).toEqual(before)
  expect(b.arrays().every(({ id }) => b.laid(id).unfit.length === 0)).toBe(true)
  b.documents.undo()
  expect(b.arrays()).toEqual([whole])
})

test('a plane that another array fills is not filled twice, and that is said', () => {
  const b = covered()
  b.tools.take('lay-area')
  for (const [x, y] of [
    [-4, -3.6],
    [2, -3.6],
    [2, -0.6],
    [-4, -0.6],
  ] as const)
    b.click(x, y, true)
  b.key('Enter')
  const field = b.one()
  const { part: _part, ...unparted } = field
  b.documents.edit('fill', 'option-a', (before) => ({ ...before, whole: { ...unparted, id: 'whole' } }))
  fillPlane(b.context, field)
  expect(b.arrays()).toContainEqual(field)
  expect(b.session.getState().toast?.text).toMatch(/fills this plane already/)
  b.documents.edit('delete', 'option-a', ({ whole: _whole, ...rest }) => rest)
  fillPlane(b.context, field)
  expect(b.arrays()).toEqual([unparted])
})
