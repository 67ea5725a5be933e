import { randomUUID } from 'node:crypto'
import { type ProgressChange } from '@/core/model/progress'
import { run, transaction } from '../database'
import { openTestDatabase } from '../testing'
import { countJobs, jobsOnPage, manyJobs, openJobs, type ListQuery } from './job-list'
import { advanceStatus, changeProgress, manyTemplates, setJobArchived, setTemplate } from './job-progress'
import { writeMissingWords } from './job-words'
import {
  insertJob,
  maybeOneJob,
  removeDeleted,
  renameJob,
  setJobDeleted,
  storeSummary,
  touchJob,
} from './jobs'
import { insertDesigner, insertTeam } from './people'

const close = await openTestDatabase()
afterAll(close)

async function team() {
  const [teamId, designerId] = [randomUUID(), randomUUID()]
  await transaction('people', async (runner) => {
    await insertTeam(teamId, 'Team', runner)
    await insertDesigner(designerId, teamId, 'Ada', runner)
  })
  const put = async (name: string, change: ProgressChange = {}, address = '1 Elm Street') => {
    const id = randomUUID()
    await transaction('job', (runner) => insertJob(id, teamId, name, address, runner))
    await changeProgress(teamId, id, change)
    return id
  }
  const named = async (query: Partial<ListQuery>) =>
    (await manyJobs(teamId, { ...openJobs, ...query })).map(({ name }) => name)
  return { teamId, designerId, put, named }
}

test('a search finds jobs with all of its parts, wherever they stand, whatever the case and the accents', async () => {
  const { teamId, put, named } = await team()
  await put('Okafor', { notes: 'Wants the battery in the garage; dog bites', tags: ['flat roof'] })
  const id = await put('O’Brien', { nextStep: "Ring about O'Hara's meter" }, '20 Quarry Lane')
  await put('Ärzte', { notes: '' }, '2 Quarry Lane')
  const found = async (search: string) => (await named({ search })).sort()
  expect(await found('battery garage')).toEqual(['Okafor'])
  expect(await found(' garage  BATT ')).toEqual(['Okafor'])
  expect(await found('battery cellar')).toEqual([])
  expect(await found('flat')).toEqual(['Okafor'])
  expect(await found('quarry 20')).toEqual(['O’Brien'])
  expect(await found('uarry')).toEqual(['O’Brien', 'Ärzte'])
  expect(await found("o'hara")).toEqual(['O’Brien'])
  expect(await found('arzte')).toEqual(['Ärzte'])
  expect(await found('ÄRZTE lane')).toEqual(['Ärzte'])
  for (const search of ['%', '_', '\\', "'; --", '+quarry', '\u0000', 'ﷺ'.repeat(100)])
    expect(await found(search)).toEqual([])
  // What is written anew is found anew, and the old no more.
  await changeProgress(teamId, id, { nextStep: 'Visit', notes: 'ﷺ'.repeat(2000) })
  expect([await found("o'hara"), await found('visit')]).toEqual([[], []])
  await changeProgress(teamId, id, { notes: '' })
  expect(await found('visit')).toEqual(['O’Brien'])
  await renameJob(teamId, id, 'Rowan')
  expect([await found('brien'), await found('rowan')]).toEqual([[], ['Rowan']])
  await transaction('touch', (runner) => touchJob(id, '7 Elsewhere', runner))
  expect([await found('20 quarry'), await found('elsewhere visit')]).toEqual([[], ['Rowan']])
})

test('a search agrees with a slow one over seeded names, tags and notes', async () => {
  const { put, named } = await team()
  const words = ['elm', 'oak', 'roof', 'south', 'the', 'will', 'of', 'Ärger', 'garage', 'meter', '12', 'x']
  let seed = 7
  const random = () => (seed = (seed * 48271) % 2147483647) / 2147483647
  const some = (n: number) =>
    Array.from({ length: n }, () => words[Math.floor(random() * words.length)] ?? '')
  const jobs: { name: string; text: string }[] = []
  const plain = (text: string) => text.toLowerCase().replace('ä', 'a')
  for (let k = 0; k < 45; k++) {
    const [name, notes, nextStep] = [`${k} ${some(2).join(' ')}`, some(4).join(' '), some(2).join(' ')]
    await put(name, { notes, nextStep }, 'Nowhere')
    jobs.push({ name, text: plain(`${name} nowhere ${notes} ${nextStep}`).replace(/ä/g, 'a') })
  }
  for (let k = 0; k < 200; k++) {
    const parts = some(1 + (k % 3)).map((part) => part.slice(0, 1 + Math.floor(random() * 6)))
    const expected = jobs.filter(({ text }) => parts.every((part) => text.includes(plain(part))))
    const search = parts.join(' ')
    expect({ search, found: (await named({ search })).sort() }).toEqual({
      search,
      found: expected.map(({ name }) => name).sort(),
    })
  }
})

