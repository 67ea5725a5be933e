import { freshGraph, job, option, runOf, set, worldOf } from '@/town/testing'
import { defaultArray } from '../kinds/array/array'
import { ofKind, type Objects } from '../kinds/documents'
import { seededRandom } from '../model/random'
import { crossingsIn } from '../setbacks/crossings'
import { hasPathway } from '../setbacks/pathway'
import { panelsOf, type Site } from '../site/site'
import { siteStage } from '../stages/site'
import { keepPathways } from './keep-pathways'

const graph = freshGraph()
const base = await worldOf(job.house, option)
const siteOf = (house: Objects, objects: Objects): Site =>
  runOf({ ...base, house, option: objects }, graph).value(siteStage)
const ask = (planes: number, besideArrays = false, widthM = 0.9) => ({
  pathways: { widthM, planes, besideArrays },
})
const kept = (objects: Objects, rules: ReturnType<typeof ask>, house: Objects = job.house) => {
  let count = 0
  const before = siteOf(house, objects)
  const found = keepPathways(
    before,
    rules,
    (walkways) => siteOf({ ...house, ...Object.fromEntries(walkways.map((w) => [w.id, w])) }, objects),
    () => `walkway-new-${++count}`,
  )
  return { ...found, before }
}
/** Ways there are over the roof as it is laid. */
const waysOn = (site: Site, widthM = 0.9) =>
  crossingsIn(site).filter(({ crossed }) => hasPathway(crossed, widthM) === true).length
/** The two arrays without a module taken out and without setbacks, on planes that are then full. */
const full = Object.fromEntries(
  Object.entries(option).map(([id, object]) => [
    id,
    object.kind === 'array'
      ? { ...object, removed: [] }
      : object.kind === 'cover'
        ? {
            ...object,
            setbacksM: { eave: 0, ridge: 0, hip: 0, valley: 0, rake: 0, wall: 0, flat: null },
          }
        : object,
  ]),
)

test('a roof that has the pathways asked for gets no walkway, and one without modules needs none', () => {
  expect(kept(option, ask(1)).walkways).toEqual([])
  expect(kept(full, { ...ask(0) }).walkways).toEqual([])
  const bare = Object.fromEntries(Object.entries(full).filter(([, { kind }]) => kind !== 'array'))
  expect(kept(bare, ask(9, true)).walkways).toEqual([])
})

test('as many planes have a way as are asked for, and no other place on the plane leaves more modules', () => {
  const before = siteOf(job.house, full)
  const lacking = crossingsIn(before).filter(({ crossed }) => hasPathway(crossed, 0.9) === false)
  const there = waysOn(before)
  expect(lacking.length).toBeGreaterThan(0)
  const { walkways, site } = kept(full, ask(there + lacking.length))
  expect(walkways).toHaveLength(lacking.length)
  expect(waysOn(site)).toBe(there + lacking.length)
  expect(panelsOf(site).length).toBeLessThanOrEqual(panelsOf(before).length)
  // One place after the other on the planes that lack a way, half a metre apart.
  const one = kept(full, ask(there + 1))
  expect(one.walkways).toHaveLength(1)
  const [way] = one.walkways
  if (!way) throw new Error('there is one')
  let most = 0
  for (const crossing of lacking) {
    const [xs, ys] = [crossing.plane.corners.map((c) => c[0]), crossing.plane.corners.map((c) => c[1])]
    for (let x = Math.min(...xs); x <= Math.max(...xs); x += 0.5)
      for (let y = Math.min(...ys); y <= Math.max(...ys); y += 0.5) {
        const then = siteOf({ ...job.house, [way.id]: { ...way, center: [x, y] } }, full)
        if (waysOn(then) > there) most = Math.max(most, panelsOf(then).length)
      }
  }
  expect(most).toBeGreaterThan(0)
  expect(panelsOf(one.site).length).toBeGreaterThanOrEqual(most)
})

