import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { parseJob } from '@/core/kinds/job'
import { commentsOf, newCommentSchema, sayComment, settleComment, takeBackComment } from './comments'
import { run, transaction } from './database'
import { createJob } from './jobs'
import { setJobDeleted } from './sql/jobs'
import { manyJobStates } from './sql/live'
import { insertDesigner, insertTeam } from './sql/people'
import { openTestDatabase } from './testing'

const close = await openTestDatabase()
afterAll(close)

const teamId = randomUUID()
const [ada, bo] = [
  { id: randomUUID(), teamId, name: 'Ada' },
  { id: randomUUID(), teamId, name: 'Bo' },
]
const stranger = { id: randomUUID(), teamId: randomUUID(), name: 'Eve' }
await transaction('people', async (runner) => {
  await insertTeam(teamId, 'Team', runner)
  await insertTeam(stranger.teamId, 'Others', runner)
  for (const one of [ada, bo, stranger]) await insertDesigner(one.id, one.teamId, one.name, runner)
})
const shipped = parseJob(JSON.parse(readFileSync('samples/shipped-job.json', 'utf8')))
const newJob = () => createJob(teamId, shipped)
const said = (about: string, text: string, answers: string | null = null) => ({
  id: randomUUID(),
  about,
  text,
  answers,
})
const state = async (jobId: string) => {
  const [one] = await manyJobStates([jobId])
  return [one?.openComments, one?.commentMark]
}
const faultCode = async (work: Promise<unknown>) =>
  ((await work.catch((error: unknown) => error)) as { code?: string } | undefined)?.code

test('comments are said, answered, settled, opened again and taken back; screens hear of each', async () => {
  const jobId = await newJob()
  const first = said('tree-1', 'Measure this tree again.')
  await sayComment(ada, jobId, first)
  const answer = said('', 'Done: 9.5 m.', first.id)
  await sayComment(bo, jobId, answer)
  await sayComment(bo, jobId, said('line:payback', 'With the rebate of next year?'))
  expect(await state(jobId)).toEqual([2, 3])
  expect(
    (await commentsOf(ada, jobId)).map(({ about, by, mine, answers }) => [about, by, mine, answers]),
  ).toEqual([
    ['tree-1', 'Ada', true, null],
    // An answer is about what its thread is about.
    ['tree-1', 'Bo', false, first.id],
    ['line:payback', 'Bo', false, null],
  ])
  await settleComment(bo, jobId, first.id, true)
  expect((await commentsOf(ada, jobId))[0]?.resolved?.by).toBe('Bo')
  expect(await state(jobId)).toEqual([1, 4])
  // Whoever answers finds that it is not settled.
  await sayComment(ada, jobId, said('', 'The other one, please.', first.id))
  expect((await commentsOf(ada, jobId))[0]?.resolved).toBeNull()
  await settleComment(ada, jobId, first.id, true)
  await settleComment(ada, jobId, first.id, false)
  expect(await state(jobId)).toEqual([2, 7])
  expect(await faultCode(takeBackComment(bo, jobId, first.id))).toBe('not-yours')
  // With it would go what Bo has answered.
  expect(await faultCode(takeBackComment(ada, jobId, first.id))).toBe('answered')
  expect(await commentsOf(bo, jobId)).toHaveLength(4)
  await takeBackComment(bo, jobId, answer.id)
  // What is left under it is her own.
  await takeBackComment(ada, jobId, first.id)
  expect((await commentsOf(bo, jobId)).map(({ text }) => text)).toEqual(['With the rebate of next year?'])
  expect(await state(jobId)).toEqual([1, 9])
})

test('saying it twice under one id says it once; answers go to the first of a thread alone', async () => {
  const jobId = await newJob()
  const first = said('', 'Twice')
  await sayComment(ada, jobId, first)
  await sayComment(ada, jobId, { ...first, text: 'Another text' })
  expect((await commentsOf(ada, jobId)).map(({ text }) => text)).toEqual(['Twice'])
  const answer = said('', 'Answer', first.id)
  await sayComment(bo, jobId, answer)
  for (const answers of [answer.id, randomUUID()])
    expect(await faultCode(sayComment(bo, jobId, said('', 'Deeper', answers)))).toBe('no-such-comment')
  expect(await faultCode(settleComment(bo, jobId, answer.id, true))).toBe('no-such-comment')
  expect(await faultCode(settleComment(bo, jobId, randomUUID(), true))).toBe('no-such-comment')
  expect(await faultCode(takeBackComment(bo, jobId, randomUUID()))).toBe('no-such-comment')
})

test('a comment of another job, another team’s job and a deleted one are not there', async () => {
  const [jobId, otherId] = [await newJob(), await newJob()]
  const first = said('', 'Here')
  await sayComment(ada, jobId, first)
  expect(await faultCode(sayComment(ada, otherId, said('', 'There', first.id)))).toBe('no-such-comment')
  expect(await faultCode(settleComment(ada, otherId, first.id, true))).toBe('no-such-comment')
  for (const work of [
    commentsOf(stranger, jobId),
    sayComment(stranger, jobId, said('', 'Mine now')),
    settleComment(stranger, jobId, first.id, true),
    takeBackComment(stranger, jobId, first.id),
  ])
    expect(await faultCode(work)).toBe('no-such-job')
  await setJobDeleted(teamId, jobId, true)
  expect(await faultCode(commentsOf(ada, jobId))).toBe('no-such-job')
  expect(await faultCode(sayComment(ada, jobId, said('', 'Late')))).toBe('no-such-job')
})

test('a job has a thousand comments, and no more', async () => {
  const jobId = await newJob()
  const values = Array.from({ length: 500 }, () => "(?, ?, '', 'x', ?)").join(', ')
  for (let n = 0; n < 2; n++)
    await run(
      'comments',
      `INSERT INTO comment (job_id, id, about, body, designer_id) VALUES ${values}`,
      Array.from({ length: 500 }, () => [jobId, randomUUID(), ada.id]).flat(),
    )
  expect(await faultCode(sayComment(ada, jobId, said('', 'One more')))).toBe('too-many-comments')
})

test('what is said has something in it, and is about something', () => {
  const good = said('', 'Text')
  for (const about of ['', 'tree-1', 'line:payback', 'line:net-price'])
    expect(newCommentSchema.safeParse({ ...good, about }).success).toBe(true)
  for (const bad of [
    { text: '' },
    { text: ' \n ' },
    { text: 'x'.repeat(2001) },
    { about: 'line:' },
    { about: 'Line:x' },
    { about: '../x' },
    { about: 'x'.repeat(81) },
    { answers: 'first' },
    { id: 'x' },
    { more: 1 },
  ])
    expect(newCommentSchema.safeParse({ ...good, ...bad }).success).toBe(false)
})
