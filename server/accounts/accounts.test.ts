import { randomUUID } from 'node:crypto'
import { TOTP } from 'otpauth'
import { Fault } from '@/core/model/fault'
import { job } from '@/town/testing'
import { commentsOf, sayComment } from '../comments'
import { many, run, transaction } from '../database'
import { digestOf } from '../digest'
import { createJob } from '../jobs'
import { unseal } from '../seal'
import { maybeOneAccountByMail } from '../sql/accounts'
import { manyNotes } from '../sql/audit'
import { insertDesigner, insertTeam, manyColleagues, maybeOneDesigner, type Member } from '../sql/people'
import { manyInvitations } from '../sql/mailed-links'
import { manySignIns, maybeOneSignedIn } from '../sql/sign-ins'
import { openTestDatabase } from '../testing'
import { tidy } from '../tidy'
import { waitMs } from './attempts'
import { newCodeKey } from './codes'
import {
  invite,
  inviteFirstOwner,
  join,
  mailPasswordLink,
  openLink,
  setPasswordByLink,
  withdrawInvitation,
} from './links'
import { changeRole, takeOut } from './members'
import { beForgotten, dataOf } from './personal-data'
import { changePassword, endSignIns, turnCodeOff, turnCodeOn } from './own-account'
import { signIn } from './sign-in'

process.env['SESSION_SECRET'] = 'z'.repeat(64)
process.env['PUBLIC_ORIGIN'] = 'https://solar.example'
const close = await openTestDatabase()
afterAll(close)

const from = { device: 'a browser', place: '10.0.0.9' }
const password = 'lamp kettle moss seven'
const secretOf = (address: string) => address.split('/').at(-1) ?? ''
const codeOf = (work: Promise<unknown>) =>
  work.then(
    () => 'done',
    (error: unknown) => {
      if (error instanceof Fault) return error.code
      throw error
    },
  )

/** A team with an owner who signs in. */
async function team(): Promise<Member & { mail: string }> {
  const [teamId, id, mail] = [randomUUID(), randomUUID(), `${randomUUID()}@example.org`]
  const owner: Member = { id, teamId, name: 'Ada', role: 'owner' }
  await transaction('people', async (runner) => {
    await insertTeam(teamId, 'Team', runner)
    await insertDesigner(id, teamId, 'Ada', runner, 'owner')
  })
  await join(secretOf(await inviteFirstOwner(owner)), { name: 'Ada', mail, password }, from)
  return { ...owner, mail }
}

/** Somebody who was invited to a team and has joined it. */
async function colleague(owner: Member, role: Member['role'] = 'designer') {
  const mail = `${randomUUID()}@example.org`
  const secret = secretOf(await invite(owner, mail, role, 'here'))
  const cookie = await join(secret, { name: 'Bo', password }, from)
  const member = await maybeOneSignedIn(digestOf(cookie))
  if (!member) throw new Error('who joins is signed in')
  return { member, cookie, mail }
}

const noted = async (teamId: string) => (await manyNotes(teamId, 50)).map(({ what }) => what)

/** The mails that wait for an address, opened. */
async function mailsTo(mail: string): Promise<string[]> {
  const rows = await many('mails', 'SELECT sealed FROM outgoing_mail WHERE recipient = ? ORDER BY made_at', [
    mail,
  ])
  return Promise.all(rows.map(async (row) => (await unseal(String(row['sealed']))) ?? ''))
}

test('the first owner takes the place of whoever worked on the machine; the link is good for one', async () => {
  const [teamId, id] = [randomUUID(), randomUUID()]
  await transaction('people', async (runner) => {
    await insertTeam(teamId, 'Team', runner)
    await insertDesigner(id, teamId, 'Whoever', runner, 'owner')
  })
  const owner: Member = { id, teamId, name: 'Whoever', role: 'owner' }
  const old = secretOf(await inviteFirstOwner(owner))
  const secret = secretOf(await inviteFirstOwner(owner))
  // The newer one alone leads somewhere.
  expect(await codeOf(openLink(old, 'join'))).toBe('link-over')
  const given = { name: 'Imke', password }
  expect(await codeOf(join(secret, given, from))).toBe('mail-needed')
  const mail = `${randomUUID()}@Example.org`
  const cookie = await join(secret, { ...given, mail }, from)
  expect(await maybeOneSignedIn(digestOf(cookie))).toMatchObject({ id, teamId, name: 'Imke', role: 'owner' })
  expect(await codeOf(join(secret, { ...given, mail }, from))).toBe('link-over')
  // Only digests of secrets are kept.
  expect(await maybeOneSignedIn(cookie)).toBeUndefined()
  const signedIn = await signIn({ mail: mail.toUpperCase(), password, code: '' }, from)
  expect(await maybeOneSignedIn(digestOf(signedIn))).toMatchObject({ id })
})

