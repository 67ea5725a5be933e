import { randomUUID } from 'node:crypto'
import { type Change, type Objects } from '@/core/kinds/documents'
import { type AnyObject } from '@/core/kinds/index'
import { applyChange, changeBetween } from '@/core/model/change'
import { Fault } from '@/core/model/fault'
import { job, option, set, without } from '@/town/testing'
import { transaction } from './database'
import { createJob, houseDocumentId, loadJob, parseChange, saveEdits, type Edit } from './jobs'
import { insertDesigner, insertTeam, type Member } from './sql/people'
import { setJobDeleted } from './sql/jobs'
import { openTestDatabase } from './testing'

const close = await openTestDatabase()
afterAll(close)

async function someone(): Promise<Member> {
  const [teamId, id] = [randomUUID(), randomUUID()]
  await transaction('people', async (runner) => {
    await insertTeam(teamId, 'Team', runner)
    await insertDesigner(id, teamId, 'Designer', runner)
  })
  return { id, teamId, name: 'Designer', role: 'designer' }
}
const codeOf = (work: Promise<unknown>) =>
  work.then(
    () => 'done',
    (error: unknown) => {
      if (error instanceof Fault) return `${error.code} ${error.path}`.trim()
      throw error
    },
  )
const edit = (change: Change, documentId = houseDocumentId): Edit => ({
  id: randomUUID(),
  documentId,
  change,
})
/** The edit from one state of a document to another. */
const between = (from: Objects, to: Objects, documentId?: string) => edit(changeBetween(from, to), documentId)

const at = (objects: Objects, id: string): AnyObject => {
  const object = objects[id]
  if (!object) throw new Error(`the shipped job has ${id}`)
  return object
}

const me = await someone()
/** My screen, which asks for nothing that happened before. */
const sender = { who: me, screenId: null, since: Number.MAX_SAFE_INTEGER }

test('a job is stored whole and comes back as it was, for its own team alone', async () => {
  const id = await createJob(me.teamId, job)
  const stored = await loadJob(me.teamId, id)
  expect(stored.job).toEqual(job)
  expect(stored.row).toMatchObject({ name: job.name, revision: 1, summary: null })
  expect(await codeOf(loadJob((await someone()).teamId, id))).toBe('no-such-job')
  await setJobDeleted(me.teamId, id, true)
  expect(await codeOf(loadJob(me.teamId, id))).toBe('no-such-job')
  expect(await codeOf(saveEdits(sender, id, []))).toBe('no-such-job')
})

test('edits of different objects merge, whoever was first', async () => {
  const id = await createJob(me.teamId, job)
  const taller = set(job.house, 'tree-1', { heightM: 9 })
  const wider = set(job.house, 'tree-2', { crownDiameterM: 7 })
  const first = await saveEdits(sender, id, [between(job.house, taller)])
  const second = await saveEdits(sender, id, [between(job.house, wider)])
  expect([first.conflicts, second.conflicts]).toEqual([[], []])
  const { job: now, row, revisions } = await loadJob(me.teamId, id)
  expect(now.house['tree-1']).toMatchObject({ heightM: 9 })
  expect(now.house['tree-2']).toMatchObject({ crownDiameterM: 7 })
  expect([row.revision, revisions['house']]).toEqual([3, (first.saved[0]?.revision ?? 0) + 1])
})

test('fields merge; a field that somebody else has changed is a conflict that says who: nothing of that edit is stored, the others are', async () => {
  const id = await createJob(me.teamId, job)
  const theirs = set(job.house, 'tree-1', { heightM: 9 })
  await saveEdits(sender, id, [between(job.house, theirs)])
  // Another field of the same tree merges.
  const wider = set(job.house, 'tree-1', { crownDiameterM: 7 })
  expect((await saveEdits(sender, id, [between(job.house, wider)])).conflicts).toEqual([])
  const mine = set(set(job.house, 'tree-1', { heightM: 5 }), 'tree-2', { heightM: 5 })
  const other = set(job.house, 'chimney-1', { heightM: 2 })
  const meeting = between(job.house, mine)
  const { saved, conflicts } = await saveEdits(sender, id, [meeting, between(job.house, other)])
  expect(saved).toHaveLength(1)
  expect(conflicts).toMatchObject([
    {
      id: meeting.id,
      objects: [
        {
          id: 'tree-1',
          fields: ['heightM'],
          theirs: { heightM: 9, crownDiameterM: 7 },
          ours: { heightM: 5 },
          by: 'Designer',
        },
      ],
    },
  ])
  const { house } = (await loadJob(me.teamId, id)).job
  expect(house['tree-1']).toMatchObject({ heightM: 9, crownDiameterM: 7 })
  expect(house['tree-2']).toEqual(job.house['tree-2'])
  expect(house['chimney-1']).toMatchObject({ heightM: 2 })
  // Both cut the same tree down: that is one thing done, not two.
  const cut = between(house, without(house, 'tree-2'))
  await saveEdits(sender, id, [cut])
  expect(await saveEdits(sender, id, [{ ...cut, id: randomUUID() }])).toMatchObject({ conflicts: [] })
})

