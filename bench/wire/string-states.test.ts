import { theOne } from '@/core/kinds/documents'
import { electricalId, type DrawnString } from '@/core/kinds/electrical/electrical'
import { middle3 } from '@/core/geometry/vector'
import { ToolChart } from '../tools/chart'
import { bench, gabledHouse } from '../tools/testing'
import { begunAt, pathTo, StringIdle } from './string-states'

/** A house with a row of six modules to the south, and the string tool in hand. */
function strung() {
  const b = bench({ house: gabledHouse(40) })
  b.tools.take('lay-rows')
  b.press(-4, -3.5)
  b.move(3, -3.4)
  b.release(3, -3.4)
  const [array] = b.site().arrays
  if (!array) throw new Error('modules are laid')
  b.tools.take('select')
  b.session.setState({ selection: null })
  const ids = array.panels.map(({ id }) => id)
  const at = (k: number) => {
    const corners = array.panels[k]?.corners
    if (!corners) throw new Error('there is such a module')
    const [x, y] = middle3(corners[0], corners[2])
    return b.input([x, y])
  }
  let left = false
  const chart = new ToolChart('string', new StringIdle(b.context), () => (left = true))
  const drag = (...path: number[]) => {
    chart.press(at(path[0] ?? 0))
    for (const k of path.slice(1)) chart.move(at(k))
    chart.release(at(path.at(-1) ?? 0))
  }
  const click = (k: number) => drag(k)
  const key = (name: string) => chart.key({ key: name, shift: false })
  const drawn = () => theOne(b.documents.document('option-a'), 'electrical', electricalId).drawn
  const draw = (all: readonly DrawnString[]) =>
    b.documents.set('Draw', 'option-a', electricalId, { drawn: all })
  const message = () => b.session.getState().sketch?.message
  return { ...b, ids, at, chart, drag, click, key, drawn, draw, message, isLeft: () => left }
}

test('dragged over, modules become a string in that order: one step, taken back as one', () => {
  const b = strung()
  expect(b.ids.length).toBeGreaterThanOrEqual(6)
  b.drag(4, 3, 2, 1)
  expect(b.drawn()).toEqual([{ input: null, panelIds: [4, 3, 2, 1].map((k) => b.ids[k]) }])
  expect(b.message()).toBe('A string of 4 modules is drawn.')
  expect(b.session.getState().lit).toEqual([])
  b.documents.undo()
  expect(b.drawn()).toEqual([])
})

test('a fast hand leaves out no module on its way; going back lets go', () => {
  const b = strung()
  b.drag(0, 5)
  expect(b.drawn()[0]?.panelIds).toEqual(b.ids.slice(0, 6))
  b.documents.undo()
  b.chart.press(b.at(0))
  b.chart.move(b.at(5))
  b.chart.move(b.at(3))
  expect(b.session.getState().lit).toEqual(b.ids.slice(0, 4))
  expect(b.message()).toContain('4 modules')
  b.chart.release(b.at(3))
  expect(b.drawn()[0]?.panelIds).toEqual(b.ids.slice(0, 4))
})

test('clicked one by one, a click on the last one ends it', () => {
  const b = strung()
  b.click(0)
  b.click(2)
  b.click(4)
  expect(b.drawn()).toEqual([])
  b.click(4)
  expect(b.drawn()).toEqual([{ input: null, panelIds: [0, 2, 4].map((k) => b.ids[k]) }])
})

test('from the minus of a drawn string it goes on, from its plus it grows at the front; its input stays', () => {
  const b = strung()
  b.draw([{ input: 1, panelIds: b.ids.slice(2, 4) }])
  b.drag(3, 4)
  expect(b.drawn()).toEqual([{ input: 1, panelIds: b.ids.slice(2, 5) }])
  b.drag(2, 1, 0)
  expect(b.drawn()).toEqual([{ input: 1, panelIds: b.ids.slice(0, 5) }])
})

test('a module that is gone is no end of its string, and stays in it', () => {
  const b = strung()
  b.draw([{ input: 1, panelIds: [...b.ids.slice(2, 4), 'away/0:0'] }])
  b.drag(3, 4)
  expect(b.drawn()).toEqual([{ input: 1, panelIds: ['away/0:0', ...b.ids.slice(2, 5)] }])
  expect(b.message()).toBe('A string of 3 modules is drawn.')
  b.drag(2, 1)
  expect(b.drawn()).toEqual([{ input: 1, panelIds: [...b.ids.slice(1, 5), 'away/0:0'] }])
})

test('modules drawn into another string leave the one they were in', () => {
  const b = strung()
  b.draw([
    { input: 0, panelIds: b.ids.slice(0, 3) },
    { input: 1, panelIds: b.ids.slice(3, 6) },
  ])
  b.drag(2, 3, 4)
  expect(b.drawn()).toEqual([
    { input: 0, panelIds: b.ids.slice(0, 5) },
    { input: 1, panelIds: b.ids.slice(5, 6) },
  ])
})

test('by keys: arrows choose and take, Backspace lets go, Enter begins and ends', () => {
  const b = strung()
  expect(b.key('ArrowRight')).toBe(true)
  b.key('Enter')
  b.key('ArrowRight')
  b.key('ArrowRight')
  b.key('Backspace')
  b.key('Enter')
  expect(b.drawn()).toEqual([{ input: null, panelIds: b.ids.slice(0, 2) }])
  expect(b.key('x')).toBe(false)
})

test('the tool is fetched when it is taken; another that is taken meanwhile stays in hand', async () => {
  const b = strung()
  b.tools.take('string')
  b.tools.take('tape')
  await b.context.lateStates()
  expect(b.session.getState().sketch?.message).not.toContain('in the order of the string')
  b.tools.take('string')
  await b.context.lateStates()
  expect(b.message()).toContain('Drag over modules')
  b.tools.chart.press(b.at(1))
  b.tools.chart.move(b.at(3))
  b.tools.chart.release(b.at(3))
  expect(b.drawn()[0]?.panelIds).toEqual(b.ids.slice(1, 4))
})

test('Esc lets go of what is begun, then of the tool; nothing is drawn', () => {
  const b = strung()
  b.chart.press(b.at(0))
  b.chart.move(b.at(2))
  b.chart.cancel()
  expect(b.session.getState().lit).toEqual([])
  expect(b.isLeft()).toBe(false)
  b.chart.cancel()
  expect(b.isLeft()).toBe(true)
  expect(b.drawn()).toEqual([])
  expect(b.chart.undo()).toBe(false)
})

test('beside the modules it says what to do', () => {
  const b = strung()
  b.chart.press(b.input([0, 12]))
  expect(b.message()).toBe('No module there. Begin on a module.')
})

test('a path takes no module twice and no more than sixty', () => {
  const long = Array.from({ length: 60 }, (_, k) => `a/0:${k}`)
  expect(pathTo(long, 'a/1:0')).toBe(long)
  expect(pathTo(['a', 'b', 'c'], 'a')).toEqual(['a', 'b', 'c'])
  expect(pathTo(['a', 'b', 'c'], 'b')).toEqual(['a', 'b'])
  expect(begunAt([{ input: null, panelIds: ['a', 'b', 'c'] }], 'b', new Set(['a', 'b', 'c'])).from).toBeNull()
})
