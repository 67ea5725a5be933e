import fc from 'fast-check'
import { buildRoof } from '../../roof/roof'
import { volumeCorners } from './corners'
import { type RoofEdge, type Volume } from './volume'

const house: Volume = {
  id: 'volume-1',
  kind: 'volume',
  name: 'House',
  role: 'house',
  flat: null,
  outline: [
    [0, 0],
    [12, 0],
    [12, 8],
    [7, 8],
    [7, 5],
    [0, 5],
  ],
  edges: [30, 31, 32, 33, 34, 35].map((pitchDeg): RoofEdge => ({ pitchDeg })),
  eaveHeightM: 3,
}

const sides = fc.integer({ min: 0, max: 5 })

test('a corner set in and taken out again leaves the outline as it was, and every side its number', () => {
  fc.assert(
    fc.property(sides, fc.double({ min: 0.1, max: 0.9, noNaN: true }), (side, share) => {
      const [a, b] = [house.outline[side], house.outline[(side + 1) % 6]]
      if (!a || !b) throw new Error('a side has two ends')
      const at = [a[0] + share * (b[0] - a[0]), a[1] + share * (b[1] - a[1])] as const
      const more = volumeCorners.insert(house, side, at)
      const bigger: Volume = { ...house, ...more.fields }
      expect(bigger.outline).toHaveLength(7)
      // Every side keeps its edge, and its plane its number.
      house.edges.forEach((edge, old) => expect(bigger.edges[more.sideAfter(old)]).toBe(edge))
      const less = volumeCorners.remove(bigger, side + 1)
      expect({ ...bigger, ...less?.fields }).toEqual(house)
      house.edges.forEach((_, old) => expect(less?.sideAfter(more.sideAfter(old))).toBe(old))
      // What lies on the new half goes back to the side it came from.
      expect(less?.sideAfter(side + 1)).toBe(side)
    }),
    { seed: 21, numRuns: 200 },
  )
})

test('planes keep their pitch under their new numbers when a corner goes', () => {
  // The notch goes: its corner (7, 5) out, then (7, 8).
  const less = volumeCorners.remove(house, 4)
  const cut: Volume = { ...house, ...less?.fields }
  const { planes } = buildRoof(cut)
  for (const old of [0, 1, 2, 3, 5])
    expect(planes.find(({ edgeIndex }) => edgeIndex === less?.sideAfter(old))?.pitchDeg).toBeCloseTo(
      30 + old,
      6,
    )
  // The first corner out: the last side goes on to the second corner, and keeps its edge.
  const first = volumeCorners.remove(house, 0)
  expect(first?.fields.outline?.[0]).toEqual([12, 0])
  expect(first?.fields.edges?.at(-1)).toEqual({ pitchDeg: 35 })
  expect([0, 1, 5].map((old) => first?.sideAfter(old))).toEqual([4, 0, 4])
})

test('a triangle keeps its corners', () => {
  const triangle = { ...house, outline: house.outline.slice(0, 3), edges: house.edges.slice(0, 3) }
  expect(volumeCorners.remove(triangle, 1)).toBeNull()
})
