import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { gzipSync } from 'node:zlib'
import { sealData } from 'iron-session'
import { NextRequest } from 'next/server'
import { parseJob } from '@/core/kinds/job'
import { guestRoles, roles, type GuestRole, type Role } from '@/core/model/roles'
import { rules, type RouteName } from './access'
import { digestOf, newSecret } from './digest'
import { insertAccount } from './sql/accounts'
import { insertLink, manyInvitations } from './sql/mailed-links'
import { insertSignIn } from './sql/sign-ins'
import { commentsOf, sayComment } from './comments'
import { run, transaction } from './database'
import { createJob, loadJob } from './jobs'
import { insertVersion, manyVersions } from './sql/history'
import { manyShares, insertShare } from './sql/shares'
import { linksOf, makeLink, withdrawLink } from './job-links'
import { insertDesigner, insertTeam, type Member } from './sql/people'
import { closeCompute } from './compute/compute'
import { openWork } from './sql/work'
import { endWork, manyWorkAside, takeWork } from './sql/work-taking'
import { newWork } from './work/ask'
import { doers } from './work/doers'
import { Worker } from './work/worker'
import { openTestDatabase, openTestWorld } from './testing'

process.env['SESSION_SECRET'] = 'z'.repeat(64)
const close = await openTestDatabase()
const closeWorld = await openTestWorld()
const worker = new Worker({ doers, atOnce: { compute: 1, print: 1 } })
worker.start()
afterAll(async () => {
  await worker.stop()
  await closeCompute()
  await closeWorld()
  await close()
})

/** Somebody in a team, signed in: the cookie that they come with. */
async function member(teamId: string, role: Role) {
  const [id, secret] = [randomUUID(), newSecret()]
  await transaction('people', async (runner) => {
    await insertDesigner(id, teamId, 'Ada', runner, role)
    await insertAccount({ id, mail: `${id}@example.org`, passwordHash: 'none' }, runner)
    const where = { device: '', place: '' }
    await insertSignIn({ digest: digestOf(secret), id: randomUUID(), designerId: id, ...where }, runner)
  })
  return { designerId: id, cookie: `tall-gable=${secret}` }
}