test('an invitation is mailed, shown, taken once, and withdrawn', async () => {
  const owner = await team()
  const mail = `${randomUUID()}@example.org`
  const first = await invite(owner, ` ${mail.toUpperCase()} `, 'reader', 'here')
  const address = await invite(owner, mail, 'installer', 'here')
  expect(address).toMatch(/^https:\/\/solar\.example\/invitation\/[\w-]{43}$/)
  expect((await mailsTo(mail)).filter((text) => text.includes(address))).toHaveLength(1)
  expect((await manyInvitations(owner.teamId)).map(({ mail: to, role }) => [to, role])).toEqual([
    [mail, 'installer'],
  ])
  expect(await codeOf(openLink(secretOf(first), 'join'))).toBe('link-over')
  // It sets no password, and cannot be guessed.
  expect(await codeOf(openLink(secretOf(address), 'password'))).toBe('link-over')
  expect(await codeOf(openLink('guess', 'join'))).toBe('link-over')
  expect(await codeOf(join(secretOf(address), { name: 'Bo', password: 'too short' }, from))).toBe(
    'short-password',
  )
  const cookie = await join(secretOf(address), { name: 'Bo', password }, from)
  expect(await maybeOneSignedIn(digestOf(cookie))).toMatchObject({
    name: 'Bo',
    role: 'installer',
    teamId: owner.teamId,
  })
  expect(await manyInvitations(owner.teamId)).toEqual([])
  expect(await codeOf(invite(owner, mail, 'reader', 'here'))).toBe('has-account')

  const other = await invite(owner, `${randomUUID()}@example.org`, 'owner', 'here')
  const [open] = await manyInvitations(owner.teamId)
  const stranger = await team()
  expect(await codeOf(withdrawInvitation(stranger, open?.id ?? '', 'here'))).toBe('no-such-invitation')
  await withdrawInvitation(owner, open?.id ?? '', 'here')
  expect(await codeOf(join(secretOf(other), { name: 'Cy', password }, from))).toBe('link-over')
  const late = secretOf(await invite(owner, `${randomUUID()}@example.org`, 'reader', 'here'))
  await run('late', 'UPDATE mailed_link SET expires_at = CURRENT_TIMESTAMP(3) WHERE digest = ?', [
    digestOf(late),
  ])
  expect(await codeOf(join(late, { name: 'Cy', password }, from))).toBe('link-over')
  expect(await noted(owner.teamId)).toEqual(
    expect.arrayContaining(['invited', 'joined', 'signed-in', 'invitation-withdrawn']),
  )
})

test('of many who take one invitation at once one is let in', async () => {
  const owner = await team()
  const secret = secretOf(await invite(owner, `${randomUUID()}@example.org`, 'designer', 'here'))
  const tries = Array.from({ length: 6 }, (_, k) =>
    codeOf(join(secret, { name: `Bo ${k}`, password: `${password} ${k}` }, from)),
  )
  expect((await Promise.all(tries)).sort()).toEqual(['done', ...Array<string>(5).fill('link-over')].sort())
  expect(await manyColleagues(owner.teamId)).toHaveLength(2)
})

test('whatever is wrong is answered alike; after five failures in a row one waits, twice as long each time', async () => {
  expect([1, 4, 5, 6, 7, 20].map(waitMs)).toEqual([0, 0, 30_000, 60_000, 120_000, 3_600_000])
  const { mail } = await team()
  const nobody = `${randomUUID()}@example.org`
  for (const who of [mail, nobody]) {
    const wrong = (word: string) => codeOf(signIn({ mail: who, password: word, code: '' }, from))
    for (let k = 0; k < 5; k++) expect(await wrong(`wrong ${k}`)).toBe('wrong-sign-in')
    // Even the right one waits, so that guessing goes on no faster.
    expect(await wrong(password)).toBe('sign-in-locked')
  }
  const digest = digestOf(mail)
  const back = (seconds: number) =>
    run(
      'past',
      'UPDATE failed_sign_in SET last_at = CURRENT_TIMESTAMP(3) - INTERVAL ? SECOND WHERE mail_digest = ?',
      [seconds, digest],
    )
  await back(29)
  expect(await codeOf(signIn({ mail, password, code: '' }, from))).toBe('sign-in-locked')
  await back(31)
  expect(await codeOf(signIn({ mail, password, code: '' }, from))).toBe('done')
  // Success wipes the slate.
  expect(await codeOf(signIn({ mail, password: 'wrong', code: '' }, from))).toBe('wrong-sign-in')
  expect(await codeOf(signIn({ mail, password, code: '' }, from))).toBe('done')
})

