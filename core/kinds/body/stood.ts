import { type FileMesh } from '../../imports/model/mesh'
import { type Vec3 } from '../../geometry/vector'
import { boundsOf } from '../../geometry/bounds'
import { Fault } from '../../model/fault'
import { round } from '../place'
import { farthestCornerM, type Body } from './body'

/** Extent of a model in space, m: east, north and up. */
export type Extent = readonly [number, number, number]

/** A file's axes as ours: x east, y north, z up. */
const turned = (up: NonNullable<FileMesh['up']>, x: number, y: number, z: number): Vec3 =>
  up === 'z' ? [x, y, z] : [x, -z, y]

/**
 * A read model as it stands in a job: in metres, upright, its foot at nought and the middle of its plan over the origin,
 * to the millimetre. Triangles that are no longer any to the millimetre are gone.
 * @throws Fault `model-size` where it is larger than a job's world or has nothing left
 */
export function stoodModel(
  { positions, indices }: Pick<FileMesh, 'positions' | 'indices'>,
  metresPerUnit: number,
  up: NonNullable<FileMesh['up']>,
): Pick<Body, 'vertices' | 'triangles'> {
  const corners = Array.from({ length: positions.length / 3 }, (_, v): Vec3 => {
    const [x = 0, y = 0, z = 0] = positions.subarray(v * 3, v * 3 + 3)
    const [east, north, over] = turned(up, x, y, z)
    return [east * metresPerUnit, north * metresPerUnit, over * metresPerUnit]
  })
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
  { positions }: Pick<FileMesh, 'positions'>,
  metresPerUnit: number,
  up: NonNullable<FileMesh['up']>,
): Extent {
  const corners = Array.from({ length: positions.length / 3 }, (_, v): Vec3 => {
    const [x = 0, y = 0, z = 0] = positions.subarray(v * 3, v * 3 + 3)
    return turned(up, x, y, z)
  })
  const [low, high] = boundsOf(corners)
  return [
    (high[0] - low[0]) * metresPerUnit,
    (high[1] - low[1]) * metresPerUnit,
    (high[2] - low[2]) * metresPerUnit,
  ]
}
