import fc from 'fast-check'
import { crownOf } from './geometry'
import { treeKind } from './kind'
import {
  broadleafTransmissivity,
  defaultTree,
  foliages,
  grown,
  inLeaf,
  leafSeason,
  transmissivityOf,
  treeSchema,
  usualTrees,
  type Tree,
} from './tree'

const oak: Tree = {
  ...defaultTree,
  id: 'tree-1',
  name: 'Oak',
  center: [0, 0],
  transmissivity: broadleafTransmissivity(41.6),
}

test('what each sort begins with is allowed, and has a crown above its stem', () => {
  for (const foliage of foliages) {
    const tree = { ...oak, foliage, ...usualTrees[foliage], transmissivity: transmissivityOf(foliage, -35) }
    expect(treeSchema.safeParse(tree).success).toBe(true)
    const { centerM, halfHeightM } = crownOf(tree)
    expect(centerM - halfHeightM).toBeCloseTo(tree.clearStemM, 9)
    expect(centerM + halfHeightM).toBeCloseTo(tree.heightM, 9)
  }
})

test('a stem higher than the tree leaves the crown a tenth of the height', () => {
  const { centerM, halfHeightM } = crownOf({ heightM: 8, crownDiameterM: 4, clearStemM: 20 })
  expect([centerM + halfHeightM, 2 * halfHeightM]).toEqual([expect.closeTo(8, 9), expect.closeTo(0.8, 9)])
})

test('a tree of the version before keeps its shape: a stem of a quarter of its height', () => {
  const { clearStemM, foliage, ...before } = { ...oak, heightM: 10 }
  expect([clearStemM, foliage]).toEqual([2, 'broadleaf'])
  const [migrate] = treeKind.migrations
  const after = treeSchema.parse(migrate?.(before))
  expect(after).toEqual({ ...before, clearStemM: 2.5, foliage: 'broadleaf' })
})

test('it grows by its sort and shrinks back, and stays a tree that is allowed', () => {
  expect(grown({ ...oak, heightM: 8, crownDiameterM: 5, clearStemM: 2 }, 10)).toEqual({
    heightM: 11.5,
    crownDiameterM: 8,
    clearStemM: 2,
  })
  const palm: Tree = { ...oak, foliage: 'palm', ...usualTrees.palm }
  expect(grown(palm, 10)).toEqual({ heightM: 11, crownDiameterM: 4, clearStemM: 9 })
  fc.assert(
    fc.property(
      fc.constantFrom(...foliages),
      fc.double({ min: 0.5, max: 60, noNaN: true }),
      fc.double({ min: 0, max: 60, noNaN: true }),
      fc.double({ min: -500, max: 500, noNaN: true }),
      (foliage, heightM, clearStemM, years) => {
        const later = { ...oak, foliage, ...grown({ ...oak, foliage, heightM, clearStemM }, years) }
        expect(treeSchema.safeParse(later).error?.issues ?? []).toEqual([])
      },
    ),
    { seed: 14, numRuns: 2000 },
  )
})

test('the season in leaf is read from the months and set again, round the turn of the year too', () => {
  expect(leafSeason(broadleafTransmissivity(41))).toEqual({ from: 4, to: 9 })
  expect(leafSeason(broadleafTransmissivity(-35))).toEqual({ from: 10, to: 3 })
  expect(leafSeason(transmissivityOf('conifer', 41))).toBeNull()
  for (let from = 0; from < 12; from++)
    for (let to = 0; to < 12; to++) {
      const months = inLeaf(broadleafTransmissivity(41), from, to)
      const all = (to - from + 12) % 12 === 11
      expect(leafSeason(months)).toEqual(all ? null : { from, to })
      expect(months.filter((share) => share === 0.2)).toHaveLength(((to - from + 12) % 12) + 1)
    }
})

test('its grips set height, clear stem and crown', () => {
  const { standing } = treeKind
  const grips = standing?.handles(oak, standing.build(standing.shape(oak), null)) ?? []
  const drag = (name: string, heightM: number, at: [number, number] | null) => {
    const grip = grips.find((handle) => handle.name === name)
    return grip && standing?.drag(oak, grip, { heightM, at })
  }
  expect(drag('tree-top', 9.5, null)).toEqual({ heightM: 9.5 })
  expect(drag('clear-stem', 3, null)).toEqual({ clearStemM: 3 })
  expect(drag('clear-stem', 30, null)).toEqual({ clearStemM: 8 })
  expect(drag('crown', 0, [3, 4])).toEqual({ crownDiameterM: 10 })
})
