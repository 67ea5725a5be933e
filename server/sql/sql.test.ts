import { randomUUID } from 'node:crypto'
import { run, transaction } from '../database'
import { openTestDatabase } from '../testing'
import {
  insertDocument,
  insertEdit,
  manyDocuments,
  manyEditsSince,
  maybeOneEditRevision,
  updateDocument,
} from './documents'
import { manyJobs, openJobs } from './job-list'
import { insertJob, maybeOneJob, renameJob, setJobDeleted, storeSummary, touchJob } from './jobs'
import { insertDesigner, insertTeam, maybeOneDesigner, maybeOneFirstDesigner } from './people'
import { linesVersion, maybeLastLines } from './last-lines'
import { manyJobStates, manyPresent, removePresence, touchPresence } from './live'
import { countSeen, insertShare, manyShares, maybeOneShare, withdrawShare } from './shares'
import { insertWeather, manyWeather, maybeOneWeatherBody } from './weather'

const close = await openTestDatabase()
afterAll(close)

const team = async () => {
  const [teamId, designerId] = [randomUUID(), randomUUID()]
  await transaction('people', async (runner) => {
    await insertTeam(teamId, 'Team', runner)
    await insertDesigner(designerId, teamId, 'Ada', runner)
  })
  return { teamId, designerId }
}
const listed = (teamId: string, search = '') => manyJobs(teamId, { ...openJobs, search })
const put = async (teamId: string, name: string, address = '1 Elm') => {
  const id = randomUUID()
  await transaction('job', (runner) => insertJob(id, teamId, name, address, runner))
  return id
}

test('nobody is there, then somebody is', async () => {
  expect(await maybeOneFirstDesigner()).toBeUndefined()
  const { teamId, designerId } = await team()
  expect(await maybeOneFirstDesigner()).toEqual({ id: designerId, teamId, name: 'Ada' })
  await team()
  expect((await maybeOneFirstDesigner())?.id).toBe(designerId)
  expect(await maybeOneDesigner(designerId)).toMatchObject({ teamId })
  expect(await maybeOneDesigner(randomUUID())).toBeUndefined()
})

test('jobs are found by parts of their name and address, signs of patterns taken as they are', async () => {
  const { teamId } = await team()
  const other = await team()
  await put(teamId, '100 % Sun_ny', '5 Beech Lane')
  await put(teamId, 'Plain', '7 Oak\\Road')
  await put(other.teamId, 'Plain')
  const named = async (search: string) => (await listed(teamId, search)).map(({ name }) => name).sort()
  expect(await named('')).toEqual(['100 % Sun_ny', 'Plain'])
  expect(await named('100 %')).toEqual(['100 % Sun_ny'])
  expect(await named('n_n')).toEqual(['100 % Sun_ny'])
  expect(await named('%')).toEqual(['100 % Sun_ny'])
  expect(await named('oak\\')).toEqual(['Plain'])
  expect(await named('BEECH')).toEqual(['100 % Sun_ny'])
  expect(await named("'; DROP TABLE job; --")).toEqual([])
})

test('a job is renamed, deleted and brought back by its own team alone', async () => {
  const { teamId } = await team()
  const stranger = await team()
  const id = await put(teamId, 'Before')
  expect(await renameJob(stranger.teamId, id, 'Stolen')).toBe(0)
  expect(await renameJob(teamId, id, 'Grüße, 太陽 ☀')).toBe(1)
  expect((await maybeOneJob(teamId, id))?.name).toBe('Grüße, 太陽 ☀')
  expect(await maybeOneJob(stranger.teamId, id)).toBeUndefined()
  expect(await setJobDeleted(stranger.teamId, id, true)).toBe(0)
  await setJobDeleted(teamId, id, true)
  expect(await listed(teamId)).toEqual([])
  expect((await maybeOneJob(teamId, id))?.deleted).toBe(true)
  await setJobDeleted(teamId, id, false)
  expect(await listed(teamId)).toHaveLength(1)
})

