import { job, set } from '@/town/testing'
import { type BenchParts } from '../context'
import { tools as allTools } from '../kinds/index'
import { createSession } from '../store/session'
import { commandsOf } from './command-list'

function commands(corners = 0, house = job.house) {
  const session = createSession('option-a')
  const done: string[] = []
  let drawn = corners
  const parts = {
    session,
    documents: {
      house,
      undo: () => done.push('undo'),
      redo: () => done.push('redo'),
    },
    tools: {
      take: (tool: string) => done.push(tool),
      // The tool in hand takes back what it draws, as long as there is something.
      chart: { undo: () => drawn > 0 && (drawn--, done.push('corner'), true) },
    },
    allTools,
  } as unknown as BenchParts
  const list = commandsOf(parts, (deed) => done.push(deed))
  const press = (key: string, { shift = false, control = false } = {}) => {
    const found = list.filter((command) => command.matches({ key, shiftKey: shift }, control))
    found[0]?.run()
    return found.length
  }
  return { list, press, session, done }
}

test('no key means two things, and every command has a name and a key', () => {
  const { list, press } = commands()
  for (const { label, shortcut } of list) {
    expect(label).not.toBe('')
    expect(shortcut).not.toBe('')
  }
  expect(new Set(list.map(({ shortcut }) => shortcut)).size).toBe(list.length)
  const { press: fresh } = commands()
  for (const key of [...'abcdefghijklmnopqrstuvwxyz0123456789[]?,.;:'].filter((k) => k !== 'f')) {
    expect(press(key)).toBeLessThanOrEqual(1)
    expect(fresh(key, { control: true })).toBeLessThanOrEqual(1)
  }
})

test('a comma and a point go to the solstices of the place, at the same hour', () => {
  for (const [latitudeDeg, winter] of [
    [41.6, 354],
    [-34.7, 171],
  ] as const) {
    const { press, session } = commands(0, set(job.house, 'site', { latitudeDeg }))
    const { hour } = session.getState()
    press(',')
    expect(session.getState()).toMatchObject({ day: winter, hour })
    press('.')
    expect(session.getState().day).toBe(354 + 171 - winter)
  }
})

test('undo and redo want Control, letters alone take tools and turn to their chapter', () => {
  const { press, session, done } = commands()
  press('z', { control: true })
  press('Z', { control: true, shift: true })
  press('y', { control: true })
  press('z')
  expect(done).toEqual(['undo', 'redo', 'redo'])
  press('a', { control: true })
  expect(done.at(-1)).toBe('choose-all')
  press('d', { control: true })
  press('d')
  expect(done.slice(-2)).toEqual(['duplicate', 'dormer'])
  press('r')
  expect(done.at(-1)).toBe('rack')
  expect(session.getState().chapter).toBe('cover')
  press('s')
  expect(done.at(-1)).toBe('select')
  expect(session.getState().chapter).toBe('cover')
})

test('undo takes back a corner that is being drawn before it touches the documents', () => {
  const { press, done } = commands(2)
  for (let k = 0; k < 3; k++) press('z', { control: true })
  expect(done).toEqual(['corner', 'corner', 'undo'])
})

test('figures go to the chapters, sheets open, columns fold and unfold', () => {
  const { press, session } = commands()
  press('1')
  expect(session.getState().chapter).toBe('site')
  press('7')
  expect(session.getState().chapter).toBe('offer')
  for (const [key, dialog] of [
    ['e', 'estimate'],
    ['y', 'year'],
    ['i', 'weather'],
    ['?', 'shortcuts'],
  ] as const) {
    press(key)
    expect(session.getState().dialog).toBe(dialog)
  }
  press('[')
  expect(session.getState().leftFolded).toBe(true)
  press('[')
  expect(session.getState().leftFolded).toBe(false)
  const { plan } = session.getState()
  press('v')
  expect(session.getState().plan).toBe(!plan)
})
