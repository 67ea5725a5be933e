import { setTimeout as pause } from 'node:timers/promises'
import { log } from '../log'
import { manyEditsSince } from '../sql/documents'
import { manyJobStates, manyPresent, removeOldPresence, type JobState, type Presence } from '../sql/live'
import { announce, listenedTo } from './channel'
import { figuresSince } from './figures'

/**
 * One a process: looks into the database for what its screens wait for, whichever process stored it, and tells them.
 */
const restMs = 250
/** After a failure; and how often what nobody took leave from is swept away. */
const failedMs = 2000
const sweepMs = 600_000

interface Known {
  readonly jobs: Map<string, JobState>
  readonly present: Map<string, string>
  figuresAt: Date
  running: boolean
  sweptAt: number
}

const holder = globalThis as { tallGablePoller?: Known }
const known = () =>
  (holder.tallGablePoller ??= {
    jobs: new Map(),
    present: new Map(),
    figuresAt: new Date(),
    running: false,
    sweptAt: 0,
  })

/** Begins to look, as long as anybody listens. */
export function wakePoller(): void {
  if (known().running) return
  known().running = true
  void go().finally(() => {
    known().running = false
  })
}

async function go(): Promise<void> {
  for (;;) {
    const jobs = listenedTo('job')
    const teams = listenedTo('team')
    if (jobs.length + teams.length === 0) {
      known().jobs.clear()
      known().present.clear()
      return
    }
    try {
      if (jobs.length > 0) await Promise.all([lookAtJobs(jobs), lookAtPresence(jobs)])
      if (teams.length > 0) await lookAtFigures(teams)
      if (Date.now() - known().sweptAt > sweepMs) {
        known().sweptAt = Date.now()
        await removeOldPresence()
      }
      await pause(restMs)
    } catch (error) {
      log.warn({ error: error instanceof Error ? error.message : 'unknown' }, 'poller')
      await pause(failedMs)
    }
  }
}

async function lookAtJobs(ids: readonly string[]): Promise<void> {
  const { jobs } = known()
  for (const id of jobs.keys()) if (!ids.includes(id)) jobs.delete(id)
  for (const state of await manyJobStates(ids)) {
    const before = jobs.get(state.id)
    // Who listened before this process first looked may have missed something, and asks again.
    if (!before) announce(`job ${state.id}`, { type: 'at', revision: state.revision })
    else if (state.revision > before.revision) {
      const edits = await manyEditsSince(state.id, before.revision)
      const revision = edits.at(-1)?.revision ?? state.revision
      announce(`job ${state.id}`, { type: 'edits', after: before.revision, edits, revision })
    }
    if (before?.commentMark !== state.commentMark)
      announce(`job ${state.id}`, { type: 'comments', open: state.openComments })
    if (before && (before.name !== state.name || before.deleted !== state.deleted))
      announce(`job ${state.id}`, { type: 'job', name: state.name, deleted: state.deleted })
    jobs.set(state.id, state)
  }
}

async function lookAtPresence(ids: readonly string[]): Promise<void> {
  const { present } = known()
  const there = new Map<string, Presence[]>(ids.map((id) => [id, []]))
  for (const one of await manyPresent(ids)) there.get(one.jobId)?.push(one)
  for (const [id, screens] of there) {
    const text = JSON.stringify(screens)
    if (present.get(id) === text) continue
    present.set(id, text)
    announce(`job ${id}`, { type: 'present', screens })
  }
}

async function lookAtFigures(teams: readonly string[]): Promise<void> {
  for (const { teamId, at, event } of await figuresSince(teams, known().figuresAt)) {
    if (at > known().figuresAt) known().figuresAt = at
    if (event) announce(`team ${teamId}`, event)
  }
}