test('at a screen that was left open one guesses no faster than at the door', async () => {
  const owner = await team()
  const asking = { who: owner, place: 'here' }
  for (let k = 0; k < 5; k++) expect(await codeOf(turnCodeOff(asking, `guess ${k}`))).toBe('wrong-password')
  const change = { password, next: 'quarry lantern violet nine' }
  expect(await codeOf(changePassword(asking, change, ''))).toBe('sign-in-locked')
  expect(await codeOf(beForgotten(asking, password))).toBe('sign-in-locked')
  expect(await codeOf(signIn({ mail: owner.mail, password, code: '' }, from))).toBe('sign-in-locked')
})

test('forty guesses at once are five guesses', async () => {
  const { mail } = await team()
  const guesses = Array.from({ length: 40 }, (_, k) =>
    codeOf(signIn({ mail, password: `guess ${k}`, code: '' }, from)),
  )
  const told = await Promise.all(guesses)
  expect(told.filter((code) => code === 'wrong-sign-in')).toHaveLength(5)
  expect(told.filter((code) => code === 'sign-in-locked')).toHaveLength(35)
}, 30_000)

test('a second factor is asked for once the password is right; each code and spare code is good once', async () => {
  const owner = await team()
  const asking = { who: owner, place: 'here' }
  const key = newCodeKey()
  const codeAt = (ms: number) => new TOTP({ secret: key, digits: 6, period: 30 }).generate({ timestamp: ms })
  const code = codeAt(Date.now())
  expect(await codeOf(turnCodeOn(asking, { password: 'wrong', key, code }))).toBe('wrong-password')
  expect(await codeOf(turnCodeOn(asking, { password, key, code: '000' }))).toBe('wrong-code')
  const spare = await turnCodeOn(asking, { password, key, code })
  expect(spare).toHaveLength(10)
  const stored = await maybeOneAccountByMail(owner.mail)
  expect(stored?.codeKey).not.toContain(key)

  const enter = (given: string, word = password) =>
    codeOf(signIn({ mail: owner.mail, password: word, code: given }, from))
  expect(await enter('')).toBe('code-needed')
  expect(await enter('', 'wrong')).toBe('wrong-sign-in')
  const now = codeAt(Date.now())
  expect(await enter(now)).toBe('done')
  expect(await enter(now)).toBe('wrong-sign-in')
  // The next one is taken, and then the one before no more.
  const next = codeAt(Date.now() + 30_000)
  expect(await enter(next)).toBe('done')
  expect(await enter(codeAt(Date.now()))).toBe('wrong-sign-in')
  const [one = ''] = spare
  expect(await enter(one.toUpperCase())).toBe('done')
  expect(await enter(one)).toBe('wrong-sign-in')
  expect(await noted(owner.teamId)).toEqual(expect.arrayContaining(['code-on', 'spare-code-used']))

  expect(await codeOf(turnCodeOff(asking, 'wrong'))).toBe('wrong-password')
  await turnCodeOff(asking, password)
  expect(await enter('')).toBe('done')
})

test('a new password ends the other sign-ins, and its own stays; one ends those one does not know', async () => {
  const owner = await team()
  const asking = { who: owner, place: 'here' }
  const cookies = []
  for (let k = 0; k < 3; k++) cookies.push(await signIn({ mail: owner.mail, password, code: '' }, from))
  const [here = '', there = ''] = cookies
  const isIn = async (cookie: string) => (await maybeOneSignedIn(digestOf(cookie))) !== undefined
  expect(await manySignIns(owner.id)).toHaveLength(4)
  const list = await manySignIns(owner.id)
  const known = list.find(({ digest }) => digest === digestOf(there))
  const stranger = await team()
  await endSignIns({ who: stranger, place: 'here' }, known?.id ?? '', 'none')
  expect(await isIn(there)).toBe(true)
  await endSignIns(asking, known?.id ?? '', digestOf(here))
  expect([await isIn(there), await isIn(here)]).toEqual([false, true])

  const next = 'quarry lantern violet nine'
  expect(await codeOf(changePassword(asking, { password: 'wrong', next }, digestOf(here)))).toBe(
    'wrong-password',
  )
  expect(await codeOf(changePassword(asking, { password, next: 'aaaaaaaaaaaa' }, digestOf(here)))).toBe(
    'easy-password',
  )
  await changePassword(asking, { password, next }, digestOf(here))
  expect(await Promise.all(cookies.map(isIn))).toEqual([true, false, false])
  expect(await codeOf(signIn({ mail: owner.mail, password, code: '' }, from))).toBe('wrong-sign-in')
  expect(await codeOf(signIn({ mail: owner.mail, password: next, code: '' }, from))).toBe('done')
})

