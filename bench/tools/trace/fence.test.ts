import { bench } from '../testing'

test('a fence is drawn corner by corner and ends where its last corner is clicked again', () => {
  const b = bench()
  b.tools.take('barrier')
  b.click(0, 0)
  b.click(4, 0)
  expect(b.session.getState().sketch?.message).toMatch(/Enter/)
  b.click(4, 3)
  // Coming back to the first corner goes on; the line stays open.
  b.click(0.01, 0.01)
  b.click(0.02, 0)
  const fence = Object.values(b.documents.house).find(({ kind }) => kind === 'barrier')
  expect(fence).toMatchObject({ use: 'fence', heightM: 1.8 })
  expect(fence).toMatchObject({
    points: [
      [0, 0],
      [4, 0],
      [4, 3],
      [0, 0],
    ],
  })
  expect(b.session.getState().selection).toEqual({ kind: 'object', id: fence?.id })
  b.documents.undo()
  expect(Object.values(b.documents.house).some(({ kind }) => kind === 'barrier')).toBe(false)
})

test('one end makes no fence: it is said, and the drawing goes on', () => {
  const b = bench()
  b.tools.take('barrier')
  b.click(0, 0)
  b.key('Enter')
  expect(b.session.getState().sketch?.message).toMatch(/two ends/)
  b.key('3')
  b.move(0, 9)
  b.key('Enter')
  b.key('Enter')
  const fence = Object.values(b.documents.house).find(({ kind }) => kind === 'barrier')
  expect(fence).toMatchObject({
    points: [
      [0, 0],
      [0, 3],
    ],
  })
})
