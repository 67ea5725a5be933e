import fc from 'fast-check'
import { type Vec2 } from '../../geometry/vector'
import { type LineDrawing } from '../../imports/line-drawing'
import { onGround, type Lie } from './lie'
import { linesNear } from './near'

const coordinate = fc.double({ min: -60, max: 60, noNaN: true })
const point = fc.tuple(coordinate, coordinate)
const piecesOf = (lines: readonly (readonly Vec2[])[]) =>
  Float64Array.from(lines.flatMap((line) => line.slice(1).flatMap((p, i) => [...(line[i] ?? [0, 0]), ...p])))
const drawings = fc
  .array(fc.array(point, { minLength: 2, maxLength: 5 }), { maxLength: 30 })
  .map((lines): LineDrawing => ({
    metresPerUnit: 1,
    width: 100,
    height: 80,
    leftOut: {},
    layers: [
      { name: 'A', on: true, pieces: piecesOf(lines.filter((_, i) => i % 3 > 0)) },
      { name: 'B', on: true, pieces: piecesOf(lines.filter((_, i) => i % 3 === 0)) },
    ],
  }))

/** Every piece whose box comes into the square about the point, one by one. */
function slowly(drawing: LineDrawing, lie: Lie, hidden: readonly string[], [x, y]: Vec2, reach: number) {
  const turned = (p: Vec2): Vec2 => {
    const angle = (-lie.rotationDeg * Math.PI) / 180
    const [dx, dy] = [p[0] - lie.center[0], p[1] - lie.center[1]]
    return [
      (dx * Math.cos(angle) - dy * Math.sin(angle)) / lie.metresPerUnit,
      (dx * Math.sin(angle) + dy * Math.cos(angle)) / lie.metresPerUnit,
    ]
  }
  const [sx, sy] = turned([x, y])
  const far = reach / lie.metresPerUnit
  const found: string[] = []
  for (const { name, pieces } of drawing.layers)
    for (let k = 0; k < (hidden.includes(name) ? 0 : pieces.length); k += 4) {
      const [ax = NaN, ay = NaN, bx = NaN, by = NaN] = pieces.subarray(k, k + 4)
      const [a, b]: [Vec2, Vec2] = [
        [ax, ay],
        [bx, by],
      ]
      const apart = ([0, 1] as const).some((axis) => {
        const at = axis === 0 ? sx : sy
        return Math.min(a[axis], b[axis]) > at + far || Math.max(a[axis], b[axis]) < at - far
      })
      if (!apart) found.push(JSON.stringify([onGround(lie, a), onGround(lie, b)]))
    }
  return found.sort()
}

test('the grid finds what looking at every line finds', () => {
  fc.assert(
    fc.property(
      drawings,
      point,
      fc.double({ min: 0.05, max: 30, noNaN: true }),
      fc.double({ min: -180, max: 180, noNaN: true }),
      fc.boolean(),
      (drawing, at, reachM, rotationDeg, hides) => {
        const lie: Lie = { metresPerUnit: 0.7, center: [3, -2], rotationDeg }
        const hidden = hides ? ['B'] : []
        const found = linesNear(drawing, lie, hidden, at, reachM).map((piece) => JSON.stringify(piece))
        expect(found.sort()).toEqual(slowly(drawing, lie, hidden, at, reachM))
      },
    ),
    { seed: 8, numRuns: 400 },
  )
})
