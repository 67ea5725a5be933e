import { setTimeout as pause } from 'node:timers/promises'
import { DocumentStore, houseId } from '@/bench/store/documents'
import { Barred, Outbox, Refused, type Feed, type OutboxShelf, type SendResult } from '@/bench/store/outbox'
import { Sync } from '@/bench/store/sync'
import { type Objects } from '@/core/kinds/documents'
import { sameValue } from '@/core/model/change'
import { seededRandom } from '@/core/model/random'
import { Report } from './report'
import { shippedFile } from './shipped'
import { Visitor } from './visitor'

const noShelf: OutboxShelf = {
  adopt: () => Promise.resolve([]),
  put: () => Promise.resolve(),
  remove: () => Promise.resolve(),
}

interface Opened {
  readonly revision: number
  readonly job: { readonly house: Objects; readonly options: readonly { id: string; objects: Objects }[] }
}

/** A screen as the bench puts it together, without its page. */
async function screenOn(visitor: Visitor, jobId: string) {
  const { revision, job } = (await (await visitor.ask(`/api/jobs/${jobId}`)).json()) as Opened
  const base: Record<string, Objects> = { [houseId]: job.house }
  for (const option of job.options) base[option.id] = option.objects
  const screen = crypto.randomUUID()
  const documents = new DocumentStore(
    base,
    job.options.map(({ id }) => id),
  )
  const outbox: Outbox = new Outbox({
    shelf: noShelf,
    send: async (edits) => {
      const answer = await visitor.send(`/api/jobs/${jobId}/changes`, { screen, since: sync.revision, edits })
      if (answer.status === 401) throw new Barred('signed-out')
      if (answer.ok) return (await answer.json()) as SendResult
      const { error } = (await answer.json()) as { error: Refused['fault'] }
      if (answer.status < 500 && answer.status !== 429) throw new Refused(error)
      throw new Error(String(answer.status))
    },
    onFeed: (feed) => sync.feed(feed),
  })
  const catchUp = async () => {
    const answer = await visitor.ask(`/api/jobs/${jobId}/edits?since=${sync.revision}`)
    if (answer.ok) sync.feed((await answer.json()) as Feed)
  }
  const sync: Sync = new Sync(documents, outbox, base, revision, () => void catchUp())
  documents.onChange((documentId, change) => outbox.add({ id: crypto.randomUUID(), documentId, change }))
  const line = new AbortController()
  void listenTo(visitor, `/api/jobs/${jobId}/events?since=${revision}`, line.signal, (event) => {
    if (event.type === 'edits') sync.feed(event as unknown as Feed)
    if (event.type === 'at') void catchUp()
  })
  return { documents, outbox, sync, catchUp, close: () => line.abort() }
}

async function listenTo(
  visitor: Visitor,
  path: string,
  signal: AbortSignal,
  hear: (event: { readonly type: string }) => void,
): Promise<void> {
  try {
    const answer = await visitor.ask(path, { signal })
    let text = ''
    const decoder = new TextDecoder()
    for await (const part of answer.body ?? []) {
      text += decoder.decode(part, { stream: true })
      const events = text.split('\n\n')
      text = events.pop() ?? ''
      for (const event of events)
        if (event.startsWith('data: ')) hear(JSON.parse(event.slice(6)) as { type: string })
    }
  } catch (error) {
    if (!signal.aborted) throw error
  }
}

/** Designers who work on one job at the same time, at random: in the end every screen shows what is stored. */
export async function designers(count: number, seconds: number, address: string): Promise<Report> {
  const report = new Report(`${count} designers on one job for ${seconds} s`)
  const random = seededRandom(count)
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T
  const visitor = new Visitor(address)
  await visitor.enter()
  const jobId = await visitor.import(shippedFile())
  const screens = await Promise.all(Array.from({ length: count }, () => screenOn(visitor, jobId)))
  const end = performance.now() + seconds * 1000
  let [edits, asked] = [0, 0]
  const heights = ['tree-1', 'tree-2', 'chimney-1']
  while (performance.now() < end) {
    const { documents, outbox, sync } = pick(screens)
    const id = pick(heights)
    const way = random()
    const object = documents.house[id]
    if (way < 0.5 && object)
      documents.set('Height', houseId, id, { heightM: 1 + Math.round(random() * 100) / 100 })
    else if (way < 0.65)
      documents.set('Price', 'option-a', 'offer', {
        [pick(['pricePerWatt', 'upkeepPerYear'])]: Math.round(random() * 400) / 100,
      })
    else if (way < 0.75) documents.undo()
    else if (way < 0.8) documents.redo()
    else if (object && 'center' in object) {
      // A drag that takes its time while others work.
      documents.begin()
      for (let k = 0; k < 4; k++) {
        const x = -20 + random() * 40
        documents.preview(houseId, (before) => {
          const now = before[id]
          return now && 'center' in now ? { ...before, [id]: { ...now, center: [x, -15] } } : before
        })
        await pause(20)
      }
      documents.commit('Drag')
    }
    edits++
    const [conflict] = outbox.store.getState().conflicts
    if (conflict) {
      asked++
      sync.answer(conflict, pick(['ours', 'theirs']))
    }
    await pause(random() * 120)
  }
  const begin = performance.now()
  const quiet = () =>
    screens.every(({ outbox }) => {
      const { status, pending, conflicts } = outbox.store.getState()
      return status === 'saved' && pending.length === 0 && conflicts.length === 0
    })
  while (!quiet() && performance.now() - begin < 60_000) {
    for (const { outbox, sync } of screens) {
      outbox.flush()
      const [conflict] = outbox.store.getState().conflicts
      if (conflict) sync.answer(conflict, 'theirs')
    }
    await pause(100)
  }
  const { job } = (await (await visitor.ask(`/api/jobs/${jobId}`)).json()) as Opened
  const isEqual = () =>
    screens.every(
      ({ documents }) =>
        sameValue(documents.house, job.house) &&
        job.options.every(({ id, objects }) => sameValue(documents.document(id), objects)),
    )
  // The last edits are still on their way to the others.
  for (let k = 0; k < 100 && !isEqual(); k++) await pause(100)
  const equal = isEqual()
  const refused = screens.reduce((sum, { outbox }) => sum + outbox.store.getState().refused.length, 0)
  const feed = (await (await visitor.ask(`/api/jobs/${jobId}/edits?since=0`)).json()) as Feed
  const last = new Map<string, unknown>()
  let unseen = 0
  for (const { documentId, change } of feed.edits)
    for (const [id, [from, to]] of Object.entries(change.updated)) {
      const key = `${documentId} ${id}`
      if (last.has(key) && !sameValue(last.get(key), from)) unseen++
      last.set(key, to)
    }
  report.say(
    `${edits} acts, ${feed.edits.length} edits stored, ${asked} conflicts answered, ${refused} refused`,
  )
  report.holds('every screen is equal to the database at the end, without being asked', equal)
  report.holds('nothing is overwritten unseen', unseen === 0)
  report.holds('nothing was refused', refused === 0)
  for (const { close } of screens) close()
  return report
}
