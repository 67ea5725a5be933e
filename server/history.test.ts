import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { ofKind, type Change } from '@/core/kinds/documents'
import { Film, type LoggedEdit } from '@/core/kinds/film'
import { parseJob } from '@/core/kinds/job'
import { seededRandom } from '@/core/model/random'
import { run, transaction } from './database'
import { historyOf, nameVersion, unnameVersion } from './history'
import { createJob, loadJob, saveEdits } from './jobs'
import { insertDesigner, insertTeam, type Member } from './sql/people'
import { setJobDeleted } from './sql/jobs'
import { openTestDatabase } from './testing'

const close = await openTestDatabase()
afterAll(close)

const [teamId, designerId] = [randomUUID(), randomUUID()]
await transaction('people', async (runner) => {
  await insertTeam(teamId, 'Team', runner)
  await insertDesigner(designerId, teamId, 'Ada', runner)
})
const who: Member = { id: designerId, teamId, name: 'Ada', role: 'designer' }
const shipped = parseJob(JSON.parse(readFileSync('samples/shipped-job.json', 'utf8')))

/** Moves the chimney so many times, `together` edits at once. */
async function edited(count: number, together = 1, name = '') {
  const jobId = await createJob(teamId, shipped)
  const chimney = Object.values(shipped.house).find(({ kind }) => kind === 'chimney')
  if (chimney?.kind !== 'chimney') throw new Error('The shipped house has a chimney.')
  const at = (n: number) => ({ ...chimney, name: `${name}${n}` })
  const edits = Array.from({ length: count }, (_, n) => {
    const updated: Change['updated'] = { [chimney.id]: [n === 0 ? chimney : at(n), at(n + 1)] }
    return { id: randomUUID(), documentId: 'house', change: { added: {}, removed: {}, updated } }
  })
  for (let n = 0; n < count; n += together)
    await saveEdits({ who, screenId: null, since: 0 }, jobId, edits.slice(n, n + together))
  return { jobId, chimneyId: chimney.id }
}

const faultCode = async (work: Promise<unknown>) => {
  const fault: unknown = await work.catch((error: unknown) => error)
  return (fault as { code?: string }).code
}

test('the log leads from the job as it is to the job as it was made', async () => {
  const { jobId, chimneyId } = await edited(7, 2)
  const part = await historyOf(teamId, jobId, null)
  expect(part).toMatchObject({ before: null, count: 7, versions: [] })
  expect(part.edits.map(({ by }) => by)).toEqual(Array(7).fill('Ada'))
  expect(part.edits.map(({ kinds }) => Object.keys(kinds ?? {}))).toEqual(Array(7).fill(['chimney']))
  const { job } = await loadJob(teamId, jobId)
  const film = new Film({ house: job.house })
  // Checked when it came in.
  film.add(part.edits as unknown as LoggedEdit[])
  expect(film.back(0)['house']?.[chimneyId]).toMatchObject({ name: '7' })
  expect(film.back(3)['house']?.[chimneyId]).toMatchObject({ name: '4' })
  expect(film.back(7)['house']).toEqual(shipped.house)
})

test('each state that two designers’ crossing edits have made comes back, conflicts and all', async () => {
  const jobId = await createJob(teamId, shipped)
  const random = seededRandom(11)
  const option = shipped.options[0]?.id ?? ''
  const house = Object.values(shipped.house).filter((object) => 'heightM' in object && 'name' in object)
  const statesOf = async () => {
    const { job, row } = await loadJob(teamId, jobId)
    return { revision: row.revision, house: job.house, options: job.options }
  }
  const states = [await statesOf()]
  let refused = 0
  for (let n = 0; n < 120; n++) {
    // Made on a state of a while ago, as one who was offline makes it.
    const known = states[Math.max(0, states.length - 1 - Math.floor(random() * 4))]
    const object = house[Math.floor(random() * house.length)]
    const before = object && known?.house[object.id]
    if (!object || !known) continue
    const dice = random()
    const after = { ...object, ...before, name: `N${n}` }
    const change: Change =
      before && dice < 0.15
        ? { added: {}, updated: {}, removed: { [object.id]: before } }
        : before
          ? {
              added: {},
              removed: {},
              updated: {
                [object.id]: [
                  before,
                  dice < 0.6 ? after : ({ ...before, heightM: 2 + n / 100 } as typeof before),
                ],
              },
            }
          : { added: { [object.id]: object }, updated: {}, removed: {} }
    const edits = [{ id: randomUUID(), documentId: 'house', change }]
    const [offer] = ofKind(known.options[0]?.objects ?? {}, 'offer')
    if (offer && dice > 0.8)
      edits.push({
        id: randomUUID(),
        documentId: option,
        change: { added: {}, removed: {}, updated: { [offer.id]: [offer, { ...offer, name: `O${n}` }] } },
      })
    const { conflicts } = await saveEdits({ who, screenId: null, since: 0 }, jobId, edits)
    refused += conflicts.length
    const now = await statesOf()
    if (now.revision > (states.at(-1)?.revision ?? 0)) states.push(now)
  }
  expect(refused).toBeGreaterThan(5)
  expect(states.length).toBeGreaterThan(50)
  const { edits } = await historyOf(teamId, jobId, null)
  const last = states.at(-1)
  const film = new Film({ house: last?.house ?? {}, [option]: last?.options[0]?.objects ?? {} })
  film.add(edits as unknown as LoggedEdit[])
  for (const state of states) {
    const back = film.back(edits.filter(({ revision }) => revision > state.revision).length)
    expect(back['house']).toEqual(state.house)
    expect(back[option]).toEqual(state.options[0]?.objects)
  }
}, 60_000)

