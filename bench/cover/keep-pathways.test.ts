import { ofKind, type Objects } from '@/core/kinds/documents'
import { panelsOf } from '@/core/site/site'
import { siteStage } from '@/core/stages/site'
import { freshGraph, job, option, runOf, set, worldOf } from '@/town/testing'
import { plainEnglish } from '@/words/plain-english'
import { DocumentStore, houseId } from '../store/documents'
import { editWithWays, houseWithWays, saidWays } from './keep-pathways'

const graph = freshGraph()
const base = await worldOf(job.house, option)
/** The shipped option under rules that ask for ways three metres wide beside every array. */
const wide: Objects = set(option, 'cover', { rulesId: 'rules-1' })
const rules = {
  id: 'rules-1',
  kind: 'rules',
  name: 'Wide ways',
  authority: '',
  edgesM: { eave: 0, ridge: 0, hip: 0, valley: 0, rake: 0, wall: 0 },
  flatM: null,
  crowded: null,
  pathways: { widthM: 3, planes: 0, besideArrays: true },
  clearancesM: { chimney: 0, skylight: 0, fixture: 0, dormer: 0 },
} as const
const house: Objects = { ...job.house, [rules.id]: rules }
const benchOf = (documents: DocumentStore) => ({
  documents,
  catalogue: base.catalogue,
  siteWith: (of: Objects, standing: Objects = documents.house) =>
    runOf({ ...base, house: standing, option: of }, graph).value(siteStage),
})

test('walkways that rules ask for are drawn with the option in one step, named, and taken back with it', () => {
  const documents = new DocumentStore({ [houseId]: house, 'option-a': wide }, ['option-a'])
  const bench = benchOf(documents)
  const ways = houseWithWays(bench, plainEnglish, wide)
  const drawn = ofKind(ways.house, 'walkway')
  expect(drawn).toHaveLength(ways.walkways)
  expect(ways.walkways).toBeGreaterThan(1)
  expect(drawn.map(({ name }) => name)).toEqual(
    drawn.map((_, k) => (k === 0 ? 'Walkway' : `Walkway ${k + 1}`)),
  )
  expect(drawn.every(({ widthM }) => widthM === 3)).toBe(true)
  const [before, after] = [bench.siteWith(wide), bench.siteWith(wide, ways.house)]
  expect(ways.fewer).toBe(panelsOf(before).length - panelsOf(after).length)
  expect(ways.fewer).toBeGreaterThan(0)
  expect(saidWays(plainEnglish, ways)).toBe(
    `${ways.walkways} walkways keep the pathways free that the rules ask for, in the place of ${ways.fewer} modules.`,
  )
  const { step, fault } = editWithWays(
    bench,
    'Lay',
    'option-a',
    set(wide, 'array-west', { gapM: 0.03 }),
    ways,
  )
  expect([fault, Object.keys(step?.changes ?? {})]).toEqual([null, [houseId, 'option-a']])
  // Nothing is missing any more.
  expect(houseWithWays(bench, plainEnglish, documents.document('option-a')).walkways).toBe(0)
  documents.undo()
  expect(documents.house).toEqual(house)
  expect(documents.document('option-a')).toEqual(wide)
})

test('without rules, or with rules that are gone, no walkway is drawn and there is nothing to tell', () => {
  for (const rulesId of [null, 'rules-9']) {
    const objects = set(option, 'cover', { rulesId })
    const documents = new DocumentStore({ [houseId]: house, 'option-a': objects }, ['option-a'])
    const ways = houseWithWays(benchOf(documents), plainEnglish, objects)
    expect(ways).toEqual({ house, walkways: 0, fewer: 0 })
    expect(saidWays(plainEnglish, ways)).toBe('')
  }
})
