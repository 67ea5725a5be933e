import { alteration, freshGraph, job, option, runOf, without, worldOf } from '@/town/testing'
import { explained } from '@/words/explained'
import { plainEnglish } from '@/words/plain-english'
import { alterationId, type Alteration } from '../kinds/alteration/alteration'
import { theOne, type Objects } from '../kinds/documents'
import { grown } from '../kinds/tree/tree'
import { summarise } from '../readers/summary'
import { alterationsIn, houseAsAltered } from './alterations'

const { house } = job
const tree = theOne(house, 'tree', 'tree-2')
const having = (...alterations: readonly Alteration[]): Objects => ({
  ...option,
  ...Object.fromEntries(alterations.map((one) => [one.id, one])),
})
const summaryOf = async (of: Objects, objects: Objects, graph = freshGraph()) => {
  const world = await worldOf(of, objects)
  return summarise(runOf(world, graph), world)
}
const shown = ({ times: _times, ...figures }: Awaited<ReturnType<typeof summaryOf>>) => ({
  panels: figures.panels,
  shadeBill: figures.shadeBill,
  values: figures.ledger.map(({ value }) => value),
})

test('a thing that is gone in an option leaves the figures of a house without it, and stays in the other option', async () => {
  const graph = freshGraph()
  const asItStands = await summaryOf(house, option, graph)
  const gone = await summaryOf(house, having(alteration), graph)
  const never = await summaryOf(without(house, tree.id), option)
  expect(shown(gone)).toEqual(shown(never))
  expect(shown(gone)).not.toEqual(shown(asItStands))
  expect(shown(await summaryOf(house, option, graph))).toEqual(shown(asItStands))
})

test('trimmed and grown are the tree with those measures; a trim above its top trims nothing', () => {
  const as = (fields: Partial<Alteration>) =>
    houseAsAltered({ house, option: having({ ...alteration, ...fields }) }).find(({ id }) => id === tree.id)
  expect(as({ what: 'trimmed', heightM: 3.2 })).toEqual({ ...tree, heightM: 3.2 })
  expect(as({ what: 'trimmed', heightM: tree.heightM + 5 })).toBe(tree)
  // Nor is it told of.
  for (const idle of [
    { what: 'trimmed', heightM: tree.heightM },
    { what: 'grown', years: 0 },
  ] as const)
    expect(alterationsIn({ house, option: having({ ...alteration, ...idle }) })).toEqual([])
  expect(as({ what: 'grown', years: 12 })).toEqual({ ...tree, ...grown(tree, 12) })
  expect(as({ what: 'gone' })).toBeUndefined()
  // Of two for the same tree one counts, and one is told of.
  const twice = having(
    { ...alteration, what: 'grown' },
    { ...alteration, id: 'as-later', what: 'trimmed', heightM: 3 },
  )
  expect(alterationsIn({ house, option: twice }).map(({ alteration: { id } }) => id)).toEqual(['as-later'])
  expect(houseAsAltered({ house, option: twice }).find(({ id }) => id === tree.id)).toEqual({
    ...tree,
    heightM: 3,
  })
})

test('what is of nothing, or of what cannot be so, counts for nothing', () => {
  const of = (id: string, what: Alteration['what']) => ({ ...alteration, id: alterationId(id), of: id, what })
  const objects = having(of('no-such-tree', 'gone'), of('volume-1', 'gone'), of('chimney-1', 'grown'))
  expect(alterationsIn({ house, option: objects })).toEqual([])
  expect(houseAsAltered({ house, option: objects })).toEqual(Object.values(house))
  expect(houseAsAltered({ house, option: having(of('chimney-1', 'gone')) }).map(({ id }) => id)).toEqual(
    Object.keys(house).filter((id) => id !== 'chimney-1'),
  )
})

test('the reason of the shade says what it takes to be otherwise', async () => {
  const { ledger } = await summaryOf(
    house,
    having(alteration, { ...alteration, id: 'as-other', of: 'tree-1', what: 'trimmed', heightM: 6 }),
  )
  const shade = ledger.find(({ id }) => id === 'shade')
  if (!shade) throw new Error('the ledger has shade')
  const said = explained(plainEnglish, shade).inputs.map(({ label }) => label)
  expect(said).toContain('tree-2: gone in this option')
  expect(said.some((name) => /^tree-1: trimmed to .*6/.test(name))).toBe(true)
})
