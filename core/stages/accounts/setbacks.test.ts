import { shippedJobs } from '@/town/shipped-job'
import { freshGraph, job, option, runOf, set, without, worldOf } from '@/town/testing'
import { plainEnglish } from '@/words/plain-english'
import { saidCheck } from '@/words/said-check'
import { type Objects } from '../../kinds/documents'
import { defaultWalkway } from '../../kinds/walkway/walkway'
import { type Check } from '../../model/ledger'
import { type AnyObject } from '../../kinds/index'
import { frameOf, fromFrame } from '../../layout/plane-frame'
import { siteStage } from '../site'
import { setbackAccount } from './setbacks'

const graph = freshGraph()
const checks = async (house: Objects = job.house, objects: Objects = option): Promise<readonly Check[]> =>
  runOf(await worldOf(house, objects), graph).value(setbackAccount).checks
const siteOf = async (house: Objects = job.house, objects: Objects = option) =>
  runOf(await worldOf(house, objects), graph).value(siteStage)
const codes = (found: readonly Check[]) => found.map(({ code }) => code)
const cover = option['cover']
if (cover?.kind !== 'cover') throw new Error('the shipped job has one')

/** Rules of the job's own that ask for nothing but what is given. */
const own = (asks: object): AnyObject => ({
  id: 'rules-1',
  kind: 'rules',
  name: 'Own',
  authority: '',
  edgesM: { eave: 0, ridge: 0, hip: 0, valley: 0, rake: 0, wall: 0 },
  flatM: null,
  crowded: null,
  pathways: null,
  clearancesM: { chimney: 0, skylight: 0, fixture: 0, dormer: 0 },
  ...asks,
})
const under = (asks: object, objects: Objects = option, house: Objects = job.house) =>
  checks({ ...house, 'rules-1': own(asks) }, set(objects, 'cover', { rulesId: 'rules-1' }))

test('the shipped job keeps the rules of its town, and without rules nothing is asked', async () => {
  expect(cover.rulesId).toBe('pellworth-fire')
  expect(await checks()).toEqual([])
  const none = set(set(option, 'cover', { rulesId: null }), 'cover', {
    rulesId: null,
    setbacksM: { ...cover.setbacksM, ridge: 0 },
  })
  expect(await checks(job.house, none)).toEqual([])
})

test('rules that are gone are missed', async () => {
  expect(codes(await checks(job.house, set(option, 'cover', { rulesId: 'rules-9' })))).toEqual([
    'rules-missing',
  ])
})

test('a setback that all arrays share is told of once, with figure, limit and a remedy that mends it', async () => {
  const narrow = set(option, 'cover', { setbacksM: { ...cover.setbacksM, eave: 0.1 } })
  const [check, ...others] = await checks(job.house, narrow)
  expect(others).toEqual([])
  expect(check?.measured).toEqual({ figure: 0.1, limit: 0.3, unit: 'm' })
  expect(check?.objects).toEqual(['array-south', 'array-west'])
  expect(saidCheck(plainEnglish, check as Check).title).toBe('Eave setback is too narrow')
  const mended = set(narrow, 'cover', { setbacksM: check?.remedy?.set.value })
  expect(await checks(job.house, mended)).toEqual([])
})

test('a single edge that was drawn nearer is told of by itself', async () => {
  const drawn = set(option, 'array-south', { edgesM: { 'rake:0': 0.05 } })
  const [check, ...others] = await checks(job.house, drawn)
  expect(others).toEqual([])
  expect([check?.measured?.figure, check?.measured?.limit]).toEqual([0.05, 0.3])
  expect(check?.objects).toEqual(['array-south'])
  expect(await checks(job.house, set(drawn, 'array-south', { edgesM: check?.remedy?.set.value }))).toEqual([])
  // And its modules do lie nearer.
  const before = await siteOf()
  const after = await siteOf(job.house, drawn)
  const places = (site: typeof before) =>
    site.arrays.find(({ id }) => id === 'array-south')?.places.length ?? 0
  expect(places(after)).toBeGreaterThanOrEqual(places(before))
})

