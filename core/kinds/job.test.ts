import { faultIn } from '../model/fault-in'
import { defaultArray } from './array/array'
import { parseObject, parseObjects } from './documents'
import { parseJob } from './job'
import { countedTwice } from './losses/counted-twice'
import { defaultLosses } from './losses/losses'
import { defaultSite, siteVersion } from './site/site'
import { crownOf } from './tree/geometry'
import { broadleafTransmissivity } from './tree/tree'

const codeOf = (work: () => unknown) => {
  const fault = faultIn(work)
  return fault ? `${fault.code} ${fault.path}` : 'nothing'
}

test('a job of a newer format, and objects of a newer kind, are refused with what to do', () => {
  expect(codeOf(() => parseJob({ format: 'tall-gable-job', version: 99 }))).toBe('newer-version version')
  expect(codeOf(() => parseObject(defaultSite, 'house.site', { site: siteVersion + 1 }))).toBe(
    'newer-version house.site',
  )
})

test('faults carry the path to what is wrong', () => {
  expect(codeOf(() => parseObject({ ...defaultSite, latitudeDeg: 91 }, 'house.site'))).toBe(
    'bad-object house.site.latitudeDeg',
  )
  expect(codeOf(() => parseObject({ ...defaultSite, surprise: 1 }, 'house.site'))).toBe(
    'bad-object house.site',
  )
  expect(codeOf(() => parseObject({ kind: 'spaceship', id: 'a' }, 'house.a'))).toBe(
    'unknown-kind house.a.kind',
  )
  expect(codeOf(() => parseObjects({ other: defaultSite }, 'house', 'house'))).toBe(
    'wrong-key house.other.id',
  )
  expect(codeOf(() => parseObjects({ site: defaultSite }, 'option', 'options.0'))).toBe(
    'misplaced-object options.0.site',
  )
  expect(codeOf(() => parseJob('hello'))).toMatch(/^not-a-job/)
  expect(codeOf(() => parseObject({ ...defaultSite, timeZone: 'Mars/Olympus' }))).toBe('bad-object timeZone')
})

test('leaves turn with the hemisphere; a crown stands on its trunk', () => {
  expect(broadleafTransmissivity(41)[6]).toBeLessThan(broadleafTransmissivity(41)[0] ?? 0)
  expect(broadleafTransmissivity(-35)[6]).toBeGreaterThan(broadleafTransmissivity(-35)[0] ?? 0)
  const crown = crownOf({ heightM: 8, crownDiameterM: 5, clearStemM: 2 })
  expect(crown.centerM + crown.halfHeightM).toBe(8)
})

test('objects of older kinds are brought up to today’s', () => {
  const { albedoByMonth: _months, skyModel: _sky, ...oldSite } = defaultSite
  const site = parseObject({ ...oldSite, albedo: 0.3 }, 'house.site', { site: 1 })
  expect(site).toEqual({ ...defaultSite, albedoByMonth: new Array(12).fill(0.3) })
  const { snow: _snow, other: _other, ...oldLosses } = defaultLosses
  const losses = parseObject({ ...oldLosses, soiling: 0.04 }, 'option.losses', { losses: 1 })
  expect(losses).toEqual({ ...defaultLosses, soiling: new Array(12).fill(0.04) })
  const { liftM: _lift, ...oldArray } = {
    ...defaultArray,
    id: 'array-1',
    volumeId: 'volume-1',
    edgeIndex: 0,
  }
  expect(parseObject(oldArray, 'option.array-1', { array: 1 })).toMatchObject({ liftM: 0.12 })
  const open = { ...oldArray, mount: 'open' }
  expect(parseObject(open, 'option.array-1', { array: 2 })).toMatchObject({ liftM: 0.3 })
  // Today's form under yesterday's number is not taken for good.
  expect(codeOf(() => parseObject(oldLosses, 'option.losses', { losses: 2 }))).toMatch(
    /^bad-object option.losses/,
  )
})

test.each([
  ['Shading, horizon', 'shade'],
  ['module mismatch', 'mismatch'],
  ['Inverter clipping', 'clipping'],
  ['Thermal losses', 'heat'],
  ['IAM', 'reflection'],
  ['Hail', null],
  ['Manufacturing mismatch', null],
  ['Ageing of the first year', null],
])('an entered loss called “%s” would count %s twice', (name, model) => {
  expect(countedTwice(name)).toBe(model)
})
