import { bench, gabledHouse } from './testing'

/** A house with 40° to the south and to the north, its southern plane laid. */
function laid() {
  const b = bench({ house: gabledHouse(40) })
  b.tools.take('lay')
  b.click(0, -2)
  b.tools.take('select')
  const array = Object.values(b.documents.document('option-a')).find(({ kind }) => kind === 'array')
  if (array?.kind !== 'array') throw new Error('modules were laid')
  b.session.setState({ selection: { kind: 'object', id: array.id } })
  const now = () => {
    const found = b.documents.document('option-a')[array.id]
    return found?.kind === 'array' ? found : array
  }
  const count = () => b.site().arrays.find(({ id }) => id === array.id)?.panels.length ?? 0
  return { b, now, count }
}

test('the edge of a setback dragged inward keeps that one edge farther off, on the slope; one step of undo', () => {
  const { b, now, count } = laid()
  const before = count()
  const eave = b.grips().find(({ handle }) => handle.edge === 'eave:0')
  if (!eave) throw new Error('the plane has an eave')
  const [x, y] = eave.handle.at
  // Seen from above: a metre in plan is more along the slope.
  b.press(x, y)
  b.move(x, y + 0.5)
  b.move(x, y + 1)
  b.release(x, y + 1)
  expect(now().edgesM).toEqual({
    'eave:0': expect.closeTo(0.3 + 1 / Math.cos((40 * Math.PI) / 180), 2) as number,
  })
  expect(count()).toBeLessThan(before)
  expect(b.documents.store.getState().done.at(-1)?.label).toBe('Setback')
  b.documents.undo()
  expect(now().edgesM).toBeUndefined()
  expect(count()).toBe(before)
})

test('dragged out over the edge it stays at the edge, and Esc puts it back', () => {
  const { b, now } = laid()
  const rake = b.grips().find(({ handle }) => handle.edge === 'rake:0')
  if (!rake) throw new Error('the plane has rakes')
  const [x, y] = rake.handle.at
  b.press(x, y)
  b.move(x + 3, y)
  expect(now().edgesM).toEqual({ 'rake:0': 0 })
  b.tools.chart.cancel()
  expect(now().edgesM).toBeUndefined()
})

test('a walkway is set on a plane and takes its modules away; beside the roof it is refused', () => {
  const { b, count } = laid()
  const before = count()
  b.tools.take('walkway')
  b.click(30, 30)
  expect(b.session.getState().sketch?.message).toMatch(/runs over a roof/)
  b.click(4.4, 1)
  const walkway = () => Object.values(b.documents.house).find(({ kind }) => kind === 'walkway')
  expect(walkway()).toMatchObject({ kind: 'walkway', name: 'Walkway', widthM: 0.9, center: [4.4, 1] })
  // On the other plane it is in nobody's way.
  expect(count()).toBe(before)
  b.tools.take('walkway')
  b.click(0, -3.9)
  expect(count()).toBeLessThan(before)
  // Wider by its grip, straight along the eave.
  const grip = b.grips().find(({ handle }) => handle.name === 'walkway-width')
  if (!grip) throw new Error('it is selected')
  const [x, y] = grip.handle.at
  b.press(x, y)
  b.move(x + 0.3, y)
  b.release(x + 0.3, y)
  expect(Object.values(b.documents.house).filter(({ kind }) => kind === 'walkway')[1]).toMatchObject({
    widthM: 1.5,
  })
})
