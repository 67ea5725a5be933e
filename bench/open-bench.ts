import { type Catalogue } from '@/core/electrical/catalogue'
import { Graph } from '@/core/graph/graph'
import { ofKind, type Objects } from '@/core/kinds/documents'
import { type Job } from '@/core/kinds/job'
import { siteId } from '@/core/kinds/site/site'
import { applyChange, conflictsOf } from '@/core/model/change'
import { type Site } from '@/core/site/site'
import { siteStage } from '@/core/stages/site'
import { type Design } from '@/core/stages/world'
import { type BenchParts } from './context'
import { tools } from './kinds/index'
import { LiveNumbers, type WorkerLike } from './live/live-numbers'
import { makeToolContext } from './make-tool-context'
import { sendEdits } from './requests'
import { StationList } from './stations/station-list'
import { WeatherDesk } from './stations/weather-desk'
import { DocumentStore, houseId } from './store/documents'
import { Outbox, type PendingEdit } from './store/outbox'
import { createSession } from './store/session'
import { browserShelf } from './store/shelf'
import { ToolBox } from './tools/tool-box'

/** Puts a job's parts together: documents, outbox, numbers, tools. */
export async function openBench(
  jobId: string,
  job: Job,
  catalogue: Catalogue,
  makeWorker: () => WorkerLike,
): Promise<BenchParts> {
  const outbox = new Outbox(browserShelf(jobId), (edits) => sendEdits(jobId, edits))
  // Without IndexedDB (a private window, say) there is nothing from before; saving still works.
  const left = await outbox.wake().catch((): readonly PendingEdit[] => [])
  const { documents: merged, order } = withPending(job, left)
  const documents = new DocumentStore(merged, order)
  documents.onChange((documentId, change) => outbox.add({ id: crypto.randomUUID(), documentId, change }))
  const session = createSession(order[0] ?? 'option-a')
  const { site, siteWith } = rememberedSites(documents, () => session.getState().optionId, catalogue)
  // Nothing laid yet: the sky of the place says more than an empty yield.
  if (site().arrays.length === 0) session.setState({ layer: 'sun' })
  const place = documents.house[siteId]
  // A late-spring afternoon on either side of the equator; a house is first drawn in plan.
  if (place?.kind === 'site' && place.latitudeDeg < 0) session.setState({ day: 323 })
  if (ofKind(documents.house, 'volume').length === 0) session.setState({ plan: true })
  return {
    jobId,
    documents,
    session,
    outbox,
    catalogue,
    site,
    siteWith,
    live: new LiveNumbers(makeWorker, catalogue),
    stations: new StationList(),
    desk: new WeatherDesk(),
    tools: new ToolBox(makeToolContext({ documents, session, site, siteWith, catalogue }), tools),
    allTools: tools,
  }
}

/** The server's documents with the edits it has not got yet on top. */
export function withPending(
  job: Job,
  pending: readonly PendingEdit[],
): { documents: Record<string, Objects>; order: string[] } {
  const documents: Record<string, Objects> = { [houseId]: job.house }
  for (const option of job.options) documents[option.id] = option.objects
  for (const { documentId, change } of pending) {
    const before = documents[documentId] ?? {}
    // An edit that was stored although its answer was lost changes nothing; one that meets another's waits for the server's word.
    if (conflictsOf(before, change).length === 0) documents[documentId] = applyChange(before, change)
  }
  const order = [
    ...job.options.map((option) => option.id),
    ...Object.keys(documents).filter((id) => id !== houseId && !job.options.some((o) => o.id === id)),
  ]
  return { documents, order }
}

/** Geometries of a job and some undo steps. */
const siteBytes = 60_000_000

/** The site of the present documents, worked out once for each state and object by object. */
export function rememberedSites(
  documents: DocumentStore,
  optionId: () => string,
  catalogue: Catalogue,
): Pick<BenchParts, 'site' | 'siteWith'> {
  const graph = new Graph<Design>({ mostBytes: siteBytes, now: () => performance.now() })
  const siteOf = (house: Objects, option: Objects): Site =>
    graph.open({ house, option, catalogue }).value(siteStage)
  let last: { house: Objects; option: Objects; site: Site } | null = null
  return {
    site: () => {
      const house = documents.house
      const option = documents.document(optionId())
      if (last?.house !== house || last.option !== option)
        last = { house, option, site: siteOf(house, option) }
      return last.site
    },
    siteWith: (option) => siteOf(documents.house, option),
  }
}
