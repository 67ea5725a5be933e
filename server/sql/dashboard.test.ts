import { randomUUID } from 'node:crypto'
import { gzipSync } from 'node:zlib'
import { run, transaction } from '../database'
import { openTestDatabase } from '../testing'
import { countLateJobs, manyMonthsOfOffers, waitingMail } from './dashboard'
import { insertJob } from './jobs'
import { insertMail } from './outgoing-mail'
import { insertDesigner, insertTeam } from './people'
import { insertShare } from './shares'

const close = await openTestDatabase()
afterAll(close)

async function team() {
  const [teamId, designerId, jobId] = [randomUUID(), randomUUID(), randomUUID()]
  await transaction('team', async (runner) => {
    await insertTeam(teamId, 'Team', runner)
    await insertDesigner(designerId, teamId, 'Ada', runner)
    await insertJob(jobId, teamId, 'A house', '1 Elm', runner)
  })
  return { teamId, designerId, jobId }
}

/** An offer that was sent so many months ago, at the middle of that month, and accepted days later. */
async function offer(
  { designerId, jobId }: Awaited<ReturnType<typeof team>>,
  monthsAgo: number,
  seen: number,
  days: number | null,
) {
  const id = randomUUID()
  await insertShare({
    id,
    tokenDigest: (id + id).replaceAll('-', ''),
    sealedToken: '',
    jobId,
    documentId: 'option-a',
    name: 'Offer',
    houseRevision: 1,
    optionRevision: 1,
    designDigest: 'e'.repeat(64),
    designerId,
    validDays: 60,
    body: gzipSync('{}'),
    file: gzipSync('{}'),
  })
  await run(
    'past',
    `UPDATE share SET created_at = DATE_FORMAT(CURRENT_DATE, '%Y-%m-15') - INTERVAL ? MONTH, seen = ? WHERE id = ?`,
    [monthsAgo, seen, id],
  )
  if (days !== null)
    await run('accepted', 'UPDATE share SET accepted_at = created_at + INTERVAL ? HOUR WHERE id = ?', [
      days * 24,
      id,
    ])
}

test('offers are told by the month they were sent in, with what became of them; others’ are not', async () => {
  const [ours, theirs] = [await team(), await team()]
  await offer(ours, 0, 0, null)
  await offer(ours, 2, 3, 1.5)
  await offer(ours, 2, 1, 4.5)
  await offer(ours, 2, 1, null)
  await offer(ours, 11, 0, null)
  await offer(ours, 12, 5, 1)
  await offer(theirs, 2, 1, 9)
  const told = await manyMonthsOfOffers(ours.teamId, 12)
  expect(told.map(({ sent, seen, accepted, days }) => [sent, seen, accepted, days])).toEqual([
    [1, 0, 0, null],
    [3, 3, 2, 3],
    [1, 0, 0, null],
  ])
  const months = told.map(({ month }) => month)
  expect(months).toEqual([...months].sort())
  expect(await manyMonthsOfOffers(randomUUID(), 12)).toEqual([])
})

test('a next step is overdue from the day after; what is put away is not', async () => {
  const { teamId, jobId } = await team()
  const set = (field: string, value: string | null) =>
    run('set', `UPDATE job SET ${field} = ? WHERE id = ?`, [value, jobId])
  expect(await countLateJobs(teamId, '2026-11-28')).toBe(0)
  await set('next_on', '2026-11-28')
  expect(await countLateJobs(teamId, '2026-11-28')).toBe(0)
  expect(await countLateJobs(teamId, '2026-11-29')).toBe(1)
  await set('archived_at', '2026-11-01')
  expect(await countLateJobs(teamId, '2026-11-29')).toBe(0)
})

test('mail that waits is counted, with how long', async () => {
  expect(await waitingMail()).toEqual({ count: 0, oldest: null })
  const id = randomUUID()
  await transaction('mail', (runner) => insertMail(id, 'ada@example.org', 'sealed', runner))
  await run('past', 'UPDATE outgoing_mail SET made_at = made_at - INTERVAL 90 SECOND WHERE id = ?', [id])
  const { count, oldest } = await waitingMail()
  expect(count).toBe(1)
  expect(oldest).toBeGreaterThanOrEqual(90)
  expect(oldest).toBeLessThan(150)
})
