'use client'

import { useEffect, useState } from 'react'
import { BenchContext, type BenchParts, useSession } from './context'
import { Carpet } from './carpet/carpet'
import { Commands } from './commands/commands'
import { fetchCards } from './kinds/lazy-card'
import { Ledger } from './ledger/ledger'
import { LiveLink } from './live-link'
import { openBench, type Opening } from './open-bench'
import { reportErrors } from './report-errors'
import { fetchLaterParts, lazyPart } from './lazy-parts'
import { Outline } from './outline/outline'
import { Stopped } from './saving/stopped'
import { Sheets } from './sheets'
import { Stage } from './stage/stage'
import { Toasts } from './toasts'
import { TopBar } from './top-bar/top-bar'

const ChapterPanel = lazyPart('ChapterPanel')

/** By then the job is on the screen with its numbers, and nothing waits for the network. */
const restAfterMs = 15_000

/** Cards and chapters that are not open yet; what can't be fetched now is asked for again when it is shown. */
const fetchTheRest = () => void Promise.all([fetchCards(), fetchLaterParts()]).catch(() => undefined)

const makeWorker = () =>
  new Worker(new URL('../workers/chain.worker.ts', import.meta.url), { type: 'module' })

/** The workspace of one job. */
export function Bench({ jobId, job, revision, lastLines, comments, catalogue, role, contractor }: Opening) {
  const [parts, setParts] = useState<BenchParts | null>(null)
  useEffect(reportErrors, [])
  useEffect(() => {
    const timer = setTimeout(fetchTheRest, restAfterMs)
    return () => clearTimeout(timer)
  }, [])
  useEffect(() => {
    let gone = false
    let opened: BenchParts | null = null
    void openBench(
      { jobId, job, revision, lastLines, comments, catalogue, role, contractor },
      makeWorker,
      fetchLaterParts,
    ).then((made) => {
      opened = made
      if (gone) {
        made.close()
        return
      }
      made.line.start()
      setParts(made)
    })
    return () => {
      gone = true
      opened?.close()
    }
  }, [jobId, job, revision, lastLines, comments, catalogue, role, contractor])
  if (!parts) return <p className="p-6 text-pencil">Opening {job.name} …</p>
  return (
    <BenchContext value={parts}>
      <LiveLink />
      <Layout name={job.name} />
    </BenchContext>
  )
}

/** Chapters whose place in the middle belongs to charts; the stage shrinks into the corner. */
const chartChapters = new Set(['match', 'store', 'offer'])

function Layout({ name }: { readonly name: string }) {
  const chapter = useSession((s) => s.chapter)
  const left = useSession((s) => s.leftFolded)
  const past = useSession((s) => s.dialog === 'history')
  const right = useSession((s) => s.rightFolded)
  const charts = chartChapters.has(chapter)
  const columns = `${left ? '0px' : '220px'} minmax(0,1fr) ${right ? '0px' : '260px'}`
  /** On a narrow screen a panel lies over the stage. */
  const over =
    'max-[900px]:absolute max-[900px]:inset-y-0 max-[900px]:z-30 max-[900px]:w-[min(18rem,88vw)] max-[900px]:shadow-xl'
  return (
    <div className="grid h-dvh grid-rows-[48px_minmax(0,1fr)_124px] overflow-hidden [@media(max-height:520px)]:grid-rows-[48px_minmax(0,1fr)_0px]">
      <TopBar name={name} />
      <div
        className="relative grid min-h-0 max-[900px]:![grid-template-columns:minmax(0,1fr)]"
        style={{ gridTemplateColumns: columns }}
      >
        <div
          className={`min-h-0 min-w-0 overflow-hidden border-r border-line bg-card ${over} max-[900px]:left-0 ${left ? 'max-[900px]:hidden' : ''}`}
          inert={left || past}
        >
          <Outline />
        </div>
        <main className={`relative min-h-0 min-w-0 ${charts ? 'overflow-hidden' : ''}`}>
          {charts && <ChapterPanel />}
          <div
            className={
              charts
                ? 'absolute top-4 right-5 z-20 h-[170px] w-[240px] overflow-hidden rounded-lg border border-line'
                : 'h-full'
            }
            // It goes along with the charts, so that nothing scrolls away under it.
            style={charts ? { translate: '0 calc(var(--scrolled, 0) * -1px)' } : undefined}
          >
            <Stage small={charts} />
          </div>
        </main>
        <div
          className={`min-h-0 min-w-0 overflow-hidden border-l border-line bg-card ${over} max-[900px]:right-0 ${right ? 'max-[900px]:hidden' : ''}`}
          inert={right}
        >
          <Ledger />
        </div>
      </div>
      {past || <Carpet />}
      <Stopped />
      <Toasts />
      <Commands />
      <Sheets />
    </div>
  )
}
