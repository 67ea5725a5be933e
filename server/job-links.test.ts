import { randomUUID } from 'node:crypto'
import { Fault } from '@/core/model/fault'
import { job } from '@/town/testing'
import { run, transaction } from './database'
import { digestOf } from './digest'
import { linkAt, linksOf, makeLink, openLinkWith, withdrawLink } from './job-links'
import { createJob } from './jobs'
import { maybeOneJobLink } from './sql/job-links'
import { setJobDeleted } from './sql/jobs'
import { insertDesigner, insertTeam, type Member } from './sql/people'
import { openTestDatabase } from './testing'

process.env['SESSION_SECRET'] = 'z'.repeat(64)
process.env['PUBLIC_ORIGIN'] = 'https://solar.example'
const close = await openTestDatabase()
afterAll(close)

const someone = async (): Promise<Member> => {
  const member: Member = { id: randomUUID(), teamId: randomUUID(), name: 'Ada', role: 'designer' }
  await transaction('people', async (runner) => {
    await insertTeam(member.teamId, 'Team', runner)
    await insertDesigner(member.id, member.teamId, member.name, runner)
  })
  return member
}
const codeOf = (work: Promise<unknown>) =>
  work.then(
    () => 'done',
    (error: unknown) => {
      if (error instanceof Fault) return error.code
      throw error
    },
  )

const me = await someone()
const jobId = await createJob(me.teamId, job)
const plain = { name: 'Sam Holt', role: 'viewer', password: '', days: 7 } as const

/** A new link and the secret in it. */
async function made(given: Parameters<typeof makeLink>[2]) {
  const before = new Set((await linksOf(me, jobId)).map(({ id }) => id))
  await makeLink(me, jobId, given, 'here')
  const link = (await linksOf(me, jobId)).find(({ id }) => !before.has(id))
  if (!link?.address) throw new Error('the link is shown')
  return { link, secret: link.address.split('/').at(-1) ?? '' }
}

test('a link is told of, opened, counted, and withdrawn at once', async () => {
  const { link, secret } = await made(plain)
  expect(link.address).toMatch(/^https:\/\/solar\.example\/link\/[\w-]{43}$/)
  expect(link).toMatchObject({ name: 'Sam Holt', role: 'viewer', hasPassword: false, by: 'Ada', seen: 0 })
  const days = (Date.parse(link.expiresAt ?? '') - Date.parse(link.madeAt)) / 86_400_000
  expect(days).toBeCloseTo(7, 6)
  await openLinkWith(secret, '')
  expect(await openLinkWith(secret, '')).toMatchObject({ jobId, teamId: me.teamId, role: 'viewer' })
  expect((await linksOf(me, jobId)).find(({ id }) => id === link.id)).toMatchObject({ seen: 2 })
  expect(await codeOf(linkAt('guess'))).toBe('link-over')
  const stranger = await someone()
  expect(await codeOf(linksOf(stranger, jobId))).toBe('no-such-job')
  expect(await codeOf(makeLink(stranger, jobId, plain, 'here'))).toBe('no-such-job')
  expect(await codeOf(withdrawLink(stranger, jobId, link.id, 'here'))).toBe('no-such-link')
  expect(await maybeOneJobLink(link.id)).toBeDefined()
  await withdrawLink(me, jobId, link.id, 'here')
  expect(await maybeOneJobLink(link.id)).toBeUndefined()
  expect(await codeOf(openLinkWith(secret, ''))).toBe('link-over')
  expect(await codeOf(withdrawLink(me, jobId, link.id, 'here'))).toBe('no-such-link')
})

test('a link with a password wants it, and lets nobody guess on and on', async () => {
  expect(await codeOf(makeLink(me, jobId, { ...plain, password: 'short' }, 'here'))).toBe('short-password')
  const { link, secret } = await made({ ...plain, password: 'thimble harbour cedar' })
  expect(link.hasPassword).toBe(true)
  expect(await codeOf(openLinkWith(secret, ''))).toBe('wrong-link-password')
  expect(await codeOf(openLinkWith(secret, 'thimble harbour cedar'))).toBe('done')
  for (let k = 0; k < 5; k++) await codeOf(openLinkWith(secret, `guess ${k}`))
  expect(await codeOf(openLinkWith(secret, 'thimble harbour cedar'))).toBe('sign-in-locked')
  // Whoever opened it before goes on.
  expect(await maybeOneJobLink(link.id)).toBeDefined()
})

test('a link ends on its day, or never by itself; none leads to a job that is deleted', async () => {
  const { link, secret } = await made({ ...plain, days: 1 })
  const forever = await made({ ...plain, days: null })
  expect(forever.link.expiresAt).toBeNull()
  await run('past', 'UPDATE job_link SET expires_at = expires_at - INTERVAL 1 DAY WHERE digest = ?', [
    digestOf(secret),
  ])
  expect(await codeOf(openLinkWith(secret, ''))).toBe('link-over')
  expect((await linksOf(me, jobId)).map(({ id }) => id)).not.toContain(link.id)
  expect(await codeOf(openLinkWith(forever.secret, ''))).toBe('done')
  await setJobDeleted(me.teamId, jobId, true)
  expect(await codeOf(openLinkWith(forever.secret, ''))).toBe('link-over')
  await setJobDeleted(me.teamId, jobId, false)
  expect(await codeOf(openLinkWith(forever.secret, ''))).toBe('done')
})