test('what very many jobs have in common is listed in the same order as what few have', async () => {
  const { teamId, named } = await team()
  const count = 2100
  const row = (k: number) => [randomUUID(), teamId, `J${k}`, k % 3 === 0 ? 'Elm' : 'Oak', 10_000 - k]
  await run(
    'many',
    `INSERT INTO job (id, team_id, name, address, touched_at) VALUES ${Array.from({ length: count }, () => '(?, ?, ?, ?, CURRENT_TIMESTAMP(3) - INTERVAL ? SECOND)').join(', ')}`,
    Array.from({ length: count }, (_, k) => row(k)).flat(),
  )
  // As if an earlier version of the application had stored them: found once they have words.
  expect(await named({ search: 'j' })).toEqual([])
  while ((await writeMissingWords()) > 0);
  const newest = (every: number, page: number) =>
    Array.from({ length: count }, (_, k) => count - 1 - k)
      .filter((k) => k % every === 0)
      .slice(page * jobsOnPage, (page + 1) * jobsOnPage + 1)
      .map((k) => `J${k}`)
  for (const page of [0, 1, 6]) {
    expect(await named({ search: 'j', page })).toEqual(newest(1, page))
    expect(await named({ search: 'elm j', page })).toEqual(newest(3, page))
  }
  // Words of an earlier way of writing them are written again, once.
  await run('old', 'UPDATE job_words SET version = 0, words = ? WHERE team_id = ? LIMIT 3', ['old', teamId])
  expect(await named({ search: 'old' })).toHaveLength(3)
  expect([await writeMissingWords(), await writeMissingWords()]).toEqual([3, 0])
  expect(await named({ search: 'old' })).toEqual([])
})

test('shelves, status, tags, owner and next step each narrow the list, together too', async () => {
  const { teamId, designerId, put, named } = await team()
  const a = await put('A', { status: 'offered', tags: ['south', 'flat'], ownerId: designerId })
  const b = await put('B', {
    status: 'offered',
    tags: ['South-west'],
    nextOn: '2026-12-03',
    nextStep: 'Call',
  })
  await put('C', { nextOn: '2026-11-30', tags: ['100%'] })
  expect((await named({ status: 'offered' })).sort()).toEqual(['A', 'B'])
  expect(await named({ tag: 'SOUTH' })).toEqual(['A'])
  expect(await named({ tag: '%' })).toEqual([])
  expect(await named({ tag: '100%' })).toEqual(['C'])
  expect(await named({ ownerId: designerId })).toEqual(['A'])
  expect(await named({ isByNextStep: true })).toEqual(['C', 'B'])
  expect(await named({ isByNextStep: true, status: 'offered', search: 'call' })).toEqual(['B'])
  expect(await countJobs(teamId)).toEqual({
    counts: { offered: 2, lead: 1 },
    tags: ['100%', 'flat', 'south', 'South-west'],
  })
  await setJobArchived(teamId, a, true)
  await setJobDeleted(teamId, b, true)
  expect([await named({}), await named({ shelf: 'archive' }), await named({ shelf: 'bin' })]).toEqual([
    ['C'],
    ['A'],
    ['B'],
  ])
  await setJobArchived(teamId, a, false)
  expect((await named({})).sort()).toEqual(['A', 'C'])
})

