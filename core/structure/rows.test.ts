import { seededRandom } from '../model/random'
import { type Vec2 } from '../geometry/vector'
import { rowsOf, turned } from './rows'

const box = (x: number, y: number, w: number, h: number): Vec2[] => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
]

test('modules side by side are one run; a gap of a vent makes two', () => {
  const { turn, runs } = rowsOf([
    box(0, 0, 1.1, 1.7),
    box(2.24, 0, 1.1, 1.7),
    box(1.12, 0, 1.1, 1.7),
    box(4, 0, 1.1, 1.7),
  ])
  expect(turn).toBeCloseTo(0, 12)
  expect(runs.map(({ fromM, toM, gaps }) => [fromM, Number(toM.toFixed(9)), gaps.length])).toEqual([
    [0, 3.34, 2],
    [4, 5.1, 0],
  ])
})

test('modules of other heights or starts have rails of their own', () => {
  const { runs } = rowsOf([box(0, 0, 1.1, 1.7), box(1.12, 0, 1.7, 1.1), box(0, 1.72, 1.1, 1.7)])
  expect(runs).toHaveLength(3)
  expect(rowsOf([])).toEqual({ turn: 0, runs: [] })
})

test('three hundred seeded arrays, turned any way: every module is in one run, rails nearer level than not', () => {
  const random = seededRandom(31)
  for (let k = 0; k < 300; k++) {
    const angle = random() * 2 * Math.PI
    const [columns, rows] = [1 + Math.floor(random() * 6), 1 + Math.floor(random() * 4)]
    const modules = Array.from({ length: columns * rows }, (_, i) =>
      box((i % columns) * 1.12, Math.floor(i / columns) * 1.72, 1.1, 1.7).map((p) => turned(p, -angle)),
    )
    const { turn, runs } = rowsOf(modules)
    expect(Math.abs(turn)).toBeLessThanOrEqual(Math.PI / 4 + 1e-9)
    expect(runs.reduce((sum, { gaps }) => sum + gaps.length + 1, 0)).toBe(columns * rows)
    const area = runs.reduce(
      (sum, { fromM, toM, lowM, highM, gaps }) =>
        sum + (toM - fromM - gaps.reduce((free, [a, b]) => free + b - a, 0)) * (highM - lowM),
      0,
    )
    expect(area).toBeCloseTo(columns * rows * 1.1 * 1.7, 6)
  }
})
