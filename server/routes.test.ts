import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { gzipSync } from 'node:zlib'
import { sealData } from 'iron-session'
import { NextRequest } from 'next/server'
import { parseJob } from '@/core/kinds/job'
import { rules, type RouteName } from './access'
import { commentsOf, sayComment } from './comments'
import { run, transaction } from './database'
import { createJob, loadJob } from './jobs'
import { insertVersion, manyVersions } from './sql/history'
import { manyShares, insertShare } from './sql/shares'
import { insertDesigner, insertTeam } from './sql/people'
import { openTestDatabase, openTestWorld } from './testing'

process.env['SESSION_SECRET'] = 'z'.repeat(64)
const close = await openTestDatabase()
const closeWorld = await openTestWorld()
afterAll(async () => {
  await closeWorld()
  await close()
})

/** A team with one designer: its id and the cookie that the designer comes with. */
async function team() {
  const [teamId, designerId] = [randomUUID(), randomUUID()]
  await transaction('people', async (runner) => {
    await insertTeam(teamId, 'Team', runner)
    await insertDesigner(designerId, teamId, 'Ada', runner)
  })
  const sealed = await sealData({ designerId }, { password: 'z'.repeat(64), ttl: 3600 })
  return { teamId, designerId, cookie: `tall-gable=${sealed}` }
}

const ours = await team()
const theirs = await team()
const shipped = parseJob(JSON.parse(readFileSync('samples/shipped-job.json', 'utf8')))
const jobId = await createJob(ours.teamId, shipped)
const shareId = randomUUID()
await insertShare({
  id: shareId,
  tokenDigest: 'a'.repeat(64),
  sealedToken: '',
  jobId,
  documentId: 'option-a',
  name: 'Secret offer',
  houseRevision: 1,
  optionRevision: 1,
  designerId: ours.designerId,
  validDays: 60,
  body: gzipSync('{"jobName":"Secret offer"}'),
  file: gzipSync('{"secret":"file"}'),
})
const fileId = 'f'.repeat(24)
await run('file', 'INSERT INTO file (team_id, id, media_type, size_bytes, body) VALUES (?, ?, ?, ?, ?)', [
  ours.teamId,
  fileId,
  'image/png',
  6,
  Buffer.from('secret'),
])
const weatherId = 'e'.repeat(24)
await run(
  'weather',
  'INSERT INTO weather (team_id, id, name, latitude_deg, longitude_deg, elevation_m, body) VALUES (?, ?, ?, 0, 0, 0, ?)',
  [ours.teamId, weatherId, 'Secret weather', gzipSync('secret')],
)

const versionId = randomUUID()
await transaction('version', (runner) =>
  insertVersion(jobId, { id: versionId, name: 'Secret version', revision: 1 }, ours.designerId, runner),
)

const commentId = randomUUID()
await sayComment({ id: ours.designerId, teamId: ours.teamId, name: 'Ada' }, jobId, {
  id: commentId,
  about: '',
  answers: null,
  text: 'A secret comment',
})

type Handler = (request: NextRequest, context: { readonly params: Promise<object> }) => Promise<Response>

/** Calls a route as it is called from outside, signed in as whoever the cookie says. */
async function call(name: RouteName, cookie: string, body?: unknown): Promise<Response> {
  const [method = '', path = ''] = name.split(' ')
  const routes = (await import(`@/app${path}/route`)) as Readonly<Record<string, Handler>>
  const params = {
    id: path.includes('/files/') ? fileId : path.includes('/weather/') ? weatherId : jobId,
    offerId: shareId,
    versionId,
    commentId,
  }
  const request = new NextRequest(
    `http://127.0.0.1${path.replace('[id]', params.id).replace('[offerId]', shareId)}`,
    {
      method,
      headers: { host: '127.0.0.1', cookie },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    },
  )
  const handler = routes[method]
  if (!handler) throw new Error(`${name} has no handler`)
  return handler(request, { params: Promise.resolve(params) })
}

const edit = {
  id: randomUUID(),
  documentId: 'option-a',
  change: { added: {}, updated: {}, removed: {} },
}

