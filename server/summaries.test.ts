import { randomUUID } from 'node:crypto'
import { setTimeout as pause } from 'node:timers/promises'
import { changeBetween } from '@/core/model/change'
import { Fault } from '@/core/model/fault'
import { job, set } from '@/town/testing'
import { run, transaction } from './database'
import { createJob, saveEdits } from './jobs'
import { figuresSince } from './live/figures'
import { maybeOneJob, storeSummary } from './sql/jobs'
import { insertDesigner, insertTeam, type Member } from './sql/people'
import { manySameWork } from './sql/work'
import { countWork } from './sql/work-taking'
import { figuresFor, figuresKey } from './summaries'
import { openTestDatabase } from './testing'
import { Worker, type Doing } from './work/worker'

const close = await openTestDatabase()
afterAll(close)

const me: Member = { id: randomUUID(), teamId: randomUUID(), name: 'Ada', role: 'designer' }
await transaction('people', async (runner) => {
  await insertTeam(me.teamId, 'Team', runner)
  await insertDesigner(me.id, me.teamId, me.name, runner)
})

const rowOf = async (id: string) => {
  const row = await maybeOneJob(me.teamId, id)
  if (!row) throw new Error('the job is there')
  return row
}
const stateOf = async (id: string) => (await figuresFor(me.teamId, [await rowOf(id)])).get(id)?.state

/** Has the figures done in this way until nothing is open. */
async function worked(figures: (doing: Doing) => Promise<null>): Promise<void> {
  const never = async (): Promise<never> => {
    throw new Error('not this one')
  }
  const worker = new Worker({
    doers: {
      figures: async (doing) => ({ outcome: await figures(doing) }),
      offer: never,
      pdf: never,
      job: never,
      weather: never,
    },
    atOnce: { compute: 2, print: 1 },
    times: { restMs: 15, againSeconds: 0.02 },
  })
  worker.start()
  for (let i = 0; i < 400; i++) {
    const { waiting, running } = await countWork()
    if (waiting + running === 0) break
    await pause(20)
  }
  await worker.stop()
}

const summary = { kilowatts: 5.5, paybackYears: 8, picture: [] }

test('old figures are asked for once, however often the list is looked at, and come', async () => {
  const id = await createJob(me.teamId, job)
  expect([await stateOf(id), await stateOf(id)]).toEqual(['coming', 'coming'])
  expect(await countWork()).toMatchObject({ waiting: 1, running: 0 })
  const told: unknown[] = []
  await worked(async ({ input }) => {
    told.push(input)
    await storeSummary(id, 1, summary)
    return null
  })
  expect(told).toEqual([{ teamId: me.teamId, jobId: id }])
  expect(await figuresFor(me.teamId, [await rowOf(id)])).toEqual(
    new Map([[id, { summary: expect.objectContaining(summary) as unknown, state: 'fresh' }]]),
  )
  // Edited: others are wanted.
  const change = changeBetween(job.house, set(job.house, 'tree-1', { heightM: 9 }))
  await saveEdits({ who: me, screenId: null, since: 0 }, id, [
    { id: randomUUID(), documentId: 'house', change },
  ])
  expect(await stateOf(id)).toBe('coming')
  await worked(async () => null)
  // Ended without them: done anew by whoever looks next.
  expect(await stateOf(id)).toBe('coming')
  expect(await countWork()).toMatchObject({ waiting: 1 })
  await worked(async () => null)
})

test('what stands against figures is said, by its list too; what may have been chance is tried again', async () => {
  const before = new Date()
  const [heavy, away, broken] = [
    await createJob(me.teamId, job),
    await createJob(me.teamId, job),
    await createJob(me.teamId, job),
  ]
  const rows = [await rowOf(heavy), await rowOf(away), await rowOf(broken)]
  await figuresFor(me.teamId, rows)
  let times = 0
  await worked(async ({ input }) => {
    const { jobId } = input as { readonly jobId: string }
    if (jobId === heavy) throw new Fault('too-much-shade')
    times++
    if (jobId === away) throw new Fault('service-away')
    throw new Error('a thread broke')
  })
  // Three times each of the two that may be otherwise.
  expect(times).toBe(6)
  const heard = (await figuresSince([me.teamId], before)).flatMap(({ event }) => event ?? [])
  expect(heard.map(({ id, state, summary }) => [id, state, summary]).sort()).toEqual(
    [
      [heavy, 'too-much-shade', null],
      [away, 'service-away', null],
      [broken, 'unexpected', null],
    ].sort(),
  )
  expect([await stateOf(heavy), await stateOf(away), await stateOf(broken)]).toEqual([
    'too-much-shade',
    'coming',
    'unexpected',
  ])
  const states = await manySameWork('figures', rows.map(figuresKey))
  expect(new Map(states.map(({ same, state }) => [same.split(' ')[0], state]))).toEqual(
    new Map([
      [heavy, 'fault'],
      [away, 'open'],
      [broken, 'aside'],
    ]),
  )
  // Of another team's nothing is heard, nor of what holds no more.
  expect(await figuresSince([randomUUID()], before)).toEqual([])
  await run('edited', 'UPDATE job SET revision = revision + 1 WHERE id = ?', [heavy])
  const later = (await figuresSince([me.teamId], before)).flatMap(({ event }) => event ?? [])
  expect(later.map(({ id }) => id)).toEqual([broken])
  expect(await stateOf(heavy)).toBe('coming')
}, 30_000)
