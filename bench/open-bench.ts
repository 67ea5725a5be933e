import { type Catalogue } from '@/core/electrical/catalogue'
import { applyChange, conflictsOf } from '@/core/model/change'
import { ofKind, type Objects } from '@/core/model/document'
import { type Job } from '@/core/model/job'
import { siteId } from '@/core/model/kinds/site'
import { type BenchParts } from './context'
import { LiveNumbers, type WorkerLike } from './live/live-numbers'
import { makeToolContext } from './make-tool-context'
import { sendEdits } from './requests'
import { stageScene, type StageScene } from './stage/scene'
import { DocumentStore, houseId } from './store/documents'
import { Outbox, type PendingEdit } from './store/outbox'
import { createSession } from './store/session'
import { browserShelf } from './store/shelf'
import { StationList } from './weather/station-list'
import { WeatherDesk } from './weather/weather-desk'
import { ToolBox } from './tools/tool-box'

/** Puts a job's parts together: documents, outbox, numbers, tools. */
export async function openBench(
  jobId: string,
  job: Job,
  catalogue: Catalogue,
  worker: WorkerLike,
): Promise<BenchParts> {
  const outbox = new Outbox(browserShelf(jobId), (edits) => sendEdits(jobId, edits))
  // Without IndexedDB (a private window, say) there is nothing from before; saving still works.
  const left = await outbox.wake().catch((): readonly PendingEdit[] => [])
  const { documents: merged, order } = withPending(job, left)
  const documents = new DocumentStore(merged, order)
  documents.onChange((documentId, change) => outbox.add({ id: crypto.randomUUID(), documentId, change }))
  const session = createSession(order[0] ?? 'option-a')
  // Nothing laid yet: the sky of the place says more than an empty yield.
  if (ofKind(documents.document(order[0] ?? ''), 'array').length === 0) session.setState({ layer: 'sun' })
  const site = documents.house[siteId]
  // A late-spring afternoon on either side of the equator; a house is first drawn in plan.
  if (site?.kind === 'site' && site.latitudeDeg < 0) session.setState({ day: 323 })
  if (ofKind(documents.house, 'volume').length === 0) session.setState({ plan: true })
  const scene = rememberedScene(documents, () => session.getState().optionId, catalogue)
  return {
    jobId,
    documents,
    session,
    outbox,
    catalogue,
    scene,
    live: new LiveNumbers(worker, catalogue),
    stations: new StationList(),
    desk: new WeatherDesk(),
    tools: new ToolBox(makeToolContext(documents, session, scene)),
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

/** The scene of the present documents, worked out once for each state. */
function rememberedScene(
  documents: DocumentStore,
  optionId: () => string,
  catalogue: Catalogue,
): () => StageScene {
  let last: { house: Objects; option: Objects; scene: StageScene } | null = null
  return () => {
    const house = documents.house
    const option = documents.document(optionId())
    if (last?.house !== house || last.option !== option)
      last = { house, option, scene: stageScene(house, option, catalogue) }
    return last.scene
  }
}
