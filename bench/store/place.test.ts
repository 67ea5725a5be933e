import { followAddress, readPlace, writePlace, type Place } from './place'
import { createSession } from './session'

const place: Place = {
  chapter: 'cover',
  optionId: 'option-b',
  day: 354,
  hour: 10,
  plan: true,
  camera: [1.5, -20, 30, 0, 0, 2.5, 0],
  selection: { kind: 'panel', id: 'array-south/0:1', arrayId: 'array-south' },
}
const options = ['option-a', 'option-b']
/** As much of a window as an address needs. */
function fakeWindow(search: string) {
  const entries = [search]
  let at = 0
  const listeners = new Set<() => void>()
  const made = {
    innerWidth: 1280,
    location: {
      get search() {
        return entries[at] ?? ''
      },
    },
    history: {
      state: null,
      get length() {
        return entries.length
      },
      pushState: (_state: unknown, _title: string, to: string) => void entries.splice(++at, Infinity, to),
      replaceState: (_state: unknown, _title: string, to: string) => void (entries[at] = to),
      back: () => {
        at--
        for (const listener of listeners) listener()
      },
    },
    addEventListener: (_type: string, listener: () => void) => void listeners.add(listener),
    removeEventListener: (_type: string, listener: () => void) => void listeners.delete(listener),
  }
  Object.assign(globalThis, { window: made })
  return made
}
afterEach(() => Reflect.deleteProperty(globalThis, 'window'))

const wait = (ms: number) => new Promise((done) => setTimeout(done, ms))

test('what is written is read back', () => {
  expect(readPlace(writePlace(place), options)).toEqual(place)
  const object = { ...place, selection: { kind: 'object', id: 'tree-1' }, camera: null, plan: false } as const
  expect(readPlace(writePlace(object), options)).toEqual({
    chapter: 'cover',
    optionId: 'option-b',
    day: 354,
    hour: 10,
    plan: false,
    selection: { kind: 'object', id: 'tree-1' },
  })
  expect(writePlace(place)).toContain('at=12-21+10%3A00')
})

test.each([
  '',
  '?chapter=attic',
  '?option=gone',
  '?at=13-01 10:00',
  '?at=12-21 25:00',
  '?eye=1,2,3',
  '?eye=a,b,c,d,e,f,g',
  '?module=nothing',
])('what makes no sense is left out: %s', (search) => {
  expect(readPlace(search, options)).toEqual({})
})

test('a reload comes back to the same place, and Back to the chapter before', async () => {
  const window = fakeWindow('?chapter=wire&option=option-b&at=06-01 08:30')
  const session = createSession('option-a')
  const stop = followAddress(session, () => options)
  expect(session.getState()).toMatchObject({ chapter: 'wire', optionId: 'option-b', day: 151, hour: 8.5 })
  const before = window.history.length
  session.setState({ hour: 9 })
  await wait(400)
  expect(window.location.search).toContain('09%3A00')
  expect(window.history.length).toBe(before)
  session.setState({ chapter: 'offer' })
  expect(window.history.length).toBe(before + 1)
  expect(window.location.search).toContain('chapter=offer')
  window.history.back()
  expect(session.getState()).toMatchObject({ chapter: 'wire', hour: 9 })
  await wait(400)
  // What Back brought is not written as something new.
  expect(window.history.length).toBe(before + 1)
  stop()
  session.setState({ chapter: 'site' })
  expect(window.location.search).toContain('chapter=wire')
})

test('Back finds the chapter before even where the hand never rested there', () => {
  const window = fakeWindow('')
  const session = createSession('option-a')
  const stop = followAddress(session, () => options)
  const first = session.getState().chapter
  session.setState({ hour: 9.25 })
  session.setState({ chapter: 'offer' })
  session.setState({ chapter: 'wire' })
  window.history.back()
  expect(session.getState().chapter).toBe('offer')
  window.history.back()
  expect(session.getState()).toMatchObject({ chapter: first, hour: 9.25 })
  stop()
})
