import { randomUUID } from 'node:crypto'
import { withObject } from '@/bench/store/documents'
import { ownInverterSchema } from '@/core/kinds/own-inverter/own-inverter'
import { ownModuleSchema } from '@/core/kinds/own-module/own-module'
import { changeBetween } from '@/core/model/change'
import { Fault } from '@/core/model/fault'
import { summarise } from '@/core/readers/summary'
import { proposalData } from '@/proposal/proposal-data'
import { catalogue } from '@/town/equipment'
import { freshGraph, job, madeUp, rack, runOf, set, worldOf } from '@/town/testing'
import { closeCompute, figuresOf, readWeather } from './compute/compute'
import { Lane } from './compute/lane'
import { transaction } from './database'
import { designInput } from './design-input'
import { createJob, saveEdits } from './jobs'
import { offerAt, offersOf, proposalIn, sendOffer, withdrawOffer } from './offers'
import { letterheadOf, setLetterhead } from './letterhead'
import { setJobDeleted } from './sql/jobs'
import { insertDesigner, insertTeam, type Member } from './sql/people'
import { openTestDatabase, openTestWorld } from './testing'
import { importJob } from './weather'

process.env['SESSION_SECRET'] = 'x'.repeat(64)
const close = [await openTestDatabase(), await openTestWorld()]
afterAll(async () => {
  await closeCompute()
  for (const end of close) await end()
})

const me: Member = { id: randomUUID(), teamId: randomUUID(), name: 'Ada', role: 'designer' }
await transaction('people', async (runner) => {
  await insertTeam(me.teamId, 'Team', runner)
  await insertDesigner(me.id, me.teamId, me.name, runner)
})
const option = job.options[0]?.objects ?? {}
const [sheet] = catalogue.modules
if (!sheet) throw new Error('the catalogue has modules')
const ownModule = ownModuleSchema.parse({ ...sheet, id: 'module-own', kind: 'own-module' })
const [device] = catalogue.inverters
if (!device) throw new Error('the catalogue has inverters')
const ownInverter = ownInverterSchema.parse({ ...device, id: 'inverter-own', kind: 'own-inverter' })
const visit = madeUp['visit-1']
const tokenOf = (path: string) => path.replace('/offer/', '')
const narrow = (memoryMb: number) =>
  new Lane({ name: 'test', file: 'compute.mjs', threads: 1, mostWaiting: 1, memoryMb })
const codeOf = (work: Promise<unknown>) =>
  work.then(
    () => 'done',
    (error: unknown) => {
      if (error instanceof Fault) return error.code
      throw error
    },
  )
const edited = (jobId: string, documentId: string, from: typeof option, to: typeof option) =>
  saveEdits({ who: me, screenId: null, since: 0 }, jobId, [
    { id: randomUUID(), documentId, change: changeBetween(from, to) },
  ])

test('what was sent stays as it was sent, whatever becomes of job and option; the list says that it is old', async () => {
  const id = await createJob(me.teamId, job)
  const token = tokenOf(await sendOffer(me, id, 'option-a'))
  const sent = await proposalIn((await offerAt(token)).body)
  // To the last bit what the chain gives here.
  const world = await worldOf(job.house, option)
  const run = runOf(world, freshGraph())
  expect(sent).toEqual({
    ...JSON.parse(JSON.stringify(proposalData(job.name, world, run, summarise(run, world)))),
    inputs: expect.stringMatching(/^[0-9a-f]{64}$/) as string,
    letterhead: await letterheadOf(me.teamId),
  })
  expect(await offersOf(me.teamId, id)).toMatchObject([
    { optionId: 'option-a', by: 'Ada', seen: 0, withdrawn: false, outdated: false, path: `/offer/${token}` },
  ])
  await edited(id, 'house', job.house, set(job.house, 'tree-1', { heightM: 20 }))
  await setLetterhead(
    { ...me, place: 'here' },
    { ...(await letterheadOf(me.teamId)), name: 'By another name' },
  )
  expect(await offersOf(me.teamId, id)).toMatchObject([{ outdated: true }])
  // As it was, and with what no figure rests on: the same offer.
  const taller = set(job.house, 'tree-1', { heightM: 20 })
  await edited(id, 'house', taller, { ...job.house, [visit.id]: visit })
  expect(await offersOf(me.teamId, id)).toMatchObject([{ outdated: false }])
  await edited(id, 'house', job.house, set(job.house, 'tree-1', { name: 'Beech' }))
  expect(await offersOf(me.teamId, id)).toMatchObject([{ outdated: true }])
  await edited(id, 'option-a', option, {})
  await setJobDeleted(me.teamId, id, true)
  expect(await proposalIn((await offerAt(token)).body)).toEqual(sent)
}, 60_000)

test('what the job has brought itself can be laid and wired', async () => {
  const id = await createJob(me.teamId, job)
  const laid = set(set(option, 'cover', { moduleId: ownModule.id }), 'electrical', {
    inverterId: ownInverter.id,
  })
  expect(await codeOf(edited(id, 'option-a', option, laid))).toBe('unknown-equipment')
  const house = { ...job.house, [ownModule.id]: ownModule, [ownInverter.id]: ownInverter }
  await edited(id, 'house', job.house, house)
  await edited(id, 'option-a', option, laid)
  await createJob(me.teamId, { ...job, house, options: [{ id: 'option-a', objects: laid }] })
}, 60_000)