test('a forgotten password is set anew by a mailed link, once; nobody learns who has an account', async () => {
  const owner = await team()
  const nobody = `${randomUUID()}@example.org`
  await mailPasswordLink(nobody, 'here')
  expect(await mailsTo(nobody)).toEqual([])
  await mailPasswordLink(owner.mail.toUpperCase(), 'here')
  const [mail = ''] = await mailsTo(owner.mail)
  const secret = /password\/([\w-]{43})/.exec(mail)?.[1] ?? ''
  const cookie = await signIn({ mail: owner.mail, password, code: '' }, from)
  for (let k = 0; k < 6; k++) await codeOf(signIn({ mail: owner.mail, password: 'wrong', code: '' }, from))
  const next = 'quarry lantern violet nine'
  expect(await codeOf(setPasswordByLink(secret, 'short', 'here'))).toBe('short-password')
  await setPasswordByLink(secret, next, 'here')
  expect(await maybeOneSignedIn(digestOf(cookie))).toBeUndefined()
  // Whoever reads the mail does not wait for what others have guessed.
  expect(await codeOf(signIn({ mail: owner.mail, password: next, code: '' }, from))).toBe('done')
  expect(await codeOf(setPasswordByLink(secret, password, 'here'))).toBe('link-over')
})

test('roles are changed by owners of the same team, whoever leaves is out at once, and an owner stays', async () => {
  const owner = await team()
  const stranger = await team()
  const { member, cookie, mail } = await colleague(owner, 'reader')
  expect(await codeOf(changeRole(stranger, member.id, 'owner', 'here'))).toBe('no-such-member')
  expect(await codeOf(takeOut(stranger, member.id, 'here'))).toBe('no-such-member')
  expect(await codeOf(changeRole(owner, owner.id, 'reader', 'here'))).toBe('last-owner')
  expect(await codeOf(takeOut(owner, owner.id, 'here'))).toBe('last-owner')
  await changeRole(owner, member.id, 'designer', 'here')
  expect(await maybeOneSignedIn(digestOf(cookie))).toMatchObject({ role: 'designer' })
  await takeOut(owner, member.id, 'here')
  expect(await maybeOneSignedIn(digestOf(cookie))).toBeUndefined()
  expect(await maybeOneDesigner(member.id)).toBeUndefined()
  expect(await codeOf(signIn({ mail, password, code: '' }, from))).toBe('wrong-sign-in')
  expect((await manyColleagues(owner.teamId)).map(({ id }) => id)).toEqual([owner.id])
  // They may be invited again, as somebody new.
  expect(await codeOf(invite(owner, mail, 'reader', 'here'))).toBe('done')
})

