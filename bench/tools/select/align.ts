import { shiftsTo, type Alignment } from '@/core/geometry/align'
import { type Vec2 } from '@/core/geometry/vector'
import { topFaceAt } from '@/core/kinds/below'
import { type Geometry } from '@/core/kinds/standing'
import { type RoofPlane } from '@/core/roof/plane'
import { standingById } from '@/core/site/site'
import { objectIdsOf } from '../../store/selection'
import { toast } from '../../store/session'
import { type ToolContext } from '../chart'
import { companyOf, movedBy, freeParty, previewChanged, type Party } from './company'

/** What things are put in line along: the compass, or the plane that all of them stand on. */
export interface Axes {
  readonly on: 'ground' | 'plane'
  /** To the east, or to the right along the eave; to the north, or up the slope. */
  readonly across: Vec2
  readonly up: Vec2
}

/** The axes of what is chosen. */
export function axesOf(context: ToolContext, { chosen }: Party): Axes {
  const { objects } = context.site()
  const own = new Set(chosen.map(({ object }) => object.id))
  const below = {
    objects: objects.flatMap(({ id, whole }) => (own.has(id) ? [] : [{ id, geometry: whole }])),
  }
  const faces = new Set(
    chosen.map(({ object, standing }) =>
      standing.move ? topFaceAt(below, standing.move.middle(object)) : null,
    ),
  )
  const [face] = faces
  return (faces.size === 1 && face && axesOn(face)) || { on: 'ground', across: [1, 0], up: [0, 1] }
}

function axesOn({ normal: [x, y] }: RoofPlane): Axes | null {
  const length = Math.hypot(x, y)
  if (length < 1e-9) return null
  // A plane's normal leans down its slope.
  const up: Vec2 = [-x / length, -y / length]
  return { on: 'plane', across: [up[1], -up[0]], up }
}

/** Puts what is selected in line, or equally far apart, along one of its axes; what stands on it goes along. */
export function alignSelected(context: ToolContext, along: 'across' | 'up', alignment: Alignment): void {
  const { documents, session } = context
  const party = freeParty(context, objectIdsOf(session.getState().selection))
  const way = axesOf(context, party)[along]
  const spans = party.chosen.map(({ object }) => {
    const geometry = standingById(context.site(), object.id)?.whole
    return geometry ? spanAlong([geometry], way) : { low: 0, high: 0 }
  })
  const shifts = shiftsTo(spans, alignment)
  const byId = new Map<string, Vec2>()
  party.chosen.forEach(({ object }, i) => {
    const by: Vec2 = [way[0] * (shifts[i] ?? 0), way[1] * (shifts[i] ?? 0)]
    for (const { id } of companyOf(context, [object])) byId.set(id, by)
  })
  // What is chosen itself goes where it is to go, not with what it stands on.
  party.chosen.forEach(({ object }, i) => {
    byId.set(object.id, [way[0] * (shifts[i] ?? 0), way[1] * (shifts[i] ?? 0)])
  })
  documents.begin()
  previewChanged(context, party, (object) => movedBy(object, byId.get(object.id) ?? [0, 0]))
  const { fault } = documents.commit('Align')
  if (fault) toast(session, context.sayer().fault(fault))
}

/** From where to where objects reach along a way, from their outlines above or their crowns, m. */
export function spanAlong(geometries: readonly Geometry[], [wx, wy]: Vec2): { low: number; high: number } {
  const ends = geometries.flatMap(({ plan, crowns, frame }) => [
    ...[...plan.flatMap((shape) => shape.points), ...frame].map(([x, y]) => x * wx + y * wy),
    ...crowns.flatMap(({ center, crownRadiusM }) => {
      const at = center[0] * wx + center[1] * wy
      return [at - crownRadiusM, at + crownRadiusM]
    }),
  ])
  return { low: Math.min(...ends), high: Math.max(...ends) }
}
