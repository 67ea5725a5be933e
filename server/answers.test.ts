import { randomUUID } from 'node:crypto'
import { Fault } from '@/core/model/fault'
import { job } from '@/town/testing'
import { type Acceptance } from '@/proposal/answer'
import { acceptOffer, askAboutOffer, stateOf } from './answers'
import { closeCompute } from './compute/compute'
import { run, transaction } from './database'
import { createJob } from './jobs'
import { offerAt, offersOf, sendOffer, withdrawOffer } from './offers'
import { setJobDeleted, maybeOneJob } from './sql/jobs'
import { insertDesigner, insertTeam, type Designer } from './sql/people'
import { openTestDatabase, openTestWorld } from './testing'

process.env['SESSION_SECRET'] = 'y'.repeat(64)
const close = [await openTestDatabase(), await openTestWorld()]
afterAll(async () => {
  await closeCompute()
  for (const end of close) await end()
})

const me: Designer = { id: randomUUID(), teamId: randomUUID(), name: 'Ada' }
await transaction('people', async (runner) => {
  await insertTeam(me.teamId, 'Team', runner)
  await insertDesigner(me.id, me.teamId, me.name, runner)
})
const id = await createJob(me.teamId, job)
const sent = async () => (await sendOffer(me, id, 'option-a')).replace('/offer/', '')
const digestAt = async (token: string) => stateOf(await offerAt(token)).digest
const acceptance = async (token: string, fields: Partial<Acceptance> = {}): Promise<Acceptance> => ({
  name: 'Ngozi Okafor',
  way: 'cash',
  signature: [
    [
      [0.1, 0.5],
      [0.2, 0.4],
    ],
  ],
  digest: await digestAt(token),
  ...fields,
})
const codeOf = (work: Promise<unknown>) =>
  work.then(
    () => 'done',
    (error: unknown) => {
      if (error instanceof Fault) return error.code
      throw error
    },
  )
const expire = (token: string) =>
  offerAt(token).then((share) =>
    run('expire', 'UPDATE share SET expires_at = CURRENT_TIMESTAMP(3) - INTERVAL 1 SECOND WHERE id = ?', [
      share.id,
    ]),
  )

test('an offer is accepted once, with name, hand and digest, and stands whatever becomes of the job', async () => {
  const token = await sent()
  const answer = await acceptance(token)
  const status = async () => (await maybeOneJob(me.teamId, id))?.status
  expect(stateOf(await offerAt(token)).accepted).toBeNull()
  expect(await status()).toBe('offered')
  // Two at once: one of them is it.
  const both = await Promise.all([codeOf(acceptOffer(token, answer)), codeOf(acceptOffer(token, answer))])
  expect(both.sort()).toEqual(['done', 'offer-accepted'])
  expect(await status()).toBe('accepted')
  expect(await codeOf(acceptOffer(token, answer))).toBe('offer-accepted')
  const { accepted, digest } = stateOf(await offerAt(token))
  expect(accepted).toMatchObject({ name: 'Ngozi Okafor', way: 'cash', signature: answer.signature })
  expect(digest).toBe(answer.digest)
  const [listed] = await offersOf(me.teamId, id)
  expect(listed?.accepted).toMatchObject({ by: 'Ngozi Okafor', way: 'cash' })
  // Nobody takes it back, it does not run out, and a deleted job does not take it along.
  expect(await codeOf(withdrawOffer(me.teamId, id, listed?.id ?? '', true))).toBe('no-such-offer')
  await expire(token)
  await setJobDeleted(me.teamId, id, true)
  expect(await digestAt(token)).toBe(digest)
  await setJobDeleted(me.teamId, id, false)
}, 60_000)

test('what was not shown, was withdrawn or has run out is not accepted', async () => {
  const token = await sent()
  const other = await acceptance(token, { digest: 'a'.repeat(64) })
  expect(await codeOf(acceptOffer(token, other))).toBe('offer-changed')
  // A way that the page does not show.
  expect(await codeOf(acceptOffer(token, await acceptance(token, { way: 'lease' })))).toBe('offer-changed')
  const answer = await acceptance(token, { signature: null })
  const [listed] = await offersOf(me.teamId, id)
  await withdrawOffer(me.teamId, id, listed?.id ?? '', true)
  expect(await codeOf(acceptOffer(token, answer))).toBe('offer-withdrawn')
  await withdrawOffer(me.teamId, id, listed?.id ?? '', false)
  await expire(token)
  expect(await codeOf(acceptOffer(token, answer))).toBe('offer-expired')
  expect(await codeOf(askAboutOffer(token, 'Ngozi', 'Still there?'))).toBe('offer-expired')
  expect(await codeOf(acceptOffer('x'.repeat(43), answer))).toBe('no-such-offer')
}, 60_000)

test('questions reach the designer of the team alone, and there is an end of them', async () => {
  const token = await sent()
  await askAboutOffer(token, 'Ngozi', 'Does the oak stay?')
  const [listed] = await offersOf(me.teamId, id)
  expect(listed?.questions).toMatchObject([{ by: 'Ngozi', question: 'Does the oak stay?' }])
  for (let k = 1; k < 50; k++) await askAboutOffer(token, 'Ngozi', `Question ${k}?`)
  expect(await codeOf(askAboutOffer(token, 'Ngozi', 'One more?'))).toBe('too-many-questions')
  expect((await offersOf(me.teamId, id))[0]?.questions).toHaveLength(50)
}, 60_000)

test('an offer is accepted together with the status of its job, or not at all', async () => {
  const token = await sent()
  const answer = await acceptance(token)
  let release: () => void = () => undefined
  const released = new Promise<void>((done) => (release = done))
  let holding: Promise<void> = Promise.resolve()
  await new Promise<void>((holds, failed) => {
    holding = transaction('hold the job', async (runner) => {
      await run(
        'hold',
        'UPDATE job SET next_step = ?, status = ? WHERE id = ?',
        ['held', 'drawn', id],
        runner,
      )
      holds()
      await released
    })
    holding.catch(failed)
  })
  await expect(acceptOffer(token, answer)).rejects.toMatchObject({ kind: 'again' })
  expect(stateOf(await offerAt(token)).accepted).toBeNull()
  release()
  await holding
  await acceptOffer(token, answer)
  expect(stateOf(await offerAt(token)).accepted?.name).toBe(answer.name)
  expect((await maybeOneJob(me.teamId, id))?.status).toBe('accepted')
}, 60_000)

test('of many who accept at once one is kept, and the others are told', async () => {
  const token = await sent()
  const answers = await Promise.all(
    Array.from({ length: 8 }, (_, k) => acceptance(token, { name: `Reader ${k}` })),
  )
  const codes = await Promise.all(answers.map((answer) => codeOf(acceptOffer(token, answer))))
  expect(codes.toSorted()).toEqual(['done', ...Array.from({ length: 7 }, () => 'offer-accepted')])
  const { accepted } = stateOf(await offerAt(token))
  expect(accepted?.name).toBe(answers[codes.indexOf('done')]?.name)
}, 60_000)