test('a summary is kept for the revision it was made from, and no other', async () => {
  const { teamId } = await team()
  const id = await put(teamId, 'Job')
  const summary = { kilowatts: 6.7, paybackYears: null, picture: [] }
  await storeSummary(id, 1, summary)
  expect(await maybeOneJob(teamId, id)).toMatchObject({ summary, summaryIsFresh: true })
  await transaction('touch', (runner) => touchJob(id, '2 Elm', runner))
  // The last one is still there to be shown.
  expect(await maybeOneJob(teamId, id)).toMatchObject({
    revision: 2,
    address: '2 Elm',
    summary,
    summaryIsFresh: false,
  })
  // Computed for the revision before: too late.
  expect(await storeSummary(id, 1, summary)).toBe(0)
  expect((await maybeOneJob(teamId, id))?.summaryIsFresh).toBe(false)
})

test('the ledger is kept with the summary, and not shown where another version has written it', async () => {
  const { teamId } = await team()
  const id = await put(teamId, 'Job')
  expect(await maybeLastLines(id)).toBeNull()
  const summary = { kilowatts: 6.7, paybackYears: null, picture: [] }
  const lines = [
    { id: 'yield', group: 'sun', value: 8123.4, shown: 8123, unit: 'kWh', weight: 'total', better: 'more' },
    {
      id: 'payback',
      group: 'money',
      value: null,
      shown: null,
      unit: 'years',
      weight: 'total',
      better: 'less',
    },
  ] as const
  await storeSummary(id, 1, summary, lines)
  expect(await maybeLastLines(id)).toEqual(lines)
  await transaction('touch', (runner) => touchJob(id, null, runner))
  // Of the revision before: still there to be shown.
  expect(await maybeLastLines(id)).toEqual(lines)
  const write = (value: unknown) =>
    run('write lines', 'UPDATE job SET last_lines = ? WHERE id = ?', [JSON.stringify(value), id])
  await write({ version: 'of another build', lines })
  expect(await maybeLastLines(id)).toBeNull()
  await write({ version: linesVersion, lines: [{ ...lines[0], id: 'no such line' }] })
  expect(await maybeLastLines(id)).toBeNull()
  expect(await maybeLastLines('no-such-job')).toBeNull()
})

test('documents come in their order with the versions of their kinds; an edit is known again', async () => {
  const { teamId, designerId } = await team()
  const id = await put(teamId, 'Job')
  await transaction('documents', async (runner) => {
    await insertDocument(id, 'option-b', 2, { b: 1 }, runner)
    await insertDocument(id, 'house', 0, { h: 'Grüße' }, runner)
    await insertDocument(id, 'option-a', 1, {}, runner)
    await updateDocument(id, 'option-a', 7, { a: [1, null] }, runner)
    const place = {
      jobId: id,
      documentId: 'option-a',
      designerId,
      screenId: null,
      change: { added: {} },
      kinds: {},
    }
    await insertEdit({ ...place, id: 'edit-1', revision: 7, jobRevision: 3, position: 0 }, runner)
    await insertEdit({ ...place, id: 'edit-3', revision: 9, jobRevision: 4, position: 1 }, runner)
    await insertEdit({ ...place, id: 'edit-2', revision: 8, jobRevision: 4, position: 0 }, runner)
  })
  const documents = await manyDocuments(id)
  expect(documents.map((document) => document.id)).toEqual(['house', 'option-a', 'option-b'])
  expect(documents.map(({ body }) => body)).toEqual([{ h: 'Grüße' }, { a: [1, null] }, { b: 1 }])
  expect(documents[1]?.revision).toBe(7)
  expect(documents[0]?.kinds['site']).toBeGreaterThan(0)
  await transaction('edits', async (runner) => {
    expect(await maybeOneEditRevision('edit-1', id, runner)).toBe(7)
    expect(await maybeOneEditRevision('edit-1', randomUUID(), runner)).toBeUndefined()
  })
  const since = async (revision: number) => (await manyEditsSince(id, revision)).map((edit) => edit.id)
  expect([await since(2), await since(3), await since(4)]).toEqual([
    ['edit-1', 'edit-2', 'edit-3'],
    ['edit-2', 'edit-3'],
    [],
  ])
})

