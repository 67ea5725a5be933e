import { type Keyed } from '../graph/keyed'
import { stage, type Stage } from '../graph/stage'
import { kindOf, type AnyObject } from '../kinds/index'
import { type Geometry } from '../kinds/standing'
import { assembleSite, type Built, type Site } from '../site/site'
import { meetingStage, seen } from './joined'
import { dormerStage, fieldStage, groundStage, layingIn, objectsOfRank, roofStage } from './standing'
import { type Design } from './world'

/** Who an object is, and what it carries; its geometry comes from the stages before. */
function labelOf(object: AnyObject): Pick<Built, 'id' | 'kind' | 'carries'> {
  const carrier = kindOf(object).standing?.carrier
  return {
    id: object.id,
    kind: object.kind,
    carries: carrier ? { airGapM: carrier.airGapM(object), removed: carrier.removed(object) } : null,
  }
}

const labelled = (
  labels: readonly Pick<Built, 'id' | 'kind' | 'carries'>[],
  built: readonly Keyed<Geometry>[],
  seenAs: readonly Keyed<Geometry>[] = built,
): Built[] =>
  labels.flatMap((label, i) => {
    const [made, looks] = [built[i], seenAs[i]]
    return made && looks ? [{ ...label, key: made.key, geometry: looks.value, whole: made.value }] : []
  })

/** The house and the option as geometry, each object built once: the one site that everybody looks at. */
export const siteStage: Stage<Design, Site> = stage({
  name: 'site',
  version: 4,
  after: {
    ground: groundStage,
    dormers: dormerStage,
    meeting: meetingStage,
    roof: roofStage,
    fields: fieldStage,
  },
  reads: (design: Design) => ({
    ground: objectsOfRank(design, 'ground').map(labelOf),
    dormers: objectsOfRank(design, 'dormer').map(labelOf),
    roof: objectsOfRank(design, 'roof').map(labelOf),
    fields: objectsOfRank(design, 'field').map(labelOf),
    canLay: layingIn(design).module !== null,
  }),
  compute: (labels, built) => {
    const kinds = {
      ground: labels.ground.map(({ kind }) => kind),
      dormers: labels.dormers.map(({ kind }) => kind),
    }
    const { ground, dormers } = seen(kinds, built, built.meeting)
    return assembleSite(
      [
        ...labelled(labels.ground, built.ground, ground),
        ...labelled(labels.dormers, built.dormers, dormers),
        ...labelled(labels.roof, built.roof),
        ...labelled(labels.fields, built.fields),
      ],
      labels.canLay,
    )
  },
  // Beside the geometries, which are counted with their own stages: what each module is called and where it lies.
  bytes: ({ objects, arrays }) =>
    200 * objects.length +
    arrays.reduce((sum, { panels, empty }) => sum + 500 * (panels.length + empty.length), 0),
})
