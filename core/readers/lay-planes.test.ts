import { freshGraph, job, option, runOf, worldOf } from '@/town/testing'
import { type PanelArray } from '../kinds/array/array'
import { ofKind, type Objects } from '../kinds/documents'
import { type Site } from '../site/site'
import { siteStage } from '../stages/site'
import { defaultWalkway, type Walkway } from '../kinds/walkway/walkway'
import { layPlanes } from './lay-planes'

const graph = freshGraph()
const base = await worldOf(job.house, option)
const arrays = ofKind(option, 'array').map((array) => ({ ...array, removed: [] }))
const bare = Object.fromEntries(Object.entries(option).filter(([, { kind }]) => kind !== 'array'))
const siteWith = (some: readonly PanelArray[], ways: Objects | null): Site =>
  runOf(
    {
      ...base,
      house: { ...job.house, ...ways },
      option: { ...bare, ...Object.fromEntries(some.map((array) => [array.id, array])) },
    },
    graph,
  ).value(siteStage)
const on = (site: Site, id: string) => site.arrays.find((array) => array.id === id)?.panels.length ?? 0
const none = () => ({})
const whole = siteWith(arrays, null)
const [south, west] = [on(whole, 'array-south'), on(whole, 'array-west')]
/** A way over the middle of the modules of the western plane. */
const overWest = (): Objects => {
  const corners = whole.arrays.find(({ id }) => id === 'array-west')?.panels.flatMap((p) => p.corners) ?? []
  const mean = (k: 0 | 1) => corners.reduce((sum, c) => sum + c[k], 0) / corners.length
  const way: Walkway = { ...defaultWalkway, id: 'walkway-1', center: [mean(0), mean(1)] }
  return { [way.id]: way }
}

test('planes with room for a string are filled, others stay empty and are told of', () => {
  expect(south).toBeGreaterThan(west)
  expect(west).toBeGreaterThan(1)
  const all = layPlanes(arrays, siteWith, none, west)
  expect(all?.laid.map(({ id }) => id).sort()).toEqual(['array-south', 'array-west'])
  expect([all?.modules, all?.left, all?.modulesLeft]).toEqual([south + west, [], 0])
  const some = layPlanes(arrays, siteWith, none, west + 1)
  expect(some?.laid.map(({ id }) => id)).toEqual(['array-south'])
  expect([some?.modules, some?.left.map(({ id }) => id), some?.modulesLeft]).toEqual([
    south,
    ['array-west'],
    west,
  ])
})

test('where no plane has a string all are laid; where nothing fits there is nothing', () => {
  const all = layPlanes(arrays, siteWith, none, 999)
  expect([all?.modules, all?.left]).toEqual([south + west, []])
  expect(layPlanes([], siteWith, none, 1)).toBeNull()
})

test('a plane that a way leaves less than a string stays empty, and ways are looked for anew without it', () => {
  const asked: string[][] = []
  const ways = (some: readonly PanelArray[]) => {
    asked.push(some.map(({ id }) => id).sort())
    return some.some(({ id }) => id === 'array-west') ? overWest() : {}
  }
  const rest = on(siteWith(arrays, overWest()), 'array-west')
  expect(rest).toBeLessThan(west)
  const found = layPlanes(arrays, siteWith, ways, west)
  expect(asked).toEqual([['array-south', 'array-west'], ['array-south']])
  expect(found?.laid.map(({ id }) => id)).toEqual(['array-south'])
  expect([found?.modules, found?.modulesLeft, found?.ways]).toEqual([south, west, {}])
  // With a shorter string it stays, with what it has room for.
  const both = layPlanes(arrays, siteWith, ways, Math.max(1, rest))
  expect(both?.modules).toBe(south + rest)
})

test('a plane that a way takes whole is told of by itself, and where ways take all nothing is laid', () => {
  const way = ofKind(overWest(), 'walkway')[0]
  if (!way) throw new Error('there is one')
  const wholeWest = { [way.id]: { ...way, widthM: 5 } }
  expect(on(siteWith(arrays, wholeWest), 'array-west')).toBe(0)
  const ways = (some: readonly PanelArray[]) => (some.some(({ id }) => id === 'array-west') ? wholeWest : {})
  for (const fewest of [1, west, 999]) {
    const found = layPlanes(arrays, siteWith, ways, fewest)
    expect(found?.laid.map(({ id }) => id)).toEqual(['array-south'])
    expect(found?.emptied.map(({ id }) => id)).toEqual(['array-west'])
    expect([found?.modules, found?.left, found?.ways]).toEqual([south, [], {}])
  }
  const westAlone = arrays.filter(({ id }) => id === 'array-west')
  expect(layPlanes(westAlone, siteWith, ways, 1)).toBeNull()
})
