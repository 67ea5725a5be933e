import { readMade } from '@/core/after/made'
import { type Graph } from '@/core/graph/graph'
import { type Keyed } from '@/core/graph/keyed'
import { Fault } from '@/core/model/fault'
import { yearAfter, yearsOfMade } from '@/core/readers/year-after'
import { type World } from '@/core/stages/world'
import { textOf } from '@/core/weather/text'
import { type WeatherYear } from '@/core/weather/weather-year'
import { type AfterAnswer, type AfterRequest } from './after-messages'
import { weatherAt } from './fetch-weather'

/** Promised against made. Fetched when it is first asked for. */
export async function afterOf(
  request: AfterRequest,
  graph: Graph<World>,
): Promise<Extract<AfterAnswer, { fault: null }>> {
  const { house, option, catalogue, station, recordUrl } = request
  const made = readMade(textOf(new Uint8Array(request.file)))
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
  const world = { house, option, catalogue, station, weather }
  const report = await yearAfter(graph, world, made, years, request.sinceHour, {
    atMostMs: Infinity,
    pause: async () => true,
  })
  return { report, problems: made.problems, fault: null }
}
