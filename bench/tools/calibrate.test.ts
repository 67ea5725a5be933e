import { type Vec2 } from '@/core/geometry/vector'
import { onGround } from '@/core/kinds/underlay/lie'
import { linesNear } from '@/core/kinds/underlay/near'
import { type Underlay } from '@/core/kinds/underlay/underlay'
import { bench } from './testing'

const picture: Underlay = {
  id: 'picture',
  kind: 'underlay',
  name: 'Survey',
  fileId: '0123456789abcdef01234567',
  content: 'picture',
  width: 800,
  height: 600,
  metresPerUnit: 0.05,
  center: [0, 0],
  rotationDeg: 0,
  strength: 1,
  order: 0,
  season: 'unknown',
  hiddenLayers: [],
}
const now = (b: ReturnType<typeof bench>) => {
  const found = b.documents.house.picture
  if (found?.kind !== 'underlay') throw new Error('there is a picture')
  return found
}
/** Its states are fetched when it is taken. */
async function taken(b: ReturnType<typeof bench>): Promise<void> {
  b.tools.take('calibrate')
  await b.context.lateStates()
  await b.context.lateStates()
}
const said = (b: ReturnType<typeof bench>) => b.session.getState().sketch?.message

test('two clicks and a typed length scale the picture about the first, in one step', async () => {
  const b = bench({ picture })
  await taken(b)
  b.click(-10, 0)
  b.move(10, 0)
  expect(b.session.getState().sketch).toMatchObject({ points: [[-10, 0]], pointer: [10, 0] })
  b.click(10, 0)
  b.type('8')
  expect(b.session.getState().sketch?.typed).toBe('8')
  b.key('Enter')
  // 400 px were 20 m and are 8 m.
  expect(now(b)).toMatchObject({ metresPerUnit: 0.02, center: [-6, 0], rotationDeg: 0 })
  expect(onGround(now(b), [-200, 0])).toEqual([-10, 0])
  expect(b.session.getState()).toMatchObject({ tool: 'select', selection: { kind: 'object', id: 'picture' } })
  b.documents.undo()
  expect(now(b)).toEqual(picture)
})

test('a typed azimuth turns it too; a wrong length says so and the points stay', async () => {
  const b = bench({ picture })
  await taken(b)
  b.click(0, 0)
  b.click(0, 5)
  b.type('abc')
  b.key('Enter')
  expect(said(b)).toMatch(/abc/)
  for (let k = 0; k < 3; k++) b.key('Backspace')
  b.type('10 90°')
  b.key('Enter')
  expect(now(b)).toMatchObject({ metresPerUnit: 0.1, center: [0, 0], rotationDeg: -90 })
  expect(b.session.getState().toast?.text).toMatch(/north/)
})

test('by keys alone, and Esc goes back point by point', async () => {
  const b = bench({ picture })
  await taken(b)
  b.key('Enter')
  for (let k = 0; k < 4; k++) b.key('ArrowRight')
  b.key('Enter')
  b.type('4m')
  b.tools.chart.cancel()
  expect(b.session.getState().sketch).toMatchObject({ points: [], typed: '' })
  b.key('Enter')
  for (let k = 0; k < 4; k++) b.key('ArrowRight')
  b.key('Enter')
  b.type('4m')
  b.key('Enter')
  expect(now(b)).toMatchObject({ metresPerUnit: 0.1, center: [0, 0] })
  await taken(b)
  b.tools.chart.cancel()
  expect(b.session.getState().tool).toBe('select')
})

test('with none or several and none in hand it says which to choose', async () => {
  const b = bench()
  await taken(b)
  b.click(1, 1)
  expect(said(b)).toMatch(/Select/)
  const two = bench({ picture, other: { ...picture, id: 'other' } })
  await taken(two)
  expect(said(two)).toMatch(/Select/)
  two.tools.take('select')
  two.session.setState({ selection: { kind: 'object', id: 'other' } })
  await taken(two)
  expect(said(two)).toMatch(/Click/)
})

test('an outline holds on to the ends, middles and lines of a drawing under it, and to no hidden layer', () => {
  const drawing = {
    metresPerUnit: 0.001,
    width: 10_000,
    height: 6000,
    leftOut: {},
    layers: [
      {
        name: 'WALLS',
        on: true,
        pieces: Float64Array.of(-5000, -3000, 5000, -3000),
      },
      {
        name: 'GRID',
        on: true,
        pieces: Float64Array.of(-5000, 0, 5000, 0),
      },
    ],
  }
  // Turned a quarter: its lower wall runs upward, three metres east of its middle.
  const lie = { metresPerUnit: 0.001, center: [20, 0] as Vec2, rotationDeg: 90 }
  const near = linesNear(drawing, lie, ['GRID'], [23.1, 2], 0.3)
  expect(near).toHaveLength(1)
  expect(near[0]?.map(([x, y]) => [Math.round(x), Math.round(y)])).toEqual([
    [23, -5],
    [23, 5],
  ])
  expect(linesNear(drawing, lie, [], [20, 2], 0.3)).toHaveLength(1)
  expect(linesNear(drawing, lie, ['GRID'], [20, 2], 0.3)).toHaveLength(0)
  const b = bench()
  b.underLines.set('drawings', {
    near: (at, reachM) => linesNear(drawing, lie, ['GRID'], at, reachM),
  })
  b.tools.take('trace')
  const snapAt = (x: number, y: number) => {
    b.move(x, y)
    const { point, kind } = b.session.getState().sketch?.snap ?? {}
    return [kind, point?.map((value) => Number(value.toFixed(6)))]
  }
  expect(snapAt(23.1, 4.9)).toEqual(['end', [23, 5]])
  expect(snapAt(22.9, -4.9)).toEqual(['end', [23, -5]])
  expect(snapAt(22.9, 0.1)).toEqual(['middle', [23, 0]])
  expect(snapAt(23.2, 3)).toEqual(['edge', [23, 3]])
  expect(snapAt(20.1, 2)[0]).toBe('free')
})
