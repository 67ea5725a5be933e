import { type Vec2 } from '../geometry/vector'
import { type PlanShape } from '../kinds/standing'
import { type Site } from '../site/site'
import { planOf } from '../roof/plane'

/** A filled outline of the small picture, north up, x to the right and y down, within 0..100. */
export interface PicturePart {
  readonly points: readonly (readonly [number, number])[]
  readonly tone: PlanShape['tone']
}

/** What lies over what: roofs, what stands on them, modules, crowns. */
const layers: Readonly<Record<PlanShape['tone'], number>> = {
  neighbour: 0,
  roof: 0,
  shaded: 0,
  obstruction: 1,
  panel: 2,
  tree: 3,
}

/** The job from above as a designer knows it: roof planes with light from the north-west, modules, trees. */
export function roofPicture(site: Site): PicturePart[] {
  // What stands through a roof is the higher one, and comes after it.
  const upwards = site.objects.toSorted((a, b) => a.geometry.topM - b.geometry.topM)
  const shapes: PlanShape[] = [
    ...upwards.flatMap(({ geometry }) => geometry.plan),
    ...site.arrays.flatMap(({ panels }) =>
      panels.map(({ corners }): PlanShape => ({ points: planOf(corners), tone: 'panel' })),
    ),
  ].sort((a, b) => layers[a.tone] - layers[b.tone])
  const frame = site.objects.flatMap(({ geometry }) => geometry.frame)
  if (frame.length === 0) return []
  const xs = frame.map((p) => p[0])
  const ys = frame.map((p) => p[1])
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const scale = 76 / Math.max(x1 - x0, y1 - y0)
  const place = (p: Vec2): [number, number] => [
    Math.round((50 + (p[0] - (x0 + x1) / 2) * scale) * 10) / 10,
    Math.round((50 - (p[1] - (y0 + y1) / 2) * scale) * 10) / 10,
  ]
  return shapes.map(({ points, tone }) => ({ points: points.map(place), tone }))
}
