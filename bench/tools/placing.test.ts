import { type Volume } from '@/core/kinds/volume/volume'
import { bench } from './testing'

const house: Volume = {
  id: 'house',
  kind: 'volume',
  name: 'House',
  role: 'house',
  outline: [
    [-5, -4],
    [5, -4],
    [5, 4],
    [-5, 4],
  ],
  eaveHeightM: 3,
  edges: [{ pitchDeg: 30 }, { gable: true }, { pitchDeg: 30 }, { gable: true }],
}
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
