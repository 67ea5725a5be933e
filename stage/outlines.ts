import { distance2, type Vec3 } from '@/core/geometry/vector'
import { newell, unit3 } from '@/core/geometry/vector'
import { type Surface } from '@/core/kinds/standing'
import { type Sides } from './ink'

const grainM = 1e-3
const keyOf = (p: Vec3) => p.map((v) => Math.round(v / grainM)).join(' ')
const edgeKey = (a: Vec3, b: Vec3) => [keyOf(a), keyOf(b)].sort().join('/')

/** Finds the faces on both sides of an edge, by which the eye tells a contour from an edge inside. */
export function sidesOf(surfaces: readonly Surface[]): (from: Vec3, to: Vec3) => Sides {
  const found = new Map<string, Vec3[]>()
  for (const { corners } of surfaces) {
    const normal = unit3(newell(corners))
    corners.forEach((a, i) => {
      const key = edgeKey(a, corners[(i + 1) % corners.length] ?? a)
      const known = found.get(key)
      if (known) known.push(normal)
      else found.set(key, [normal])
    })
  }
  return (from, to) => {
    const [a, b] = found.get(edgeKey(from, to)) ?? []
    return a && b ? [a, b] : null
  }
}

/** Modules this near to each other are one field, m. */
const nearM = 0.12

type Side = readonly [Vec3, Vec3]

/** The outer border of a field of modules: their sides that no other module of the field is beside. */
export function borderOf(modules: readonly (readonly Vec3[])[]): Side[] {
  const sides: { readonly side: Side; readonly middle: Vec3; readonly of: number }[] = []
  modules.forEach((corners, of) =>
    corners.forEach((a, i) => {
      const b = corners[(i + 1) % corners.length] ?? a
      const middle: Vec3 = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2]
      sides.push({ side: [a, b], middle, of })
    }),
  )
  const cells = new Map<string, number[]>()
  const cellOf = (p: Vec3) => [Math.floor(p[0] / nearM), Math.floor(p[1] / nearM)] as const
  sides.forEach(({ middle }, k) => {
    const key = cellOf(middle).join(' ')
    const cell = cells.get(key)
    if (cell) cell.push(k)
    else cells.set(key, [k])
  })
  return sides.flatMap(({ side, middle, of }) => {
    const [x, y] = cellOf(middle)
    for (let i = x - 1; i <= x + 1; i++)
      for (let j = y - 1; j <= y + 1; j++)
        for (const k of cells.get(`${i} ${j}`) ?? []) {
          const other = sides[k]
          if (!other || other.of === of) continue
          const apart = distance2([middle[0], middle[1]], [other.middle[0], other.middle[1]])
          if (apart < nearM && Math.abs(middle[2] - other.middle[2]) < nearM) return []
        }
    return [side]
  })
}
