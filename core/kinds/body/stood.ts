import { type FileMesh } from '../../imports/model/mesh'
import { type Vec3 } from '../../geometry/vector'
import { boundsOf } from '../../geometry/bounds'
import { Fault } from '../../model/fault'
import { round } from '../place'
import { farthestCornerM, type Body } from './body'

/** Extent of a model in space, m: east, north and up. */
export type Extent = readonly [number, number, number]

/** A file's corners in our axes, x east, y north, z up, and in metres. */
const cornersOf = (
  { positions }: Pick<FileMesh, 'positions'>,
  metresPerUnit: number,
  up: NonNullable<FileMesh['up']>,
): Vec3[] =>
  Array.from({ length: positions.length / 3 }, (_, v): Vec3 => {
    const [x, y, z] = Array.from(positions.subarray(v * 3, v * 3 + 3), (p) => p * metresPerUnit) as [
      number,
      number,
      number,
    ]
    return up === 'z' ? [x, y, z] : [x, -z, y]
  })

/**
 * A read model as it stands in a job: in metres, upright, its foot at nought and the middle of its plan over the origin,
 * to the millimetre. Triangles that are no longer any to the millimetre are gone.
 * @throws Fault `model-size` where it is larger than a job's world or has nothing left
 */
export function stoodModel(
  mesh: Pick<FileMesh, 'positions' | 'indices'>,
  metresPerUnit: number,
  up: NonNullable<FileMesh['up']>,
): Pick<Body, 'vertices' | 'triangles'> {
  const { indices } = mesh
  const corners = cornersOf(mesh, metresPerUnit, up)
  const [low, high] = boundsOf(corners)
  if (
    Math.max(high[0] - low[0], high[1] - low[1]) > 2 * farthestCornerM ||
    high[2] - low[2] > farthestCornerM
  )
    throw new Fault('model-size')
  const middle = [(low[0] + high[0]) / 2, (low[1] + high[1]) / 2] as const
  const vertices = corners.map(([x, y, z]): Vec3 => [
    round(x - middle[0]),
    round(y - middle[1]),
    round(z - low[2]),
  ])
  const triangles: [number, number, number][] = []
  for (let k = 0; k + 2 < indices.length; k += 3) {
    const [a = 0, b = 0, c = 0] = indices.subarray(k, k + 3)
    const [p, q, r] = [vertices[a], vertices[b], vertices[c]].map((v) => v?.join(' '))
    if (p !== q && q !== r && r !== p) triangles.push([a, b, c])
  }
  if (triangles.length === 0) throw new Fault('model-size')
  return { vertices, triangles }
}

/** Its extent for a unit and an axis, to be shown before it is taken. */
export function extentOf(
  mesh: Pick<FileMesh, 'positions'>,
  metresPerUnit: number,
  up: NonNullable<FileMesh['up']>,
): Extent {
  const [low, high] = boundsOf(cornersOf(mesh, metresPerUnit, up))
  return [high[0] - low[0], high[1] - low[1], high[2] - low[2]]
}