test('whoever asks hears everything since a revision, each edit as what it did', async () => {
  const id = await createJob(me.teamId, job)
  const first = between(job.house, set(job.house, 'tree-1', { heightM: 9 }))
  const second = between(job.house, set(job.house, 'tree-1', { crownDiameterM: 7 }))
  await saveEdits(sender, id, [first])
  const { feed } = await saveEdits({ ...sender, since: 1 }, id, [second])
  expect(feed).toMatchObject({
    after: 1,
    revision: 3,
    edits: [{ id: first.id }, { id: second.id, by: 'Designer' }],
  })
  let house: Objects = job.house
  for (const { change } of feed.edits) house = applyChange(house, change as Change)
  expect(house).toEqual((await loadJob(me.teamId, id)).job.house)
})

test('the same edit id in two jobs is two edits', async () => {
  const [one, two] = [await createJob(me.teamId, job), await createJob(me.teamId, job)]
  const change = between(job.house, set(job.house, 'tree-1', { heightM: 9 }))
  await saveEdits(sender, one, [change])
  await saveEdits(sender, two, [change])
  for (const id of [one, two])
    expect((await loadJob(me.teamId, id)).job.house['tree-1']).toMatchObject({ heightM: 9 })
})

test('an edit sent twice is done once, one after the other or at the same time', async () => {
  const id = await createJob(me.teamId, job)
  const once = between(job.house, set(job.house, 'tree-1', { heightM: 9 }))
  const first = await saveEdits(sender, id, [once])
  await saveEdits(sender, id, [between(set(job.house, 'tree-1', { heightM: 9 }), job.house)])
  expect((await saveEdits(sender, id, [once])).saved).toEqual(first.saved)
  expect((await loadJob(me.teamId, id)).job.house['tree-1']).toEqual(job.house['tree-1'])
  const again = between(job.house, set(job.house, 'tree-2', { heightM: 4 }))
  const both = await Promise.all(Array.from({ length: 6 }, () => saveEdits(sender, id, [again])))
  expect(new Set(both.map(({ saved }) => saved[0]?.revision)).size).toBe(1)
  expect((await loadJob(me.teamId, id)).job.house['tree-2']).toMatchObject({ heightM: 4 })
})

test('many at once, each at another object: every edit is there, and revisions count them', async () => {
  const id = await createJob(me.teamId, job)
  const tree = at(job.house, 'tree-1')
  const planted = Array.from({ length: 12 }, (_, k) => ({ ...tree, id: `tree-new-${k}` }) as AnyObject)
  const saves = planted.map((object) => saveEdits(sender, id, [between({}, { [object.id]: object })]))
  for (const { conflicts } of await Promise.all(saves)) expect(conflicts).toEqual([])
  const { job: now, revisions, row } = await loadJob(me.teamId, id)
  for (const { id: planted_ } of planted) expect(now.house[planted_]).toBeDefined()
  expect([row.revision, revisions['house']]).toEqual([13, 13])
})

test('one bad edit refuses all that came with it, and nothing of them is stored', async () => {
  const id = await createJob(me.teamId, job)
  const good = between(job.house, set(job.house, 'tree-1', { heightM: 9 }))
  const gone = edit({ added: {}, updated: {}, removed: { site: at(job.house, 'site') } })
  expect(await codeOf(saveEdits(sender, id, [good, gone]))).toBe('missing-object site')
  const misplaced = edit({ added: { offer: at(option, 'offer') }, updated: {}, removed: {} })
  expect(await codeOf(saveEdits(sender, id, [good, misplaced]))).toMatch(/^misplaced-object/)
  const twisted = edit({ added: { a: at(job.house, 'tree-1') }, updated: {}, removed: {} })
  expect(await codeOf(saveEdits(sender, id, [twisted]))).toBe('bad-change a')
  expect((await loadJob(me.teamId, id)).job).toEqual(job)
})

test('options are made, emptied and brought back; there are no more than letters', async () => {
  const id = await createJob(me.teamId, job)
  const objects = job.options[0]?.objects ?? {}
  const made = between({}, objects, 'option-c')
  await saveEdits(sender, id, [made])
  const options = async () => (await loadJob(me.teamId, id)).job.options.map((option) => option.id)
  expect(await options()).toEqual(['option-a', 'option-b', 'option-c'])
  await saveEdits(sender, id, [between(objects, {}, 'option-c')])
  expect(await options()).toEqual(['option-a', 'option-b'])
  await saveEdits(sender, id, [between({}, objects, 'option-c')])
  expect(await options()).toEqual(['option-a', 'option-b', 'option-c'])
  const more = Array.from({ length: 24 }, (_, k) => between({}, objects, `option-more-${k}`))
  expect(await codeOf(saveEdits(sender, id, more))).toMatch(/^too-many-options/)
  expect(await options()).toHaveLength(3)
})

test('a change from outside is checked object by object, with the place of what is wrong', async () => {
  const change = { added: {}, updated: {}, removed: {} }
  const tree = at(job.house, 'tree-1')
  expect(parseChange({ ...change, added: { 'tree-1': tree } }, 'edits.0.change').added['tree-1']).toEqual(
    tree,
  )
  const bad = () =>
    parseChange({ ...change, updated: { 'tree-1': [tree, { ...tree, heightM: 'tall' }] } }, 'edits.0.change')
  expect(bad).toThrow(
    expect.objectContaining({ code: 'bad-object', path: 'edits.0.change.updated.tree-1.1.heightM' }) as Error,
  )
})