/** What is asked of every route that is told an id: something that its own team may do. */
const asked: Readonly<Partial<Record<RouteName, unknown>>> = {
  'GET /api/jobs/[id]': undefined,
  'PATCH /api/jobs/[id]': { name: 'Stolen' },
  'POST /api/jobs/[id]/changes': { edits: [edit], since: 0, screen: randomUUID() },
  'GET /api/jobs/[id]/edits': undefined,
  'GET /api/jobs/[id]/history': undefined,
  'POST /api/jobs/[id]/versions': { id: randomUUID(), name: 'Stolen', revision: 1 },
  'DELETE /api/jobs/[id]/versions/[versionId]': undefined,
  'GET /api/jobs/[id]/comments': undefined,
  'POST /api/jobs/[id]/comments': { id: randomUUID(), about: '', answers: null, text: 'Stolen' },
  'PATCH /api/jobs/[id]/comments/[commentId]': { resolved: true },
  'DELETE /api/jobs/[id]/comments/[commentId]': undefined,
  'GET /api/jobs/[id]/events': undefined,
  'POST /api/jobs/[id]/presence': { screen: randomUUID(), selection: 'roof' },
  'GET /api/jobs/[id]/export': undefined,
  'GET /api/jobs/[id]/offers': undefined,
  'POST /api/jobs/[id]/offers': { optionId: 'option-a' },
  'PATCH /api/jobs/[id]/offers/[offerId]': { withdrawn: true },
  'GET /api/jobs/[id]/offers/[offerId]/file': undefined,
  'GET /api/files/[id]': undefined,
  'GET /api/weather/[id]': undefined,
}

test('every route that is told an id is asked here with another team’s', () => {
  const told = Object.entries(rules)
    .filter(([name, { who }]) => who === 'designer' && /^\w+ \/api\/.*\[/.test(name))
    .map(([name]) => name)
  expect(Object.keys(asked).sort()).toEqual(told.sort())
})

test('with another team’s ids a route gives nothing away and changes nothing', async () => {
  const before = await loadJob(ours.teamId, jobId)
  for (const [name, body] of Object.entries(asked) as [RouteName, unknown][]) {
    const answer = await call(name, theirs.cookie, body)
    const text = await answer.text()
    // Being there is told to nobody, and nobody's answer.
    const nothing = name === 'POST /api/jobs/[id]/presence' ? 204 : 404
    expect({ name, status: answer.status }).toEqual({ name, status: nothing })
    expect(text).not.toMatch(/secret|Okafor|Saltmarsh/i)
  }
  for (const body of [{ copyOf: jobId }, { address: '14 Saltmarsh Road, Pellworth', templateId: jobId }]) {
    const answer = await call('POST /api/jobs', theirs.cookie, body)
    expect(answer.status).toBe(404)
  }
  expect(await loadJob(ours.teamId, jobId)).toEqual(before)
  expect((await manyShares(ours.teamId, jobId)).map(({ withdrawnAt }) => withdrawnAt)).toEqual([null])
  const said = await commentsOf({ id: ours.designerId, teamId: ours.teamId, name: 'Ada' }, jobId)
  expect(said.map(({ text, resolved }) => [text, resolved])).toEqual([['A secret comment', null]])
  expect((await manyVersions(jobId)).map(({ name }) => name)).toEqual(['Secret version'])
}, 60_000)

test('the same is answered where it is asked by the team itself; a stranger is sent to sign in', async () => {
  for (const name of ['GET /api/jobs/[id]', 'GET /api/jobs/[id]/offers', 'GET /api/files/[id]'] as const) {
    expect({ name, status: (await call(name, ours.cookie)).status }).toEqual({ name, status: 200 })
    expect({ name, status: (await call(name, '')).status }).toEqual({ name, status: 401 })
    expect({ name, status: (await call(name, 'tall-gable=forged')).status }).toEqual({ name, status: 401 })
  }
  const renamed = await call('PATCH /api/jobs/[id]', ours.cookie, { name: 'Ours' })
  expect([renamed.status, (await loadJob(ours.teamId, jobId)).row.name]).toEqual([200, 'Ours'])
}, 60_000)
