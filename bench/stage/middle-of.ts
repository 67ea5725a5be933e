import { type Vec3 } from '@/core/geometry/vector'
import { standingById, type Site } from '@/core/site/site'
import { type Selection } from '../store/session'

/** The middle of some points; null where there are none. */
const mean = (points: readonly Vec3[]): Vec3 | null => {
  if (points.length === 0) return null
  const sum = (axis: 0 | 1 | 2) => points.reduce((total, p) => total + p[axis], 0) / points.length
  return [sum(0), sum(1), sum(2)]
}

/** The middle of what is selected, as it stands; null where it has no shape. */
export function middleOf(site: Site, selection: Selection): Vec3 | null {
  if (selection.kind === 'panel') {
    const array = site.arrays.find(({ id }) => id === selection.arrayId)
    return mean(array?.panels.find(({ id }) => id === selection.id)?.corners ?? [])
  }
  const array = site.arrays.find(({ id }) => id === selection.id)
  if (array) return mean(array.panels.flatMap(({ corners }) => corners))
  const geometry = standingById(site, selection.id)?.geometry
  if (!geometry) return null
  return mean([
    ...geometry.surfaces.flatMap(({ corners }) => corners),
    ...geometry.crowns.map(({ center }) => center),
  ])
}
