import { bench, gabledHouse } from '../testing'

const house = gabledHouse(45)
const measuring = () => {
  const b = bench({ house })
  b.tools.take('tape')
  return { ...b, sketch: () => b.session.getState().sketch }
}

test('from eave to ridge it reads the rafter, its run, its rise and its pitch, held at the corners', () => {
  const { move, press, sketch } = measuring()
  // Beside the corners by less than the reach: the tape holds on to them.
  press(5.1, -3.9)
  expect(sketch()?.tape?.[0]).toEqual([5, -4, 3])
  move(5, 0.15)
  expect(sketch()?.tape?.[1][2]).toBeCloseTo(7, 9)
  // Four metres in and four up.
  expect(sketch()?.message).toMatch(/^5\.66 m from end to end: 4\.00 m in plan, 4\.00 m up, 45/)
  press(5, 0.15)
  // It stays until the next one begins.
  move(-3, 2)
  expect(sketch()?.message).toMatch(/^5\.66 m/)
})

test('with Shift it holds on to nothing; on the ground it reads level; down is down', () => {
  const { move, press, sketch } = measuring()
  press(8, 0)
  move(11, 4)
  expect(sketch()?.message).toBe('5.00 m from end to end, level')
  press(11, 4)
  press(4.9, 0.1, true)
  expect(sketch()?.tape?.[0].slice(0, 2)).toEqual([4.9, 0.1])
  move(4.9, -2, true)
  expect(sketch()?.message).toMatch(/1\.90 m down, 42/)
})

test('Enter keeps what was measured, as one undo', () => {
  const { move, press, key, documents, session, sketch, tools } = measuring()
  const kept = () => Object.values(documents.house).filter(({ kind }) => kind === 'dimension')
  press(5.1, -3.9)
  move(5, 0.15)
  press(5, 0.15)
  expect(sketch()?.message).toMatch(/^5\.66 m from end to end: .*Enter keeps it\.$/)
  key('Enter')
  const [dimension] = kept()
  expect(dimension).toMatchObject({ name: 'Dimension', from: [5, -4, 3], to: [5, 0, 7] })
  expect(session.getState().selection).toEqual({ kind: 'object', id: dimension?.id })
  expect(sketch()).toBeNull()
  // It is held like anything else that stands there, and measures no more than once.
  expect(tools.chart.id).toBe('tape')
  documents.undo()
  expect(kept()).toHaveLength(0)
})

test('arrow keys and Enter measure too, hold on to corners, and keep', () => {
  const { key, sketch, documents, tools } = measuring()
  const walk = (name: string, times: number) => {
    for (let k = 0; k < times; k++) expect(key(name)).toBe(true)
  }
  walk('ArrowRight', 9)
  walk('ArrowDown', 8)
  // Half a metre from the corner, which is not yet near.
  expect(sketch()?.marks[0]).not.toEqual([5, -4, 3])
  walk('ArrowRight', 1)
  expect(sketch()?.marks).toEqual([[5, -4, 3]])
  key('Enter')
  walk('ArrowUp', 8)
  expect(sketch()?.tape?.[0]).toEqual([5, -4, 3])
  expect(sketch()?.tape?.[1].map((v) => v.toFixed(6))).toEqual(['5.000000', '0.000000', '7.000000'])
  key('Enter')
  expect(sketch()?.message).toMatch(/^5\.66 m from end to end/)
  key('Enter')
  expect(Object.values(documents.house).filter(({ kind }) => kind === 'dimension')).toHaveLength(1)
  // Other keys are left to others.
  expect(tools.chart.key({ key: 'q', shift: false })).toBe(false)
})

test('Escape lets go of the end that is held, then of the tape; nothing is changed', () => {
  const { press, tools, session, documents, sketch } = measuring()
  press(8, 0)
  tools.chart.cancel()
  expect(sketch()?.tape).toBeNull()
  expect(session.getState().tool).toBe('tape')
  tools.chart.cancel()
  expect(session.getState().tool).toBe('select')
  expect(sketch()).toBeNull()
  expect(documents.undo()).toBeFalsy()
})

test('what stands behind what is seen is not held on to', () => {
  const { tools, input, sketch } = measuring()
  // Level from the south at the wall: the ground corner of the north wall lies right behind it.
  tools.chart.press(input([0, 0], false, [5, -30, 0.1], [0, 1, 0]))
  expect(sketch()?.tape?.[0]).toEqual([5, -4, 0])
})
