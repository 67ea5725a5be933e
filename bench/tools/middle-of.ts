import { type Vec3 } from '@/core/geometry/vector'
import { standingById, type Site } from '@/core/site/site'
import { modulesOf, objectIdsOf, type Selection } from '../store/selection'

/** The middle of some points; null where there are none. */
const mean = (points: readonly Vec3[]): Vec3 | null => {
  if (points.length === 0) return null
  const sum = (axis: 0 | 1 | 2) => points.reduce((total, p) => total + p[axis], 0) / points.length
  return [sum(0), sum(1), sum(2)]
}

/** The middle of what is selected, as it stands; null where it has no shape. */
export function middleOf(site: Site, selection: Selection): Vec3 | null {
  const modules = new Set(modulesOf(selection).map(({ id }) => id))
  if (modules.size > 0) {
    const panels = site.arrays.flatMap((array) => array.panels)
    return mean(panels.filter(({ id }) => modules.has(id)).flatMap(({ corners }) => corners))
  }
  return mean(
    objectIdsOf(selection)
      .map((id) => middleOfObject(site, id))
      .filter((at) => at !== null),
  )
}

function middleOfObject(site: Site, id: string): Vec3 | null {
  const array = site.arrays.find((one) => one.id === id)
  const geometry = standingById(site, id)?.geometry
  if (array) return mean(array.panels.flatMap(({ corners }) => corners))
  return mean([
    ...(geometry?.surfaces ?? []).flatMap(({ corners }) => corners),
    ...(geometry?.crowns ?? []).map(({ center }) => center),
  ])
}
