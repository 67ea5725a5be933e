import { type Catalogue } from '@/core/electrical/catalogue'
import { Graph } from '@/core/graph/graph'
import { ofKind, type Objects } from '@/core/kinds/documents'
import { type Job } from '@/core/kinds/job'
import { type Role } from '@/core/model/roles'
import { type Contractor } from '@/core/papers/letterhead'
import { type KeptLine } from '@/core/readers/kept-line'
import { siteId } from '@/core/kinds/site/site'
import { type Site } from '@/core/site/site'
import { siteStage } from '@/core/stages/site'
import { type Design } from '@/core/stages/world'
import { type BenchParts } from './context'
import { tools } from './kinds/index'
import { LiveNumbers, type WorkerLike } from './live/live-numbers'
import { makeToolContext } from './make-tool-context'
import { editsSince, sayPresence, sendEdits } from './requests'
import { StationList } from './stations/station-list'
import { WeatherDesk } from './stations/weather-desk'
import { DocumentStore, houseId } from './store/documents'
import { keepSteps } from './store/kept-steps'
import { LiveLine } from './store/live-line'
import { Outbox } from './store/outbox'
import { followAddress } from './store/place'
import { chosenIds } from './store/selection'
import { createSession, toast } from './store/session'
import { aloneAmongTabs, browserShelf } from './store/shelf'
import { Sync } from './store/sync'
import { UnderLines } from './underlays/under-lines'
import { ToolBox } from './tools/tool-box'

/** What a bench is opened with. */
export interface Opening {
  readonly jobId: string
  readonly job: Job
  /** The job's revision that these documents are at least of. */
  readonly revision: number
  /** Of its first option, as they were last computed. */
  readonly lastLines: readonly KeptLine[] | null
  /** Threads of comments that are open. */
  readonly comments: number
  readonly catalogue: Catalogue
  /** Of whoever opens it. */
  readonly role: Role
  readonly contractor: Contractor
}

/** Puts a job's parts together: documents, outbox, numbers, tools. */
export async function openBench(
  { jobId, job, revision, lastLines, comments, catalogue, role, contractor }: Opening,
  makeWorker: () => WorkerLike,
  lateStates: BenchParts['lateStates'],
): Promise<BenchParts> {
  const screenId = crypto.randomUUID()
  const { documents: base, order } = documentsOf(job)
  const documents = new DocumentStore(base, order, role, () =>
    // After whatever the tool says that believes it done.
    queueMicrotask(() =>
      toast(
        session,
        `You are here as ${role === 'reader' ? 'a reader' : 'an installer'}: this is for designers.`,
      ),
    ),
  )
  const shelf = browserShelf(jobId, screenId)
  const outbox: Outbox = new Outbox({
    shelf,
    send: (edits) => sendEdits(jobId, screenId, sync.revision, edits),
    alone: aloneAmongTabs(`sender ${jobId}`),
    onFeed: (feed) => sync.feed(feed),
  })
  let asking = false
  const catchUp = async () => {
    if (asking) return
    asking = true
    const feed = await editsSince(jobId, sync.revision).finally(() => (asking = false))
    if (feed) sync.feed(feed)
  }
  const sync: Sync = new Sync(documents, outbox, base, revision, () => void catchUp())
  const line = new LiveLine({
    jobId,
    comments,
    screenId,
    revision: () => sync.revision,
    onFeed: (feed) => sync.feed(feed),
    onGap: () => void catchUp(),
    say: (selection, leaving) => sayPresence(jobId, screenId, selection, leaving),
  })
  // Without IndexedDB (a private window, say) there is nothing from before; saving still works.
  await outbox.wake().catch(() => undefined)
  sync.show()
  documents.onChange((documentId, change) => outbox.add({ id: crypto.randomUUID(), documentId, change }))
  const session = createSession(documents.options[0]?.id ?? 'option-a')
  documents.onLeftAlone((ids) =>
    toast(
      session,
      `Somebody else has changed ${ids.length === 1 ? 'this' : 'some of this'} since: it stays as they left it.`,
      null,
    ),
  )
  session.subscribe(({ selection }) => line.select(chosenIds(selection)[0] ?? null))
  const stopKeeping = keepSteps(documents, jobId, window.sessionStorage)
  const { site, siteWith } = rememberedSites(documents, () => session.getState().optionId, catalogue)
  // Nothing laid yet: the sky of the place says more than an empty yield.
  if (site().arrays.length === 0) session.setState({ layer: 'sun' })
  const place = documents.house[siteId]
  // A late-spring afternoon on either side of the equator; a house is first drawn in plan.
  if (place?.kind === 'site' && place.latitudeDeg < 0) session.setState({ day: 323 })
  if (ofKind(documents.house, 'volume').length === 0) session.setState({ plan: true })
  const stopFollowing = followAddress(session, () => documents.options.map(({ id }) => id))
  const live = new LiveNumbers(makeWorker, catalogue)
  const desk = new WeatherDesk()
  const underLines = new UnderLines()
  return {
    jobId,
    documents,
    session,
    outbox,
    sync,
    line,
    catalogue,
    contractor,
    last: { optionId: documents.options[0]?.id ?? '', lines: lastLines ?? [] },
    underLines,
    site,
    siteWith,
    live,
    stations: new StationList(),
    desk,
    lateStates,
    tools: new ToolBox(
      makeToolContext({ documents, session, site, siteWith, catalogue, underLines, lateStates }),
      tools,
    ),
    allTools: tools,
    close: () => {
      stopFollowing()
      stopKeeping()
      live.stop()
      desk.stop()
      line.stop()
      // Whoever opens the job next takes what still waits; this visit goes on sending it as well.
      shelf.release()
    },
  }
}

/** The server's documents, and the order of the options. */
export function documentsOf(job: Job): { documents: Record<string, Objects>; order: string[] } {
  const documents: Record<string, Objects> = { [houseId]: job.house }
  for (const option of job.options) documents[option.id] = option.objects
  return { documents, order: job.options.map((option) => option.id) }
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
    siteWith: (option, house = documents.house) => siteOf(house, option),
  }
}
