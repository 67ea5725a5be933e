import { randomUUID } from 'node:crypto'
import { transaction } from '../database'
import { openTestDatabase } from '../testing'
import { insertDocument, insertEdit, manyDocuments, maybeOneEditRevision, updateDocument } from './documents'
import { insertJob, manyJobs, maybeOneJob, renameJob, setJobDeleted, storeSummary, touchJob } from './jobs'
import { insertDesigner, insertTeam, maybeOneDesigner, maybeOneFirstDesigner } from './people'
import { insertShare, maybeOneShare } from './shares'
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
  const named = async (search: string) => (await manyJobs(teamId, search)).map(({ name }) => name).sort()
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
  expect(await manyJobs(teamId, '')).toEqual([])
  expect((await maybeOneJob(teamId, id))?.deleted).toBe(true)
  await setJobDeleted(teamId, id, false)
  expect(await manyJobs(teamId, '')).toHaveLength(1)
})

test('a summary is kept for the revision it was made from, and no other', async () => {
  const { teamId } = await team()
  const id = await put(teamId, 'Job')
  const summary = { kilowatts: 6.7, paybackYears: null, picture: [] }
  await storeSummary(id, 1, summary)
  expect((await maybeOneJob(teamId, id))?.summary).toMatchObject(summary)
  await transaction('touch', (runner) => touchJob(id, '2 Elm', runner))
  expect(await maybeOneJob(teamId, id)).toMatchObject({ revision: 2, address: '2 Elm', summary: null })
  // Computed for the revision before: too late.
  expect(await storeSummary(id, 1, summary)).toBe(0)
  expect((await maybeOneJob(teamId, id))?.summary).toBeNull()
})

test('documents come in their order with the versions of their kinds; an edit is known again', async () => {
  const { teamId, designerId } = await team()
  const id = await put(teamId, 'Job')
  await transaction('documents', async (runner) => {
    await insertDocument(id, 'option-b', 2, { b: 1 }, runner)
    await insertDocument(id, 'house', 0, { h: 'Grüße' }, runner)
    await insertDocument(id, 'option-a', 1, {}, runner)
    await updateDocument(id, 'option-a', 7, { a: [1, null] }, runner)
    await insertEdit('edit-1', id, 'option-a', 7, designerId, { added: {} }, runner)
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
})

test('weather is stored once a team, shares lead to their job until it is deleted', async () => {
  const { teamId } = await team()
  const row = { id: 'abc', name: 'Mine', latitudeDeg: 41.6, longitudeDeg: -71.4, elevationM: 3 }
  const body = Buffer.from([0, 1, 255, 128])
  await insertWeather(teamId, row, body)
  await insertWeather(teamId, { ...row, name: 'Again' }, Buffer.from('other'))
  expect(await manyWeather(teamId)).toEqual([row])
  expect(await maybeOneWeatherBody(teamId, 'abc')).toEqual(body)
  expect(await maybeOneWeatherBody(randomUUID(), 'abc')).toBeUndefined()
  const id = await put(teamId, 'Job')
  const digest = 'd'.repeat(64)
  await insertShare(digest, id, 'option-a')
  expect(await maybeOneShare(digest)).toEqual({ jobId: id, documentId: 'option-a', teamId })
  await setJobDeleted(teamId, id, true)
  expect(await maybeOneShare(digest)).toBeUndefined()
})
