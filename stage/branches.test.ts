import { length3 } from '@/core/geometry/vector'
import { branchesOf, tubesOf } from './branches'

test('a bare tree stays inside its crown, hangs together, and is the same for the same seed', () => {
  for (let seed = 0; seed < 50; seed++) {
    const branches = branchesOf(seed)
    expect(branches.length).toBeGreaterThan(150)
    expect(branches.length).toBeLessThan(1500)
    const ends = new Set(branches.map(({ to }) => to))
    for (const { from, to } of branches) {
      expect(length3(to)).toBeLessThan(0.981)
      // Each starts at the trunk or where another ends.
      expect(ends.has(from) || (from[0] === 0 && from[1] === 0)).toBe(true)
    }
  }
  expect(branchesOf(3)).toEqual(branchesOf(3))
  expect(branchesOf(3)).not.toEqual(branchesOf(4))
})

test('tubes have three sides of two triangles to a branch', () => {
  const branches = branchesOf(1)
  const positions = tubesOf(branches, 0.02).getAttribute('position')
  expect(positions.count).toBe(branches.length * 18)
  expect(Array.from(positions.array).every(Number.isFinite)).toBe(true)
})
