import { columnsUnder } from '../../geometry/body'
import { distance2, left2, scale2, sub2, unit2, add2, type Vec2, type Vec3 } from '../../geometry/vector'
import { emptyGeometry, type Geometry, type Stroke, type Surface } from '../standing'
import { usualBarriers, type Barrier } from './barrier'

type Shape = Omit<Barrier, 'id' | 'name' | 'kind'>

/** Points nearer than this are one, m. */
const shortestM = 1e-3

/** An upright box over every piece of the line; where two meet, each goes on to the outer corner. */
export function barrierGeometry({ use, points, heightM, thicknessM }: Shape): Geometry {
  const ends: Vec2[] = []
  for (const p of points) {
    const last = ends.at(-1)
    if (!last || distance2(p, last) >= shortestM) ends.push(p)
  }
  const pieces = ends
    .slice(1)
    .map((b, i) => pieceOf(ends[i] ?? b, b, thicknessM / 2, i > 0, i + 2 < ends.length))
  const lids = pieces.map((piece) => piece.map(([x, y]): Vec3 => [x, y, heightM]))
  return {
    ...emptyGeometry,
    solids: lids.flatMap((lid) => columnsUnder(lid, 0)),
    surfaces: lids.flatMap(boxOf),
    strokes: lids.flatMap(edgesOf),
    plan: pieces.map((piece) => ({ points: piece, tone: use === 'hedge' ? 'tree' : 'obstruction' })),
    topM: heightM,
    presetM: heightM === usualBarriers[use].heightM ? heightM : null,
  }
}

/** The plan of a piece, counter-clockwise; it reaches half its thickness past an end where another joins it. */
function pieceOf(a: Vec2, b: Vec2, half: number, joinedA: boolean, joinedB: boolean): Vec2[] {
  const along = unit2(sub2(b, a))
  const side = scale2(left2(along), half)
  const from = joinedA ? sub2(a, scale2(along, half)) : a
  const to = joinedB ? add2(b, scale2(along, half)) : b
  return [sub2(from, side), sub2(to, side), add2(to, side), add2(from, side)]
}

const foot = ([x, y]: Vec3): Vec3 => [x, y, 0]

const boxOf = (lid: readonly Vec3[]): Surface[] => [
  { corners: lid, tone: 'obstruction' },
  ...lid.map((a, i): Surface => {
    const b = lid[(i + 1) % lid.length] ?? a
    return { corners: [foot(a), foot(b), b, a], tone: 'obstruction' }
  }),
]

const edgesOf = (lid: readonly Vec3[]): Stroke[] =>
  lid.flatMap((from, i): Stroke[] => [
    { from, to: lid[(i + 1) % lid.length] ?? from, is: 'edge' },
    { from: foot(from), to: from, is: 'edge' },
  ])
