import { isSunTime, sunTimes, type SunSpan } from '@/core/energy/sun-span'
import { type Graph } from '@/core/graph/graph'
import { type Patience } from '@/core/graph/run'
import { panelSun, type PanelSun } from '@/core/readers/panel-sun'
import { siteStage } from '@/core/stages/site'
import { mappedFaces, monthMapsStage, sunHoursMapStage, sunMapStage } from '@/core/stages/sun-map'
import { type World } from '@/core/stages/world'
import { type MappedFace } from './messages'

/** The stage that has the maps of a span, and which of them it is. */
function mapsOf(span: SunSpan) {
  if (span === 'year') return { stage: sunMapStage, at: 0 }
  return isSunTime(span)
    ? { stage: sunHoursMapStage, at: sunTimes.indexOf(span) }
    : { stage: monthMapsStage, at: span }
}

/** The light of a span on the roofs of a world and on its modules. Fetched when it is first asked for. */
export async function mapSun(
  graph: Graph<World>,
  world: World,
  span: SunSpan,
  patience: Patience,
): Promise<{ readonly faces: readonly MappedFace[]; readonly panels: PanelSun }> {
  const run = graph.open(world)
  const { stage, at } = mapsOf(span)
  await run.prepare([stage], patience)
  const maps = run.value(stage)
  const faces = mappedFaces(run.value(siteStage).objects).flatMap(({ face }, i) => {
    const map = maps[i]?.value[at]
    return map ? [{ face, map }] : []
  })
  return { faces, panels: panelSun(run, span) }
}