test('an option without what it needs, or with equipment that nobody sells, is refused when it is saved', async () => {
  const id = await createJob(me.teamId, job)
  const { cover: _cover, ...bare } = option
  expect(await codeOf(edited(id, 'option-a', option, bare))).toBe('missing-object')
  expect(await codeOf(edited(id, 'option-a', option, set(option, 'cover', { moduleId: 'nope' })))).toBe(
    'unknown-equipment',
  )
  expect(
    await codeOf(
      createJob(me.teamId, {
        ...job,
        options: [{ id: 'option-a', objects: set(option, 'electrical', { inverterId: 'nope' }) }],
      }),
    ),
  ).toBe('unknown-equipment')
  expect(await codeOf(sendOffer(me, id, 'option-a'))).toBe('done')
}, 60_000)

test('an offer is withdrawn and sent again; links are not to be guessed', async () => {
  const id = await createJob(me.teamId, job)
  const token = tokenOf(await sendOffer(me, id, 'option-b'))
  const [offer] = await offersOf(me.teamId, id)
  if (!offer) throw new Error('it was sent')
  await withdrawOffer(me.teamId, id, offer.id, true)
  expect(await codeOf(offerAt(token))).toBe('offer-withdrawn')
  expect(await codeOf(withdrawOffer(randomUUID(), id, offer.id, false))).toBe('no-such-offer')
  await withdrawOffer(me.teamId, id, offer.id, false)
  expect(await codeOf(offerAt(token))).toBe('done')
  expect(await codeOf(offerAt(`${token.slice(1)}x`))).toBe('no-such-offer')
  expect(await codeOf(offerAt("' OR 1=1 --"))).toBe('no-such-offer')
  expect(await codeOf(sendOffer(me, id, 'option-z'))).toBe('no-such-option')
  expect(await codeOf(sendOffer({ ...me, teamId: randomUUID() }, id, 'option-a'))).toBe('no-such-job')
}, 60_000)

test('a job that is too much for a thread is refused before it is begun; the next one is served', async () => {
  const tree = job.house['tree-1']
  if (tree?.kind !== 'tree') throw new Error('the shipped job has a tree')
  let house = job.house
  for (let k = 0; k < 300; k++) {
    const [x, y] = [((k * 37) % 120) - 60, ((k * 53) % 110) - 60]
    house = withObject(house, `tree-x${k}`, { ...tree, id: `tree-x${k}`, center: [x, y] })
  }
  const rackAt = (id: string, x: number) => ({
    ...rack,
    id,
    center: [x, -60] as const,
    rows: 40,
    columns: 60,
  })
  const crowded = { ...option, 'rack-1': rackAt('rack-1', -60), 'rack-2': rackAt('rack-2', 120) }
  const begin = performance.now()
  expect(await codeOf(designInput(me.teamId, house, crowded).then((input) => figuresOf(input)))).toBe(
    'too-much-shade',
  )
  expect(performance.now() - begin).toBeLessThan(30_000)
  expect((await figuresOf(await designInput(me.teamId, job.house, option))).summary.kilowatts).toBeCloseTo(
    7.14,
    6,
  )
}, 60_000)

test('whoever does not wait any longer frees the thread', async () => {
  const gone = new AbortController()
  const input = await designInput(me.teamId, set(job.house, 'tree-1', { heightM: 7 }), option)
  const work = codeOf(figuresOf(input, gone.signal))
  gone.abort()
  expect(await work).toBe('given-up')
  expect((await figuresOf(input)).summary.kilowatts).toBeGreaterThan(6)
}, 60_000)

test('files are read in a thread; what is wrong with them comes back as it is, and nothing is stored', async () => {
  const bytes = (text: string) => new TextEncoder().encode(text)
  expect(await codeOf(readWeather(bytes('time,ghi\n2023-01-01 00:00,1\n')))).toMatch(/^[a-z-]+$/)
  expect(await codeOf(importJob(me.teamId, bytes('{"format":')))).toBe('not-json')
  expect(await codeOf(importJob(me.teamId, bytes('{"format":"\\ud800"}')))).toBe('broken-text')
  expect(await codeOf(importJob(me.teamId, bytes('{"format":"else"}')))).toBe('not-a-job')
}, 60_000)

test('a task that takes too long, too much, or comes when too many wait, is given up with its reason', async () => {
  const input = await designInput(me.teamId, set(job.house, 'tree-1', { heightM: 8 }), option)
  const lane = narrow(1500)
  expect(await codeOf(lane.run('figures', input, { ms: 20 }))).toBe('too-heavy')
  const codes = await Promise.all(
    Array.from({ length: 4 }, () => codeOf(lane.run('figures', input, { ms: 30_000 }))),
  )
  expect(codes.filter((code) => code === 'server-busy')).toHaveLength(2)
  expect(codes.filter((code) => code === 'done')).toHaveLength(2)
  // What waits behind a task that is given up is served, though its thread went with it.
  const gone = new AbortController()
  const given = codeOf(lane.run('figures', input, { ms: 30_000, signal: gone.signal }))
  const waiting = codeOf(lane.run('figures', input, { ms: 30_000 }))
  gone.abort()
  expect(await Promise.all([given, waiting])).toEqual(['given-up', 'done'])
  await lane.close()
}, 60_000)

test.each([
  ['over its task', 12],
  ['while it loads', 4],
])(
  'a thread that runs out of memory %s answers too-heavy each time, and takes nothing else down',
  async (_when, memoryMb) => {
    const input = await designInput(me.teamId, job.house, option)
    const lane = narrow(memoryMb)
    for (let k = 0; k < 3; k++) {
      expect(await codeOf(lane.run('figures', input, { ms: 10_000 }))).toBe('too-heavy')
    }
    await lane.close()
  },
  60_000,
)