test('somebody takes their data along and is forgotten; what they did stays, by a former colleague', async () => {
  const owner = await team()
  const { member, cookie, mail } = await colleague(owner)
  await changeRole(owner, member.id, 'reader', 'here')
  const jobId = await createJob(owner.teamId, job)
  const said = { id: randomUUID(), about: '', answers: null, text: 'Call the utility' }
  await sayComment(member, jobId, said)
  const data = await dataOf(member)
  expect(data).toMatchObject({ name: 'Bo', mail, secondFactor: false, edits: { count: 0 } })
  expect(data.comments).toMatchObject([{ job: job.name, text: 'Call the utility' }])
  expect(data.signIns).toMatchObject([{ device: 'a browser', place: '10.0.0.9' }])
  expect(data.log.map(({ what }) => what)).toEqual(['joined', 'signed-in'])
  expect(JSON.stringify(data)).not.toMatch(/argon2|digest|code_key/)

  // Somebody else’s name that begins alike stays.
  const bob = await colleague(owner)
  await run('name', 'UPDATE designer SET name = ? WHERE id = ?', ['Bob', bob.member.id])
  await changeRole(owner, bob.member.id, 'reader', 'here')

  const asking = { who: member, place: '10.0.0.9' }
  expect(await codeOf(beForgotten(asking, 'wrong'))).toBe('wrong-password')
  expect(await codeOf(beForgotten({ who: owner, place: 'here' }, password))).toBe('last-owner')
  await beForgotten(asking, password)
  expect(await maybeOneSignedIn(digestOf(cookie))).toBeUndefined()
  expect(await codeOf(signIn({ mail, password, code: '' }, from))).toBe('wrong-sign-in')
  expect((await commentsOf(owner, jobId)).map(({ by, text }) => [by, text])).toEqual([
    ['Former colleague', 'Call the utility'],
  ])
  const log = await manyNotes(owner.teamId, 50)
  expect(log.length).toBeGreaterThan(5)
  expect(JSON.stringify(log)).not.toContain(mail)
  expect(log.map(({ about }) => about)).toContain('Bob, reader')
  expect(log.filter(({ about }) => about.includes('Former colleague')).map(({ what }) => what)).toEqual([
    'left',
    'role-set',
    'joined',
    'invited',
  ])
  // Nothing else in the database has the address or the place.
  for (const [table, column] of [
    ['account', 'mail'],
    ['mailed_link', 'mail'],
    ['outgoing_mail', 'recipient'],
  ])
    expect(await many('left over', `SELECT 1 FROM ${table} WHERE ${column} = ?`, [mail])).toEqual([])
  expect(
    await many('places', 'SELECT 1 FROM audit WHERE designer_id = ? AND place <> ?', [member.id, '']),
  ).toEqual([])
})

test('two owners who take each other out at once leave one', async () => {
  for (let k = 0; k < 5; k++) {
    const owner = await team()
    const { member } = await colleague(owner, 'owner')
    const told = await Promise.all([
      codeOf(takeOut(owner, member.id, 'here')),
      codeOf(takeOut(member, owner.id, 'here')),
    ])
    expect(told.sort()).toEqual(['done', 'last-owner'])
    expect(await manyColleagues(owner.teamId)).toHaveLength(1)
  }
}, 30_000)

test('a sign-in that nobody has used for two weeks is over, and so is one of two months', async () => {
  const owner = await team()
  const age = async (field: string, days: number) => {
    const cookie = await signIn({ mail: owner.mail, password, code: '' }, from)
    await run('age', `UPDATE sign_in SET ${field} = ${field} - INTERVAL ? DAY WHERE digest = ?`, [
      days,
      digestOf(cookie),
    ])
    return (await maybeOneSignedIn(digestOf(cookie))) !== undefined
  }
  expect(await age('seen_at', 13)).toBe(true)
  expect(await age('seen_at', 15)).toBe(false)
  expect(await age('begun_at', 59)).toBe(true)
  expect(await age('begun_at', 61)).toBe(false)
})

test('what has run out is tidied away, and nothing else', async () => {
  const owner = await team()
  const old = await signIn({ mail: owner.mail, password, code: '' }, from)
  await run('age', 'UPDATE sign_in SET seen_at = seen_at - INTERVAL 15 DAY WHERE digest = ?', [digestOf(old)])
  const [over, open] = [
    await invite(owner, `${randomUUID()}@example.org`, 'reader', 'here'),
    await invite(owner, `${randomUUID()}@example.org`, 'reader', 'here'),
  ].map(secretOf)
  await run('age', 'UPDATE mailed_link SET expires_at = expires_at - INTERVAL 40 DAY WHERE digest = ?', [
    digestOf(over ?? ''),
  ])
  const [stale, fresh] = [`${randomUUID()}@example.org`, `${randomUUID()}@example.org`]
  for (const mail of [stale, fresh]) await codeOf(signIn({ mail, password: 'wrong', code: '' }, from))
  await run('age', 'UPDATE failed_sign_in SET last_at = last_at - INTERVAL 3 DAY WHERE mail_digest = ?', [
    digestOf(stale),
  ])
  await tidy()
  const left = async (table: string, column: string, value: string) =>
    (await many('left', `SELECT 1 FROM ${table} WHERE ${column} = ?`, [value])).length
  expect(await left('sign_in', 'digest', digestOf(old))).toBe(0)
  expect(await left('sign_in', 'designer_id', owner.id)).toBe(1)
  expect(await left('mailed_link', 'digest', digestOf(over ?? ''))).toBe(0)
  expect(await left('mailed_link', 'digest', digestOf(open ?? ''))).toBe(1)
  expect(await left('failed_sign_in', 'mail_digest', digestOf(stale))).toBe(0)
  expect(await left('failed_sign_in', 'mail_digest', digestOf(fresh))).toBe(1)
})
