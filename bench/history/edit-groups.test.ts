import { defaultChimney } from '@/core/kinds/chimney/chimney'
import { type Change } from '@/core/kinds/documents'
import { editGroups } from './edit-groups'
import { type PastEdit } from './reel'

const chimney = (id: string, x: number, heightM = 1) => ({
  ...defaultChimney,
  id,
  center: [x, 0] as const,
  heightM,
})
const moved = (id: string, x: number): Change => ({
  added: {},
  removed: {},
  updated: { [id]: [chimney(id, x), chimney(id, x + 1)] },
})
const raised = (id: string): Change => ({
  added: {},
  removed: {},
  updated: { [id]: [chimney(id, 0, 1), chimney(id, 0, 2)] },
})
/** @param minute of the hour, later ones first in a log */
const edit = (minute: number, change: Change, by = 'Ada', documentId = 'house'): PastEdit => ({
  id: `${minute}${by}`,
  documentId,
  revision: minute,
  change,
  kinds: null,
  by,
  at: `2026-11-01T10:${String(minute).padStart(2, '0')}:00.000Z`,
})
const told = (edits: readonly PastEdit[], by = '') =>
  editGroups(edits, by).map(({ edit: one, index, count }) => [one.revision, index, count])

test('a thing that is nudged many times is one line; anything in between, a pause or another hand ends it', () => {
  expect(told([])).toEqual([])
  expect(told([edit(12, moved('a', 2)), edit(11, moved('a', 1)), edit(10, moved('a', 0))])).toEqual([
    [12, 0, 3],
  ])
  // Another field, another thing, another document, another hand.
  for (const other of [raised('a'), moved('b', 0)])
    expect(told([edit(12, moved('a', 2)), edit(11, other), edit(10, moved('a', 0))])).toHaveLength(3)
  expect(told([edit(12, moved('a', 2)), edit(11, moved('a', 1), 'Ada', 'option-a')])).toHaveLength(2)
  expect(told([edit(12, moved('a', 2)), edit(11, moved('a', 1), 'Bo')])).toHaveLength(2)
  // Five minutes each are still one line, six are not.
  expect(told([edit(20, moved('a', 2)), edit(15, moved('a', 1)), edit(10, moved('a', 0))])).toEqual([
    [20, 0, 3],
  ])
  expect(told([edit(20, moved('a', 2)), edit(14, moved('a', 1))])).toHaveLength(2)
})

test('what is made or taken away is told by itself', () => {
  const made: Change = { added: { a: chimney('a', 0) }, removed: {}, updated: {} }
  expect(told([edit(12, made), edit(11, made)])).toHaveLength(2)
})

test('of one designer: those of the others are left out, and end a line', () => {
  const log = [
    edit(13, moved('a', 3)),
    edit(12, moved('a', 2)),
    edit(11, moved('a', 1), 'Bo'),
    edit(10, moved('a', 0)),
  ]
  expect(told(log, 'Ada')).toEqual([
    [13, 0, 2],
    [10, 3, 1],
  ])
  expect(told(log, 'Bo')).toEqual([[11, 2, 1]])
})