test('every job stands on one page of the list and no other', async () => {
  const { teamId, named } = await team()
  const count = 2 * jobsOnPage + 7
  await run(
    'many',
    `INSERT INTO job (id, team_id, name, address, next_on) VALUES ${Array.from({ length: count }, () => '(?, ?, ?, ?, CURRENT_DATE)').join(', ')}`,
    Array.from({ length: count }, (_, k) => [randomUUID(), teamId, `J${k}`, 'Elm Street']).flat(),
  )
  while ((await writeMissingWords()) > 0);
  for (const query of [{}, { search: 'elm' }, { search: 'lm str' }, { isByNextStep: true }]) {
    const pages = await Promise.all([0, 1, 2, 3].map((page) => named({ ...query, page })))
    expect(pages.map(({ length }) => length)).toEqual([jobsOnPage + 1, jobsOnPage + 1, 7, 0])
    const whole = pages.flatMap((page) => page.slice(0, jobsOnPage))
    expect(new Set(whole).size).toBe(count)
  }
})

test('a change of what is noted leaves the rest, the design and other teams alone', async () => {
  const { teamId, put } = await team()
  const stranger = await team()
  const id = await put('A', { notes: 'n', tags: ['one', 'two'] })
  const before = await maybeOneJob(teamId, id)
  expect(await changeProgress(stranger.teamId, id, { notes: 'stolen' })).toBe(0)
  expect(await changeProgress(teamId, id, {})).toBe(1)
  await changeProgress(teamId, id, { status: 'built', nextOn: '2027-01-02' })
  expect(await maybeOneJob(teamId, id)).toEqual({ ...before, status: 'built', nextOn: '2027-01-02' })
  await changeProgress(teamId, id, { nextOn: null, tags: [] })
  expect(await maybeOneJob(teamId, id)).toMatchObject({ nextOn: null, tags: [], notes: 'n' })
})

test('a job comes forward by itself and never goes back', async () => {
  const { teamId, put } = await team()
  const id = await put('A')
  const status = async () => (await maybeOneJob(teamId, id))?.status
  await storeSummary(id, 1, { kilowatts: 0, paybackYears: null, picture: [] })
  expect(await status()).toBe('lead')
  await storeSummary(id, 1, { kilowatts: 5, paybackYears: 8, picture: [] })
  expect(await status()).toBe('drawn')
  await transaction('advance', async (runner) => {
    await advanceStatus(id, 'accepted', runner)
    await advanceStatus(id, 'offered', runner)
  })
  await storeSummary(id, 1, { kilowatts: 6, paybackYears: 8, picture: [] })
  expect(await status()).toBe('accepted')
})

test('one template at most is the default, of its own team alone', async () => {
  const { teamId, put } = await team()
  const other = await team()
  const [a, b] = [await put('A'), await put('B')]
  const set = (team: string, id: string, use: 'none' | 'choice' | 'default') =>
    transaction('template', (runner) => setTemplate(team, id, use, runner))
  const theirs = await other.put('T')
  await set(other.teamId, theirs, 'default')
  expect(await set(other.teamId, a, 'default')).toBe(0)
  await set(teamId, a, 'default')
  await set(teamId, b, 'default')
  expect(await manyTemplates(teamId)).toEqual([
    { id: b, name: 'B', isDefault: true },
    { id: a, name: 'A', isDefault: false },
  ])
  await set(teamId, a, 'none')
  await setJobDeleted(teamId, b, true)
  expect(await manyTemplates(teamId)).toEqual([])
})

test('what was deleted goes for good after its grace, and never what was accepted', async () => {
  const { teamId, put, named } = await team()
  const [old, accepted, late] = [await put('Old'), await put('Accepted'), await put('Late')]
  for (const id of [old, accepted, late]) await setJobDeleted(teamId, id, true)
  const age = (id: string, days: number) =>
    run('age', 'UPDATE job SET deleted_at = deleted_at - INTERVAL ? DAY WHERE id = ?', [days, id])
  await age(old, 31)
  await age(accepted, 400)
  await age(late, 29)
  await run(
    'share',
    'INSERT INTO share (token_digest, id, job_id, document_id, accepted_at) VALUES (?, UUID(), ?, ?, NOW())',
    ['d'.repeat(64), accepted, 'option-a'],
  )
  expect(await removeDeleted(30)).toBe(1)
  expect(await removeDeleted(30)).toBe(0)
  expect((await named({ shelf: 'bin' })).sort()).toEqual(['Accepted', 'Late'])
})
