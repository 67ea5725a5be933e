import { type Graph } from '@/core/graph/graph'
import { candidatesFor, type Candidate } from '@/core/readers/best-of'
import { type World } from '@/core/stages/world'
import { type BestRequest } from './best-messages'
import { weatherAt } from './fetch-weather'

/** The ways to do an option. Fetched when they are first asked for. */
export async function bestOf(
  { house, option, catalogue, station, weatherUrl }: BestRequest,
  graph: Graph<World>,
  tell: (share: number) => void,
): Promise<readonly Candidate[]> {
  const weather = await weatherAt(weatherUrl)
  const patience = { atMostMs: Infinity, pause: async () => true }
  return candidatesFor(graph, { house, option, catalogue, station, weather }, patience, tell)
}