/** A team with its owner. */
async function team() {
  const teamId = randomUUID()
  await transaction('team', (runner) => insertTeam(teamId, 'Team', runner))
  return { teamId, ...(await member(teamId, 'owner')) }
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
  designDigest: 'e'.repeat(64),
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

const invitationId = randomUUID()
const invitation = {
  id: invitationId,
  purpose: 'join',
  teamId: ours.teamId,
  designerId: null,
  mail: 'secret@example.org',
  role: 'reader',
  digest: 'c'.repeat(64),
  madeBy: ours.designerId,
  hours: 1,
} as const
await transaction('invitation', (runner) => insertLink(invitation, runner))

// Work of theirs that was set aside.
const { id: workId, ...work } = newWork('job', { teamId: ours.teamId, input: { teamId: ours.teamId } }, null)
await openWork([{ ...work, id: workId }])
await transaction('take', (runner) => takeWork('dead', ['job'], { seconds: 60, most: 1 }, runner))
await endWork(workId, 'dead', 'aside', { outcome: { reason: 'lost' }, made: null })

const given = { name: 'Secret roofer', role: 'viewer', password: '', days: 1 } as const
const owner: Member = { id: ours.designerId, teamId: ours.teamId, name: 'Ada', role: 'owner' }
await makeLink(owner, jobId, given, 'here')
const [link] = await linksOf(owner, jobId)

type Handler = (request: NextRequest, context: { readonly params: Promise<object> }) => Promise<Response>

/** Calls a route as it is called from outside, signed in as whoever the cookie says. */
async function call(name: RouteName, cookie: string, body?: unknown, job = jobId): Promise<Response> {
  const [method = '', path = ''] = name.split(' ')
  const routes = (await import(`@/app${path}/route`)) as Readonly<Record<string, Handler>>
  const params = {
    id: path.includes('/files/') ? fileId : path.includes('/weather/') ? weatherId : job,
    offerId: shareId,
    versionId,
    commentId,
    invitationId,
    memberId: ours.designerId,
    linkId: link?.id ?? '',
    workId,
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
  'POST /api/jobs/[id]/quote': {
    id: randomUUID(),
    to: 'eve@example.org',
    note: '',
    currency: 'USD',
    lines: [{ line: 'clamp', part: 'Clamp', count: 1, unit: 'piece' }],
  },
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
  'GET /api/jobs/[id]/links': undefined,
  'POST /api/jobs/[id]/links': { ...given, name: 'Stolen' },
  'DELETE /api/jobs/[id]/links/[linkId]': undefined,
  'POST /api/work/[workId]': undefined,
  'DELETE /api/work/[workId]': undefined,
  'DELETE /api/team/invitations/[invitationId]': undefined,
  'PATCH /api/team/members/[memberId]': { role: 'reader' },
  'DELETE /api/team/members/[memberId]': undefined,
}

test('every route that is told an id is asked here with another team’s', () => {
  const told = Object.entries(rules)
    .filter(([name, { who }]) => typeof who !== 'string' && /^\w+ \/api\/.*\[/.test(name))
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
  expect((await linksOf(owner, jobId)).map(({ name }) => name)).toEqual(['Secret roofer'])
  expect((await manyInvitations(ours.teamId)).map(({ id }) => id)).toEqual([invitationId])
  expect((await manyWorkAside(ours.teamId)).map(({ id }) => id)).toEqual([workId])
  expect((await call('GET /api/jobs/[id]', ours.cookie)).status).toBe(200)
}, 60_000)

test('each role gets what is its own of every route that is told an id, and 403 of the rest', async () => {
  for (const role of roles) {
    const { cookie } = await member(ours.teamId, role)
    for (const [name, body] of Object.entries(asked) as [RouteName, unknown][]) {
      const rule = rules[name]
      const isLetIn = typeof rule.who !== 'string' && rule.who.some((one) => one === role)
      // What is let in changes the job, which other tests look at.
      if (isLetIn && !name.startsWith('GET ')) continue
      const { status } = await call(name, cookie, body)
      expect({ role, name, status }).toEqual({ role, name, status: isLetIn ? 200 : 403 })
    }
  }
}, 60_000)

/** The cookie of whoever has come by a link of this role to the job. */
async function guest(role: GuestRole) {
  const name = `${role} ${randomUUID()}`
  await makeLink(owner, jobId, { ...given, name, role }, 'here')
  const made = (await linksOf(owner, jobId)).find((one) => one.name === name)
  if (!made) throw new Error('the link is there')
  const sealed = await sealData({ linkId: made.id }, { password: 'z'.repeat(64), ttl: 3600 })
  return { id: made.id, cookie: `tall-gable-link=${sealed}` }
}

test('a guest gets what is of the one job and of their role; of others, and once it is withdrawn, nothing', async () => {
  for (const role of guestRoles) {
    const { id, cookie } = await guest(role)
    for (const [name, body] of Object.entries(asked) as [RouteName, unknown][]) {
      const { who } = rules[name]
      const isLetIn = typeof who !== 'string' && who.some((one) => one === role)
      if (isLetIn && !name.startsWith('GET ')) continue
      const { status } = await call(name, cookie, body)
      expect({ role, name, status }).toEqual({ role, name, status: isLetIn ? 200 : 403 })
    }
    // Members of another team see the job by the link, and it alone; those of the own team see by their own right.
    const both = `${theirs.cookie}; ${cookie}`
    expect((await call('GET /api/jobs/[id]', both)).status).toBe(200)
    expect((await call('GET /api/jobs/[id]/offers', both)).status).toBe(403)
    expect((await call('GET /api/jobs/[id]/offers', `${ours.cookie}; ${cookie}`)).status).toBe(200)
    const other = await createJob(ours.teamId, shipped)
    expect((await call('GET /api/jobs/[id]', cookie, undefined, other)).status).toBe(401)
    expect((await call('GET /api/jobs/[id]', both, undefined, other)).status).toBe(404)

    const kite = { id: 'photo-kite', kind: 'photo', caption: '', fileId, takenOn: null, about: null }
    const change = { added: { [kite.id]: kite }, updated: {}, removed: {} }
    const edits = { edits: [{ id: randomUUID(), documentId: 'house', change }] }
    const editing = await call('POST /api/jobs/[id]/changes', cookie, edits)
    expect(editing.status).toBe(role === 'editor' ? 200 : 403)
    if (role === 'editor') {
      const { edits: done } = (await (await call('GET /api/jobs/[id]/edits', cookie)).json()) as {
        readonly edits: readonly { readonly by: string }[]
      }
      expect(done.at(-1)?.by).toMatch(/^editor /)
    }
    await withdrawLink(owner, jobId, id, 'here')
    expect((await call('GET /api/jobs/[id]', cookie)).status).toBe(401)
  }
}, 60_000)

test('an installer adds photos, and nothing else; a reader adds nothing', async () => {
  const [installer, reader] = [await member(ours.teamId, 'installer'), await member(ours.teamId, 'reader')]
  const adding = (object: { readonly id: string }) => ({
    edits: [
      {
        id: randomUUID(),
        documentId: 'house',
        change: { added: { [object.id]: object }, updated: {}, removed: {} },
      },
    ],
  })
  const photo = adding({
    id: 'photo-77',
    kind: 'photo',
    caption: 'The meter',
    fileId,
    takenOn: null,
    about: null,
  } as { readonly id: string })
  const tree = Object.values(shipped.house).find(({ kind }) => kind === 'tree')
  if (!tree) throw new Error('the shipped job has a tree')
  const changes = 'POST /api/jobs/[id]/changes'
  const answer = await call(changes, installer.cookie, photo)
  expect({ status: answer.status, text: await answer.text() }).toMatchObject({ status: 200 })
  const refused = await call(changes, installer.cookie, adding({ ...tree, id: 'tree-77' }))
  expect([refused.status, await refused.text()]).toEqual([403, expect.stringContaining('not-your-part')])
  // What was there before is neither changed nor taken away.
  const cut = { added: {}, updated: {}, removed: { [tree.id]: tree } }
  const cutting = { edits: [{ id: randomUUID(), documentId: 'house', change: cut }] }
  expect((await call(changes, installer.cookie, cutting)).status).toBe(403)
  expect((await call(changes, reader.cookie, photo)).status).toBe(403)
  const { house } = (await loadJob(ours.teamId, jobId)).job
  expect([house['photo-77']?.kind, house['tree-77'], house[tree.id]?.kind]).toEqual([
    'photo',
    undefined,
    'tree',
  ])
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

test('an owner has work that was set aside tried anew, and removes what fails again', async () => {
  const [again, removing] = ['POST /api/work/[workId]', 'DELETE /api/work/[workId]'] as const
  expect((await call(again, ours.cookie)).status).toBe(200)
  // It is at work now: neither tried a second time nor taken away.
  expect([(await call(again, ours.cookie)).status, (await call(removing, ours.cookie)).status]).toEqual([
    404, 404,
  ])
  // Without the file that it was about it comes to nothing, after three attempts.
  const aside = async () => (await manyWorkAside(ours.teamId)).map(({ id }) => id)
  for (let i = 0; i < 100 && (await aside()).length === 0; i++) await new Promise((go) => setTimeout(go, 200))
  expect(await aside()).toEqual([workId])
  expect((await call(removing, ours.cookie)).status).toBe(200)
  expect(await aside()).toEqual([])
}, 60_000)