test('on a roof that is covered over the share the ridge is kept farther off', async () => {
  const asks = { edgesM: { eave: 0, ridge: 0.2, hip: 0, valley: 0, rake: 0, wall: 0 } }
  expect(await under({ ...asks, crowded: { overShare: 0.5, ridgeM: 0.9 } })).toEqual([])
  const [check] = await under({ ...asks, crowded: { overShare: 0.01, ridgeM: 0.9 } })
  expect(check?.measured).toEqual({ figure: 0.45, limit: 0.9, unit: 'm' })
})

test('on a flat roof the distance for flat roofs is mended, and pitched ones stay as they are', async () => {
  const flatHouse = shippedJobs['valdecorva-job.json']?.()
  const [first] = flatHouse?.options ?? []
  if (!flatHouse || !first) throw new Error('it is shipped')
  const house = { ...flatHouse.house, 'rules-1': own({ flatM: 0.9 }) }
  const laid = set(first.objects, 'cover', {
    rulesId: 'rules-1',
    setbacksM: { ...cover.setbacksM, eave: 0.3, flat: null },
  })
  const [check, ...others] = await checks(house, laid)
  expect(others).toEqual([])
  expect(check?.measured).toMatchObject({ limit: 0.9 })
  expect(check?.remedy?.set.value).toEqual({ ...cover.setbacksM, eave: 0.3, flat: 0.9 })
  expect(await checks(house, set(laid, 'cover', { setbacksM: check?.remedy?.set.value }))).toEqual([])
})

test('too little room around what stands on a plane with modules', async () => {
  const clearancesM = { chimney: 0.5, skylight: 0, fixture: 0, dormer: 0 }
  const found = await under({ clearancesM })
  expect(found.map(({ code, objects }) => [code, ...objects])).toEqual([['clearance-narrow', 'chimney-1']])
  expect(found[0]?.remedy?.set).toEqual({ id: 'chimney-1', field: 'clearanceM', value: 0.5 })
  // What stands where no modules are is nobody's business.
  expect(await under({ clearancesM }, without(without(option, 'array-south'), 'array-west'))).toEqual([])
})

describe('pathways', () => {
  // Without rakes and eaves kept free the plane is covered from side to side.
  const full = set(option, 'cover', {
    setbacksM: { eave: 0, ridge: 0, hip: 0, valley: 0, rake: 0, wall: 0, flat: null },
  })
  const asks = { pathways: { widthM: 0.9, planes: 0, besideArrays: true } }

  test('an array from rake to rake leaves none; a walkway drawn there does', async () => {
    const found = await under(asks, full)
    const south = found.find(({ objects }) => objects.includes('array-south'))
    expect(south?.code).toBe('pathway-beside')
    expect(south?.measured?.limit).toBe(0.9)
    expect(south?.measured?.figure).toBeLessThan(0.9)
    const site = await siteOf(job.house, full)
    const plane = site.arrays.find(({ id }) => id === 'array-south')?.margins?.plane
    if (!plane) throw new Error('it lies on one')
    // Beside the cross wing, where the plane goes down to its eave.
    const [x, y] = fromFrame(frameOf(plane), [9, 2])
    const walkway = { ...defaultWalkway, id: 'walkway-1', center: [x, y], widthM: 1 } as AnyObject
    const walked = await under(asks, full, { ...job.house, 'walkway-1': walkway })
    expect(walked.filter(({ objects }) => objects.includes('array-south'))).toEqual([])
  })

  test('on as many planes as are asked for, and no more than the roof has', async () => {
    expect(await under({ pathways: { widthM: 0.9, planes: 1, besideArrays: false } })).toEqual([])
    // Wider than any plane but one or two can be crossed by.
    const [check] = await under({ pathways: { widthM: 5, planes: 10, besideArrays: false } }, full)
    expect(check?.code).toBe('pathways-few')
    expect(check?.measured?.figure).toBeLessThan(check?.measured?.limit ?? 0)
    expect(saidCheck(plainEnglish, check as Check).message).not.toMatch(/[{}]/)
  })
})
