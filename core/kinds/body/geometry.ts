import { sheetOf } from '../../geometry/body'
import { boundsOf } from '../../geometry/bounds'
import { convexHull } from '../../geometry/hull'
import { add2, dot3, newell, rotate2, type Vec2, type Vec3 } from '../../geometry/vector'
import { toRadians } from '../../model/units'
import { emptyGeometry, type Geometry, type Stroke, type Surface } from '../standing'
import { type Body } from './body'

type Shape = Omit<Body, 'id' | 'name' | 'kind'>

/** Faces that turn from each other by more than this have an edge between them. */
const creaseDeg = 25
/** Parts of a model that keep modules off one by one; more of them do it together. */
const mostParts = 40

/** A model as it stands: every triangle stops light, from either side. */
export function bodyGeometry(body: Shape): Geometry {
  const { triangles, background, keepsOff, clearanceM } = body
  const corners = placed(body)
  const of = (v: number): Vec3 => corners[v] ?? [0, 0, 0]
  const faces = triangles.map(([a, b, c]): [Vec3, Vec3, Vec3] => [of(a), of(b), of(c)])
  const [low, high] = boundsOf(corners)
  const topM = high[2]
  const outlines = footprints(body, corners)
  return {
    ...emptyGeometry,
    solids: faces.flatMap((face) => sheetOf(face) ?? []),
    keepOuts: keepsOff ? outlines.map((base) => ({ base, clearanceM, topM })) : [],
    surfaces: faces.map((face): Surface => ({ corners: face, tone: background ? 'wall' : 'obstruction' })),
    strokes: creases(triangles, corners),
    plan: outlines.map((points) => ({ points, tone: background ? 'neighbour' : 'obstruction' })),
    frame: background
      ? []
      : [
          [low[0], low[1]],
          [high[0], high[1]],
        ],
    topM,
    faded: background,
  }
}

/** Its corners where they stand. */
function placed({ vertices, scale, rotationDeg, center, footM }: Shape): Vec3[] {
  const turn = toRadians(rotationDeg)
  return vertices.map(([x, y, z]): Vec3 => {
    const [east, north] = add2(center, rotate2([x * scale, y * scale], turn))
    return [east, north, footM + z * scale]
  })
}

/** Edges of one triangle alone, and those at which two turn from each other. */
function creases(triangles: Body['triangles'], corners: readonly Vec3[]): Stroke[] {
  const of = (v: number): Vec3 => corners[v] ?? [0, 0, 0]
  const normals = triangles.map(([a, b, c]) => newell([of(a), of(b), of(c)]))
  const sides = new Map<string, { readonly ends: readonly [number, number]; readonly at: number[] }>()
  triangles.forEach(([a, b, c], t) => {
    for (const [from, to] of [
      [a, b],
      [b, c],
      [c, a],
    ] as const) {
      const key = from < to ? `${from} ${to}` : `${to} ${from}`
      const side = sides.get(key)
      if (side) side.at.push(t)
      else sides.set(key, { ends: [from, to], at: [t] })
    }
  })
  const least = Math.cos(toRadians(creaseDeg))
  const smooth = (at: readonly number[]) => {
    const [n, m] = at.map((t) => normals[t])
    if (at.length !== 2 || !n || !m) return false
    return dot3(n, m) > least * Math.sqrt(dot3(n, n) * dot3(m, m))
  }
  return [...sides.values()]
    .filter(({ at }) => !smooth(at))
    .map(({ ends: [a, b] }): Stroke => ({ from: of(a), to: of(b), is: 'edge' }))
}

/** The convex outline of each part that hangs together, seen from above. */
function footprints({ triangles }: Shape, corners: readonly Vec3[]): Vec2[][] {
  const part = corners.map((_, v) => v)
  const root = (v: number): number => {
    let at = v
    while (part[at] !== at) at = part[at] = part[part[at] ?? 0] ?? 0
    return at
  }
  for (const [a, b, c] of triangles) {
    part[root(b)] = root(a)
    part[root(c)] = root(a)
  }
  const parts = new Map<number, Vec2[]>()
  for (const v of new Set(triangles.flat())) {
    const [x, y] = corners[v] ?? [0, 0, 0]
    const known = parts.get(root(v))
    if (known) known.push([x, y])
    else parts.set(root(v), [[x, y]])
  }
  const all = [...parts.values()]
  return (all.length > mostParts ? [all.flat()] : all)
    .map((points) => convexHull(points))
    .filter((hull) => hull.length > 2)
}
