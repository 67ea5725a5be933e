import { randomUUID } from 'node:crypto'
import { type ProgressChange } from '@/core/model/progress'
import { run, transaction } from '../database'
import { openTestDatabase } from '../testing'
import { countByStatus, jobsOnPage, manyJobs, manyTags, type ListQuery } from './job-list'
import { advanceStatus, changeProgress, manyTemplates, setJobArchived, setTemplate } from './job-progress'
import { insertJob, maybeOneJob, removeDeleted, setJobDeleted, storeSummary } from './jobs'
import { insertDesigner, insertTeam } from './people'

const close = await openTestDatabase()
afterAll(close)

const all: ListQuery = {
  search: '',
  shelf: 'open',
  status: null,
  tag: null,
  ownerId: null,
  isByNextStep: false,
  page: 0,
}

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
    (await manyJobs(teamId, { ...all, ...query })).map(({ name }) => name)
  return { teamId, designerId, put, named }
}

test('a search finds all of its words wherever they stand, short and common ones too, and what was typed as it is', async () => {
  const { put, named } = await team()
  await put('Okafor', { notes: 'Wants the battery in the garage; dog bites', tags: ['flat roof'] })
  await put('O’Brien', { nextStep: "Ring about O'Hara's meter" }, '20 Quarry Lane')
  await put('Third', { notes: '' }, '2 Quarry Lane')
  const found = async (search: string) => (await named({ search })).sort()
  expect(await found('battery garage')).toEqual(['Okafor'])
  expect(await found('garage BATT')).toEqual(['Okafor'])
  expect(await found('battery cellar')).toEqual([])
  expect(await found('the')).toEqual(['Okafor'])
  expect(await found('flat')).toEqual(['Okafor'])
  expect(await found('quarry 20')).toEqual(['O’Brien'])
  expect(await found('quarry')).toEqual(['O’Brien', 'Third'])
  expect(await found("o'hara")).toEqual(['O’Brien'])
  // Inside a word of a name or address only, where no index of words helps.
  expect(await found('uarry')).toEqual(['O’Brien', 'Third'])
  expect(await found('arage')).toEqual([])
  // Signs of the language of full-text search are signs like others.
  for (const search of ['+quarry -lane', '"quarry', 'quarry* >lane', '@', '~(', "'"])
    expect(Array.isArray(await found(search))).toBe(true)
  expect(await found('+quarry -lane')).toEqual(['O’Brien', 'Third'])
})

test('a search agrees with a slow one over seeded names, tags and notes', async () => {
  const { put, named } = await team()
  const words = ['elm', 'oak', 'roof', 'south', 'the', 'will', 'of', 'Ärger', 'garage', 'meter', '12', 'x']
  let seed = 7
  const random = () => (seed = (seed * 48271) % 2147483647) / 2147483647
  const some = (n: number) =>
    Array.from({ length: n }, () => words[Math.floor(random() * words.length)] ?? '')
  const jobs: { name: string; text: string }[] = []
  for (let k = 0; k < 60; k++) {
    const [name, notes, nextStep] = [`${k} ${some(2).join(' ')}`, some(4).join(' '), some(2).join(' ')]
    await put(name, { notes, nextStep }, 'Nowhere')
    jobs.push({ name, text: `${name} ${notes} ${nextStep}`.toLowerCase() })
  }
  for (let k = 0; k < 120; k++) {
    const search = some(1 + (k % 3))
      .join(' ')
      .toLowerCase()
    const parts = search.split(' ')
    const long = parts.filter((part) => part.length >= 3)
    const expected = jobs
      .filter(
        ({ name, text }) =>
          name.toLowerCase().includes(search) ||
          (long.length > 0 &&
            long.every((part) => text.split(' ').some((word) => word.startsWith(part))) &&
            parts.every((part) => text.includes(part))),
      )
      .map(({ name }) => name)
    expect({ search, found: (await named({ search })).sort() }).toEqual({ search, found: expected.sort() })
  }
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
  expect(await countByStatus(teamId)).toEqual({ offered: 2, lead: 1 })
  expect(await manyTags(teamId)).toEqual(['100%', 'flat', 'south', 'South-west'])
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
    `INSERT INTO job (id, team_id, name, address) VALUES ${Array.from({ length: count }, () => '(?, ?, ?, ?)').join(', ')}`,
    Array.from({ length: count }, (_, k) => [randomUUID(), teamId, `J${k}`, 'Elm Street']).flat(),
  )
  for (const search of ['', 'elm']) {
    const pages = await Promise.all([0, 1, 2, 3].map((page) => named({ search, page })))
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
  await advanceStatus(id, 'accepted')
  await advanceStatus(id, 'offered')
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