test('weather is stored once a team', async () => {
  const { teamId } = await team()
  const row = { id: 'abc', name: 'Mine', latitudeDeg: 41.6, longitudeDeg: -71.4, elevationM: 3 }
  const body = Buffer.from([0, 1, 255, 128])
  await insertWeather(teamId, row, body)
  await insertWeather(teamId, { ...row, name: 'Again' }, Buffer.from('other'))
  expect(await manyWeather(teamId)).toEqual([row])
  expect(await maybeOneWeatherBody(teamId, 'abc')).toEqual(body)
  expect(await maybeOneWeatherBody(randomUUID(), 'abc')).toBeUndefined()
})

test('an offer is kept as it was sent, counted, withdrawn by its own team alone, and outlives its job', async () => {
  const { teamId, designerId } = await team()
  const stranger = await team()
  const id = await put(teamId, 'Job')
  const share = {
    id: randomUUID(),
    tokenDigest: 'd'.repeat(64),
    sealedToken: 'sealed',
    jobId: id,
    documentId: 'option-a',
    name: 'Roof only',
    houseRevision: 3,
    optionRevision: 4,
    designDigest: 'e'.repeat(64),
    designerId,
    validDays: 30,
    body: Buffer.from([1, 2, 255]),
    file: Buffer.from([3, 4]),
  }
  await insertShare(share)
  expect(await maybeOneShare(share.tokenDigest)).toMatchObject({
    jobId: id,
    teamId,
    withdrawn: false,
    body: share.body,
  })
  await countSeen(share.id)
  await countSeen(share.id)
  expect(await manyShares(stranger.teamId, id)).toEqual([])
  expect(await manyShares(teamId, id)).toMatchObject([
    {
      id: share.id,
      name: 'Roof only',
      houseRevision: 3,
      optionRevision: 4,
      designDigest: share.designDigest,
      designer: 'Ada',
      seen: 2,
    },
  ])
  expect(await withdrawShare(stranger.teamId, id, share.id, true)).toBe(0)
  expect((await maybeOneShare(share.tokenDigest))?.withdrawn).toBe(false)
  expect(await withdrawShare(teamId, id, share.id, true)).toBe(1)
  expect((await maybeOneShare(share.tokenDigest))?.withdrawn).toBe(true)
  await withdrawShare(teamId, id, share.id, false)
  await setJobDeleted(teamId, id, true)
  expect(await maybeOneShare(share.tokenDigest)).toMatchObject({ withdrawn: false, body: share.body })
})

test('who has a job open is known to those who look at it, until they leave; nobody sees another team’s', async () => {
  const { teamId, designerId } = await team()
  const stranger = await team()
  const id = await put(teamId, 'Job')
  const [here, there] = [randomUUID(), randomUUID()].sort()
  if (!here || !there) throw new Error('two screens')
  await touchPresence(teamId, id, here, designerId, null)
  await touchPresence(teamId, id, there, designerId, 'tree-1')
  await touchPresence(teamId, id, here, designerId, 'chimney-1')
  await touchPresence(stranger.teamId, id, randomUUID(), stranger.designerId, null)
  expect(await manyPresent([id])).toEqual([
    { jobId: id, screenId: here, name: 'Ada', selection: 'chimney-1' },
    { jobId: id, screenId: there, name: 'Ada', selection: 'tree-1' },
  ])
  await removePresence(stranger.designerId, id, here)
  expect(await manyPresent([id])).toHaveLength(2)
  await removePresence(designerId, id, here)
  expect(await manyPresent([id, randomUUID()])).toHaveLength(1)
  expect(await manyJobStates([id])).toEqual([
    { id, name: 'Job', revision: 1, deleted: false, openComments: 0, commentMark: 0 },
  ])
})