test('a way that is nearly there in the middle of a plane is made one', () => {
  const gabled = (lengthM: number): Objects => ({
    home: {
      id: 'home',
      kind: 'volume',
      name: 'Home',
      role: 'house',
      outline: [
        [0, 0],
        [lengthM, 0],
        [lengthM, 9],
        [0, 9],
      ],
      eaveHeightM: 3,
      edges: [{ pitchDeg: 30 }, { gable: true }, { pitchDeg: 30 }, { gable: true }],
      flat: null,
      overhang: { eaveM: 0, rakeM: 0 },
    },
  })
  const array = { ...defaultArray, id: 'only', volumeId: 'home', edgeIndex: 0, removed: [] }
  const lone = (removed: readonly string[]): Objects => ({
    ...Object.fromEntries(Object.entries(full).filter(([, { kind }]) => kind !== 'array')),
    only: { ...array, removed },
  })
  const cost = (lengthM: number, removed: readonly string[]) => {
    const { walkways, site, before } = kept(lone(removed), ask(0, true), gabled(lengthM))
    expect(walkways).toHaveLength(1)
    return panelsOf(before).length - panelsOf(site).length
  }
  const slots = panelsOf(siteOf(gabled(11.6), lone([]))).map(({ slot }) => slot)
  const column = slots.filter((slot) => slot.endsWith(':5'))
  expect(column.length).toBeGreaterThan(1)
  // A whole column is the price elsewhere.
  expect(cost(11.6, [])).toBe(column.length)
  expect(cost(11.6, column.slice(1))).toBe(1)
  // Eighty-three centimetres to spare are no way.
  expect(cost(12.36, [])).toBe(column.length)
})

test('beside every array means on each plane that has modules', () => {
  const { walkways, site, before } = kept(full, ask(0, true))
  const laid = (of: Site) => crossingsIn(of).filter(({ crossed }) => crossed.modules.length > 0)
  expect(laid(before).some(({ crossed }) => hasPathway(crossed, 0.9) === false)).toBe(true)
  expect(laid(site).every(({ crossed }) => hasPathway(crossed, 0.9) !== false)).toBe(true)
  expect(new Set(walkways.map(({ id }) => id)).size).toBe(walkways.length)
})

test('whatever width and number of ways rules ask for, they are there afterwards, and nothing is drawn in vain', () => {
  const random = seededRandom(77)
  let drawn = 0
  for (let round = 0; round < 25; round++) {
    const widthM = Math.round((0.4 + random() * 1.6) * 100) / 100
    const setback = Math.round(random() * 40) / 100
    const objects = set(full, 'cover', {
      setbacksM: {
        eave: setback,
        ridge: setback,
        hip: setback,
        valley: setback,
        rake: random() * 0.4,
        wall: 0,
        flat: null,
      },
    })
    const planes = Math.floor(random() * 6)
    const rules = ask(planes, random() < 0.5, widthM)
    const { walkways, site, before } = kept(objects, rules)
    const ways = crossingsIn(site).map(({ crossed }) => hasPathway(crossed, widthM))
    expect(ways.filter(Boolean).length).toBeGreaterThanOrEqual(
      Math.min(planes, ways.filter((way) => way !== null).length),
    )
    if (rules.pathways.besideArrays)
      for (const { crossed } of crossingsIn(site))
        expect(crossed.modules.length > 0 && hasPathway(crossed, widthM) === false).toBe(false)
    expect(waysOn(site, widthM)).toBe(waysOn(before, widthM) + walkways.length)
    // With them in place nothing is missing.
    const house = { ...job.house, ...Object.fromEntries(walkways.map((w) => [w.id, w])) }
    expect(kept(objects, rules, house).walkways).toEqual([])
    drawn += walkways.length
  }
  expect(drawn).toBeGreaterThan(10)
  expect(ofKind(job.house, 'walkway')).toEqual([])
})
