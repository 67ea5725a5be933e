import { containsPoint, signedArea } from '../../geometry/polygon'
import { type Vec2 } from '../../geometry/vector'
import { Fault } from '../../model/fault'
import { seededRandom } from '../../model/random'
import { joinVolumes, unionOf } from './join'
import { type Volume } from './volume'

const box = (x: number, y: number, w: number, d: number): Vec2[] => [
  [x, y],
  [x + w, y],
  [x + w, y + d],
  [x, y + d],
]
const main: Volume = {
  id: 'main',
  kind: 'volume',
  name: 'Main',
  role: 'house',
  outline: box(0, 0, 12, 8),
  eaveHeightM: 3,
  edges: [{ pitchDeg: 35 }, { gable: true }, { pitchDeg: 40 }, { gable: true }],
  flat: null,
}
const wing: Volume = {
  ...main,
  id: 'wing',
  outline: box(2, -5, 4, 5),
  edges: [{ gable: true }, { pitchDeg: 25 }, { pitchDeg: 26 }, { pitchDeg: 27 }],
}
const codeOf = (...volumes: Volume[]) => {
  try {
    joinVolumes(volumes)
    return 'joined'
  } catch (error) {
    if (!(error instanceof Fault)) throw error
    return error.code
  }
}

test('four slopes of a hip make its outline, however their corners miss each other by a hair', () => {
  const random = seededRandom(8)
  const near = (p: Vec2): Vec2 => [p[0] + 0.002 * (random() - 0.5), p[1] + 0.002 * (random() - 0.5)]
  const [a, b, c, d]: Vec2[] = [
    [-6.932, -1.598],
    [0, 0],
    [-2.65, 11.498],
    [-9.582, 9.901],
  ] as [Vec2, Vec2, Vec2, Vec2]
  const [low, high]: [Vec2, Vec2] = [
    [-4.265, 2.667],
    [-5.317, 7.233],
  ]
  for (let round = 0; round < 200; round++) {
    const slopes = [
      [a, low, high, d],
      [c, high, low, b],
      [c, d, high],
      [b, low, a],
    ].map((ring) => ring.flatMap((p) => (p ? [near(p)] : [])))
    const outline = unionOf(slopes.map((ring) => (signedArea(ring) < 0 ? ring.reverse() : ring)))
    expect(outline.length).toBeGreaterThanOrEqual(4)
    expect(Math.abs(signedArea(outline) - 83.9)).toBeLessThan(0.3)
  }
})

test('a wing against the south wall makes a T, and every side keeps its roof', () => {
  const { fields, sideAfter } = joinVolumes([main, wing])
  expect(signedArea(fields.outline)).toBeCloseTo(12 * 8 + 4 * 5, 3)
  expect(fields.outline).toHaveLength(8)
  const start = fields.outline.findIndex(([x, y]) => x === 0 && y === 0)
  const turned = fields.edges.map((_, i) => fields.edges[(start + i) % 8])
  // From the south-west corner of the house: eave, west side of the wing, its gable, its east side, eave, gable, eave, gable.
  expect(turned).toEqual([
    { pitchDeg: 35 },
    { pitchDeg: 27 },
    { gable: true },
    { pitchDeg: 25 },
    { pitchDeg: 35 },
    { gable: true },
    { pitchDeg: 40 },
    { gable: true },
  ])
  const after = (building: number, side: number) => ((sideAfter(building, side) ?? NaN) - start + 8) % 8
  expect([after(0, 1), after(0, 2), after(0, 3)]).toEqual([5, 6, 7])
  expect([after(1, 0), after(1, 1), after(1, 3)]).toEqual([2, 3, 1])
  // The side of the wing inside the house is gone.
  expect(sideAfter(1, 2)).toBeNull()
  expect([0, 4]).toContain(after(0, 0))
})

test('names of planes go with their sides', () => {
  const named = [
    { ...main, planeNames: { '2:0': 'Garden side', '0:0': 'Street' } },
    { ...wing, planeNames: { '1:0': 'Porch', '2:0': 'Inside' } },
  ]
  const { fields, sideAfter } = joinVolumes(named)
  expect(fields.planeNames).toEqual({
    [`${sideAfter(0, 2)}:0`]: 'Garden side',
    [`${sideAfter(0, 0)}:0`]: 'Street',
    [`${sideAfter(1, 1)}:0`]: 'Porch',
  })
})

test('a gap of millimetres is closed; farther apart, round a court, or of other heights they are not joined', () => {
  const moved = (by: number): Volume => ({ ...wing, outline: wing.outline.map(([x, y]) => [x, y - by]) })
  expect(codeOf(main, moved(0.012))).toBe('joined')
  expect(codeOf(main, moved(0.05))).toBe('outlines-apart')
  expect(codeOf(main, { ...wing, eaveHeightM: 3.2 })).toBe('eaves-unlike')
  expect(codeOf(main, { ...wing, flat: { parapetM: 0.4 } })).toBe('roofs-unlike')
  const ring = [box(0, 0, 12, 3), box(0, 9, 12, 3), box(0, 2, 3, 8), box(9, 2, 3, 8)]
  expect(codeOf(...ring.map((outline) => ({ ...main, outline })))).toBe('outline-round-court')
  // Whoever means the outline alone has the court built over.
  expect(unionOf(ring, 'built over')).toHaveLength(4)
})

test('over seeded pairs of turned boxes the joined outline covers what either does, and nothing else', () => {
  const random = seededRandom(8)
  let joined = 0
  for (let round = 0; round < 300; round++) {
    const boxed = () => {
      const [turn, x, y, w, d] = [
        random() * 6,
        8 * random(),
        8 * random(),
        4 + 6 * random(),
        4 + 6 * random(),
      ]
      return box(-w / 2, -d / 2, w, d).map(([u, v]): Vec2 => [
        x + u * Math.cos(turn) - v * Math.sin(turn),
        y + u * Math.sin(turn) + v * Math.cos(turn),
      ])
    }
    const pair = [boxed(), boxed()] as const
    const volumes = pair.map((outline) => ({ ...main, outline }))
    if (codeOf(...volumes) !== 'joined') continue
    joined++
    const { outline, edges } = joinVolumes(volumes).fields
    expect(edges).toHaveLength(outline.length)
    expect(signedArea(outline)).toBeGreaterThan(0)
    for (let k = 0; k < 60; k++) {
      const p: Vec2 = [-8 + 24 * random(), -8 + 24 * random()]
      const near = [outline, ...pair].some((ring) =>
        ring.some((a, i) => {
          const b = ring[(i + 1) % ring.length] ?? a
          const [dx, dy] = [b[0] - a[0], b[1] - a[1]]
          return Math.abs(dx * (p[1] - a[1]) - dy * (p[0] - a[0])) / Math.hypot(dx, dy) < 0.03
        }),
      )
      if (!near) expect(containsPoint(outline, p)).toBe(pair.some((ring) => containsPoint(ring, p)))
    }
  }
  expect(joined).toBeGreaterThan(150)
})
