import { type Graph } from '@/core/graph/graph'
import { type Patience } from '@/core/graph/run'
import { siteStage } from '@/core/stages/site'
import { mappedFaces, sunMapStage } from '@/core/stages/sun-map'
import { type World } from '@/core/stages/world'
import { type MappedFace } from './messages'

/** The light on the roofs of a world. Fetched when it is first asked for. */
export async function mapSun(
  graph: Graph<World>,
  world: World,
  patience: Patience,
): Promise<readonly MappedFace[]> {
  const run = graph.open(world)
  await run.prepare([sunMapStage], patience)
  const maps = run.value(sunMapStage)
  return mappedFaces(run.value(siteStage).objects).flatMap(({ face }, i) => {
    const map = maps[i]?.value
    return map ? [{ face, map }] : []
  })
}