test('a part begins where it is told to, in the middle of a revision too', async () => {
  const { jobId } = await edited(6, 3)
  const all = (await historyOf(teamId, jobId, null)).edits
  expect(all.map(({ revision, position }) => `${revision}.${position}`)).toEqual([
    '3.2',
    '3.1',
    '3.0',
    '2.2',
    '2.1',
    '2.0',
  ])
  const ids = async (before: string) => (await historyOf(teamId, jobId, before)).edits.map(({ id }) => id)
  const known = all.map(({ id }) => id)
  expect(await ids('3.1')).toEqual(known.slice(2))
  expect(await ids('3.0')).toEqual(known.slice(3))
  expect(await ids('2.0')).toEqual([])
  // What is counted lies before the place.
  expect((await historyOf(teamId, jobId, '3.1')).count).toBe(4)
  expect((await historyOf(teamId, jobId, '3.0')).count).toBe(3)
  expect((await historyOf(teamId, jobId, '1.0')).count).toBe(0)
})

test('a long log comes in parts that are no larger than can be read at once', async () => {
  const { jobId } = await edited(12)
  // Large edits: two of them are more than a part may hold.
  const large = JSON.stringify({ added: {}, updated: {}, removed: {}, room: 'x'.repeat(1_800_000) })
  await run('large edits', 'UPDATE edit SET body = ? WHERE job_id = ? AND job_revision > 4', [large, jobId])
  const seen: string[] = []
  let before: string | null = null
  let parts = 0
  do {
    const part: Awaited<ReturnType<typeof historyOf>> = await historyOf(teamId, jobId, before)
    expect(part.edits.length).toBeGreaterThan(0)
    seen.push(...part.edits.map(({ id }) => id))
    before = part.before
    parts++
  } while (before !== null)
  expect(parts).toBe(5)
  expect(new Set(seen).size).toBe(12)
}, 60_000)

test('what is no place in the log is said, and so is a job that is another team’s or deleted', async () => {
  const { jobId } = await edited(1)
  for (const before of ['', 'x', '1', '-1.0', '1.0; DROP TABLE edit', '9'.repeat(40)])
    expect(await faultCode(historyOf(teamId, jobId, before))).toBe('bad-body')
  expect(await faultCode(historyOf(randomUUID(), jobId, null))).toBe('no-such-job')
  await setJobDeleted(teamId, jobId, true)
  expect(await faultCode(historyOf(teamId, jobId, null))).toBe('no-such-job')
  const version = { id: randomUUID(), name: 'Late', revision: 1 }
  expect(await faultCode(nameVersion(who, jobId, version))).toBe('no-such-job')
})

test('moments get names and lose them; naming one twice names it once, and no moment of the future has one', async () => {
  const { jobId } = await edited(3)
  const version = { id: randomUUID(), name: 'As sent', revision: 2 }
  await nameVersion(who, jobId, version)
  await nameVersion(who, jobId, { ...version, name: 'Sent again' })
  await nameVersion(who, jobId, { id: randomUUID(), name: 'Now', revision: 4 })
  const versions = async () => (await historyOf(teamId, jobId, null)).versions.map(({ name }) => name)
  expect(await versions()).toEqual(['Now', 'As sent'])
  expect(await faultCode(nameVersion(who, jobId, { ...version, id: randomUUID(), revision: 5 }))).toBe(
    'no-such-moment',
  )
  await unnameVersion(teamId, jobId, version.id)
  expect(await versions()).toEqual(['Now'])
  expect(await faultCode(unnameVersion(teamId, jobId, version.id))).toBe('no-such-moment')
  expect(await faultCode(unnameVersion(randomUUID(), jobId, version.id))).toBe('no-such-job')
})

test('a job has two hundred names for moments, and no more', async () => {
  const { jobId } = await edited(1)
  const values = Array.from({ length: 200 }, () => '(?, ?, ?, 1, ?)').join(', ')
  await run(
    'versions',
    `INSERT INTO job_version (job_id, id, name, job_revision, designer_id) VALUES ${values}`,
    Array.from({ length: 200 }, () => [jobId, randomUUID(), 'Name', designerId]).flat(),
  )
  const one = { id: randomUUID(), name: 'One more', revision: 1 }
  expect(await faultCode(nameVersion(who, jobId, one))).toBe('too-many-versions')
})
