import fc from 'fast-check'
import { freshGraph, job, option, runOf, worldOf } from '@/town/testing'
import { distance2, type Vec2 } from '../../geometry/vector'
import { nearestOnSegment } from '../../geometry/polygon'
import { shadeBillStage } from '../../stages/shade-bill'
import { barrierSchema, barrierUses, usualBarriers, type Barrier } from './barrier'
import { barrierGeometry } from './geometry'
import { barrierKind } from './kind'

const fence: Barrier = {
  ...usualBarriers.fence,
  id: 'barrier-1',
  kind: 'barrier',
  name: 'Fence',
  use: 'fence',
  points: [
    [0, 0],
    [4, 0],
    [4, 3],
  ],
}

const blocks = (of: Barrier, [x, y]: Vec2, z: number) =>
  barrierGeometry(of).solids.some(({ faces }) => {
    for (let k = 0; k < faces.length; k += 4) {
      const [nx = 0, ny = 0, nz = 0, c = 0] = faces.subarray(k, k + 4)
      if (nx * x + ny * y + nz * z > c + 1e-9) return false
    }
    return true
  })

test('the usual measures of every use are allowed; a line of one end is not', () => {
  for (const use of barrierUses)
    expect(barrierSchema.safeParse({ ...fence, use, ...usualBarriers[use] }).success).toBe(true)
  expect(barrierSchema.safeParse({ ...fence, points: [[0, 0]] }).success).toBe(false)
})

test('what lies within half its thickness of its line is solid up to its height, at corners too, and nothing a thickness away', () => {
  const coordinates = fc.double({ min: -20, max: 20, noNaN: true })
  const ways = fc.array(fc.tuple(coordinates, coordinates), { minLength: 2, maxLength: 6 })
  const unit = fc.double({ min: 0, max: 1, noNaN: true })
  fc.assert(
    fc.property(ways, unit, unit, coordinates, coordinates, (points, share, aside, px, py) => {
      const hedge: Barrier = { ...fence, points, thicknessM: 0.8, heightM: 2 }
      const k = Math.min(points.length - 2, Math.floor(share * (points.length - 1)))
      const [a, b]: readonly Vec2[] = points.slice(k)
      if (!a || !b) return
      if (distance2(a, b) < 0.01) return
      const along = share * (points.length - 1) - k
      const [dx, dy] = [(b[0] - a[0]) / distance2(a, b), (b[1] - a[1]) / distance2(a, b)]
      const off = (aside - 0.5) * 0.79
      const at: Vec2 = [a[0] + (b[0] - a[0]) * along - dy * off, a[1] + (b[1] - a[1]) * along + dx * off]
      expect(blocks(hedge, at, 1)).toBe(true)
      expect(blocks(hedge, at, 2.01)).toBe(false)
      const nearest = Math.min(
        ...points.slice(1).map((q, i) => nearestOnSegment(points[i] ?? q, q, [px, py]).distanceM),
      )
      // The outer corner of a joint lies at most half a thickness times the root of two away.
      if (nearest > 0.4 * Math.SQRT2 + 1e-6) expect(blocks(hedge, [px, py], 1)).toBe(false)
    }),
    { seed: 13, numRuns: 3000 },
  )
})

test('a corner is dragged by itself, the top lifts all of it, and it is moved as a whole', () => {
  const { standing } = barrierKind
  if (!standing?.move) throw new Error('a fence stands and is moved')
  const grips = standing.handles(fence, barrierGeometry(fence))
  expect(grips.map(({ name }) => name)).toEqual([
    'barrier-corner',
    'barrier-corner',
    'barrier-corner',
    'new-corner',
    'new-corner',
    'barrier-top',
  ])
  const [, corner] = grips
  const top = grips.at(-1)
  if (!corner || !top) throw new Error('grips')
  expect(standing.drag(fence, corner, { heightM: 0, at: [5, 1] })).toEqual({
    points: [
      [0, 0],
      [5, 1],
      [4, 3],
    ],
  })
  expect(standing.drag(fence, corner, { heightM: 0, at: null })).toEqual({})
  expect(standing.drag(fence, top, { heightM: 2.5, at: null })).toEqual({ heightM: 2.5 })
  expect(standing.move.to(fence, [12, 11.5])).toEqual({
    points: [
      [10, 10],
      [14, 10],
      [14, 13],
    ],
  })
})

test('a tall wall before the modules has a line of its own in the shade bill', async () => {
  const graph = freshGraph()
  const wall: Barrier = {
    ...fence,
    use: 'wall',
    heightM: 9,
    points: [
      [-12, -9],
      [12, -9],
    ],
  }
  const { casters } = runOf(await worldOf({ ...job.house, 'barrier-1': wall }, option), graph).value(
    shadeBillStage,
  )
  expect(casters.find(({ id }) => id === 'barrier-1')?.kwh).toBeGreaterThan(20)
})
