import { applyChange, changeBetween, isEmptyChange } from '../model/change'
import { seededRandom } from '../model/random'
import { defaultChimney } from './chimney/chimney'
import { type Change, type Objects } from './documents'
import { Film, versionsIn, type LoggedEdit } from './film'
import { type AnyObject } from './index'
import { broadleafTransmissivity, defaultTree } from './tree/tree'

const chimney = (id: string, x: number): AnyObject => ({ ...defaultChimney, id, center: [x, 0] })

/** A job's life by dice: each state whole, and the edits between them in their order. */
function life(seed: number, count: number) {
  const random = seededRandom(seed)
  const states: Record<string, Objects>[] = [{ house: { a: chimney('a', 0) } }]
  const edits: LoggedEdit[] = []
  while (edits.length < count) {
    const before = states.at(-1) ?? {}
    const documentId = random() < 0.6 ? 'house' : `option-${Math.floor(random() * 3)}`
    const objects = before[documentId] ?? {}
    const next: Record<string, AnyObject> = random() < 0.1 ? {} : { ...objects }
    for (let n = 0; n < 3; n++) {
      const id = `o${Math.floor(random() * 12)}`
      if (random() < 0.3) delete next[id]
      else next[id] = chimney(id, Math.floor(random() * 5))
    }
    const change = changeBetween(objects, next)
    if (isEmptyChange(change)) continue
    edits.push({ documentId, change, kinds: versionsIn(change) })
    states.push({ ...before, [documentId]: next })
  }
  return { states, newestFirst: edits.toReversed() }
}

/** Documents that have not been made yet, or not any more, are empty. */
const filled = (documents: Readonly<Record<string, Objects>>) =>
  Object.fromEntries(Object.entries(documents).filter(([, objects]) => Object.keys(objects).length > 0))

test('each state of a job’s life comes back, wherever one goes and however the log comes in', () => {
  for (let seed = 1; seed <= 40; seed++) {
    const count = 20 + seed * 7
    const { states, newestFirst } = life(seed, count)
    const film = new Film(states.at(-1) ?? {})
    const random = seededRandom(seed)
    for (let n = 0; n < count;) {
      const part = 1 + Math.floor(random() * 50)
      film.add(newestFirst.slice(n, n + part))
      n = Math.min(count, n + part)
      expect(film.reach).toBe(n)
      const back = Math.floor(random() * (n + 1))
      expect(filled(film.back(back))).toEqual(filled(states[count - back] ?? {}))
    }
    for (let k = 0; k < 60; k++) {
      const back = Math.floor(random() * (count + 1))
      expect(filled(film.back(back))).toEqual(filled(states[count - back] ?? {}))
    }
    expect(() => film.back(count + 1)).toThrow(RangeError)
    expect(() => film.back(-1)).toThrow(RangeError)
    expect(() => film.back(0.5)).toThrow(RangeError)
  }
})

test('what an edit did not touch is the very object of the state after it', () => {
  const now = { house: { a: chimney('a', 1), b: chimney('b', 2) } }
  const film = new Film(now)
  const change: Change = { added: {}, removed: {}, updated: { a: [chimney('a', 0), chimney('a', 1)] } }
  film.add([{ documentId: 'house', change, kinds: versionsIn(change) }])
  expect(film.back(1)['house']?.['b']).toBe(now.house.b)
  expect(applyChange(film.back(1)['house'] ?? {}, change)).toEqual(now.house)
})

/** A tree as it was written when trees had no stem of their own. */
const {
  clearStemM: _stem,
  foliage: _foliage,
  ...firstTree
} = {
  ...defaultTree,
  id: 't',
  name: 'Oak',
  center: [0, 0],
  transmissivity: broadleafTransmissivity(41.6),
  heightM: 10,
}
// What the log holds may be of any year.
const oldTree = firstTree as unknown as AnyObject
const felling: Change = { added: {}, updated: {}, removed: { t: oldTree } }

test('objects of an earlier version come back as they would be written today, with or without a word of it', () => {
  for (const kinds of [{ tree: 1 }, null]) {
    const film = new Film({ house: {} })
    film.add([{ documentId: 'house', change: felling, kinds }])
    expect(film.back(1)['house']?.['t']).toMatchObject({ heightM: 10, clearStemM: 2.5, foliage: 'broadleaf' })
  }
})

test('where an edit can’t be read any more, or not yet, the film ends after it', () => {
  const unknown = { id: 'x', kind: 'windmill' } as unknown as AnyObject
  const change = (object: AnyObject): Change => ({ added: {}, updated: {}, removed: { [object.id]: object } })
  const good = { documentId: 'house', change: change(chimney('a', 0)), kinds: { chimney: 1 } }
  for (const bad of [
    { documentId: 'house', change: change(unknown), kinds: null },
    { documentId: 'house', change: change(unknown), kinds: { windmill: 1 } },
    { documentId: 'house', change: felling, kinds: { tree: 99 } },
  ]) {
    const film = new Film({ house: {} })
    film.add([good, bad, good])
    film.add([good])
    expect([film.reach, film.isTorn]).toEqual([1, true])
  }
})

test('an edit keeps the versions of those kinds alone that are in it', () => {
  const change = changeBetween({ t: chimney('t', 1) }, { t: chimney('t', 2) })
  expect(Object.keys(versionsIn(change))).toEqual([defaultChimney.kind])
})
