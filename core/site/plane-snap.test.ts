import { freshGraph, job, option, runOf, set, worldOf } from '@/town/testing'
import { frameOf, toFrame } from '../layout/plane-frame'
import { siteStage } from '../stages/site'
import { linesOnPlane, snappedOnPlane } from './plane-snap'

test('each way by itself to the nearest line in reach, with whichever side is nearest', () => {
  const lines = { u: [1, 5], v: [2] }
  const spans = { u: [-1, 1], v: [0] }
  // The right side at 4.9 goes to 5; up the slope nothing is near.
  expect(snappedOnPlane([0, 0], [3.9, 3], spans, lines, 0.3)).toEqual([expect.closeTo(4, 9), 3])
  expect(snappedOnPlane([0, 0], [3.4, 2.2], spans, lines, 0.3)).toEqual([3.4, expect.closeTo(2, 9)])
  expect(snappedOnPlane([1, 1], [0.5, 0.5], { u: [], v: [] }, lines, 9)).toEqual([0.5, 0.5])
})

test('lines are those of level and upright edges at their setbacks, the middle, and of modules of others there', async () => {
  const rows = {
    part: { is: 'rows', at: [10, 1], counts: [2], align: 'left' },
    removed: [],
  }
  const other = { ...option['array-south'], id: 'array-2' }
  const objects = { ...set(option, 'array-south', rows), 'array-2': other } as typeof option
  const site = runOf(await worldOf(job.house, objects), freshGraph()).value(siteStage)
  const own = site.arrays.find(({ id }) => id === 'array-south')
  const filled = site.arrays.find(({ id }) => id === 'array-2')
  if (!own?.margins || !filled) throw new Error('both are laid')
  expect(filled.panels.length).toBeGreaterThan(0)
  expect(own.panels.length).toBe(2)
  const lines = linesOnPlane(site, 'array-south')
  const frame = frameOf(own.margins.plane)
  const near = (values: readonly number[], value: number) => values.some((v) => Math.abs(v - value) < 1e-6)
  // The eave lies at 0 and keeps the first setback.
  const eave = own.margins.plane.edges.findIndex(({ kind }) => kind === 'eave')
  expect(near(lines.v, own.margins.setbacksM[eave] ?? NaN)).toBe(true)
  const [u, v] = toFrame(frame, filled.panels[0]?.corners[0] ?? [0, 0, 0])
  expect(near(lines.u, u)).toBe(true)
  expect(near(lines.u, u - own.margins.gapM)).toBe(true)
  expect(near(lines.v, v)).toBe(true)
  // Its own modules are none to hold on to.
  const [mine] = toFrame(frame, own.panels[0]?.corners[0] ?? [0, 0, 0])
  expect(linesOnPlane(site, 'array-2').u.some((value) => Math.abs(value - mine) < 1e-6)).toBe(true)
  expect(linesOnPlane(site, 'tree-1')).toEqual({ u: [], v: [] })
})
