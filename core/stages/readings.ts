import { type Vec3 } from '../geometry/vector'
import { type Keyed } from '../graph/keyed'
import { itemStage, type Stage } from '../graph/stage'
import { ofKind } from '../kinds/documents'
import { kindNamed } from '../kinds/index'
import { lineOf, type ReadingLine } from '../shade/readings'
import { standingById, type Site } from '../site/site'
import { siteIn, type World } from './world'

const readingsIn = (world: World) =>
  siteIn(world).shadeFrom === 'readings' ? ofKind(world.house, 'reading') : []

/** Where the readings were taken that shade is computed from; none where it is computed from the model. */
export const readingPlacesIn = (world: World) => readingsIn(world).map(({ id, center }) => ({ id, center }))

/** What was measured there, reading by reading. */
export const readingsStage: Stage<World, readonly Keyed<ReadingLine>[]> = itemStage({
  name: 'horizon readings',
  version: 1,
  after: {},
  reads: (world: World) => ({ heights: readingsIn(world).map(({ heights }) => heights) }),
  each: ({ heights }) => heights.map((one) => ({ heights: one })),
  compute: ({ heights }) => lineOf(heights),
  bytes: (line) => 100 + line.byteLength,
})

/** Where the readings were taken, in space. */
export const spotsOf = (places: ReturnType<typeof readingPlacesIn>, site: Site): Vec3[] =>
  places.map(({ id, center: [x, y] }) => [x, y, standingById(site, id)?.geometry.topM ?? 0])

/** Whether a reading has seen an object: all but racks and whatever else an option brings. */
export function seenByReadings({ objects }: Site): (id: string) => boolean {
  const unseen = new Set(
    objects.flatMap(({ id, kind }) => (kindNamed(kind).document === 'option' ? [id] : [])),
  )
  return (id) => !unseen.has(id)
}
