import { kept, madeIn } from '@/core/after/kept'
import { readMade } from '@/core/after/made'
import { offeredDesign, statedIn } from '@/core/exports/offered-design'
import { type Graph } from '@/core/graph/graph'
import { type Keyed } from '@/core/graph/keyed'
import { Fault } from '@/core/model/fault'
import { yearAfter, yearsOfMade } from '@/core/readers/year-after'
import { type World } from '@/core/stages/world'
import { textOf } from '@/core/weather/text'
import { type WeatherYear } from '@/core/weather/weather-year'
import { type AfterAnswer, type AfterRequest, type MadeAnswer, type MadeRequest } from './after-messages'
import { weatherAt } from './fetch-weather'

const hourMs = 3_600_000

/** What a file says, as the job keeps it. */
export function madeOf({ file, name }: MadeRequest): Extract<MadeAnswer, { fault: null }> {
  const made = readMade(textOf(new Uint8Array(file)))
  return { ...kept(made, name), problems: made.problems, fault: null }
}

/** Promised against made. Fetched when it is first asked for. */
export async function afterOf(
  request: AfterRequest,
  graph: Graph<World>,
): Promise<Extract<AfterAnswer, { fault: null }>> {
  const { promising, production, station, recordUrl } = request
  const made = madeIn(production)
  if (made.spans.length === 0) throw new Fault('made-none')
  const { design, file } =
    'offerFile' in promising
      ? offeredDesign(promising.offerFile, request.catalogue)
      : { design: { ...promising, catalogue: request.catalogue }, file: null }
  const weather = await weatherAt(request.weatherUrl)
  const years = new Map<number, Keyed<WeatherYear>>()
  for (const year of recordUrl === null ? [] : yearsOfMade(made)) {
    try {
      years.set(year, await weatherAt(`${recordUrl}?year=${year}`))
    } catch (error) {
      // A year that nobody has: the report tells that the typical one stands in.
      if (!(error instanceof Fault)) throw error
    }
  }
  const world = { ...design, station, weather }
  const since = production.since === null ? null : Date.parse(production.since) / hourMs
  const report = await yearAfter(graph, world, made, years, since, {
    atMostMs: Infinity,
    pause: async () => true,
  })
  const kwh = file && statedIn(file, 'yield')
  return { report, stated: kwh === null ? null : { kwh, nowKwh: report.yieldKwh }, fault: null }
}
