import { useEffect, useRef, useState } from 'react'
import { ofKind } from '@/core/kinds/documents'
import { type Production } from '@/core/kinds/production/production'
import { type MeterProblem } from '@/core/load/meter/reading'
import { Fault } from '@/core/model/fault'
import { later } from '@/words/en/later'
import { type MadeAnswer } from '@/workers/after-messages'
import { useHouse } from '../context'
import { nameOfFile } from '../fields/file-name'
import { askOwnWorker } from '../own-worker'
import { useRecord } from '../record/use-record'

const mostBytes = 60_000_000
/** Longest that a file is read, ms. */
const mostMs = 60_000

/** What was said of the file that was taken last. */
export interface Taken {
  readonly problems: readonly MeterProblem[]
  /** Spans that are too old to be kept. */
  readonly leftOut: number
  /** Whether somebody reads who may not change the job. */
  readonly unkept: boolean
}

/** The production file of the job: kept with it, so that whoever opens it next sees the same. */
export function useProduction() {
  const [kept] = ofKind(useHouse(), 'production')
  const { add, set, remove } = useRecord()
  const [own, setOwn] = useState<Production | null>(null)
  const [taken, setTaken] = useState<Taken | null>(null)
  const [state, setState] = useState<Fault | 'reading' | null>(null)
  const running = useRef<AbortController | null>(null)
  useEffect(() => () => running.current?.abort(), [])
  const production = own ?? kept ?? null

  const read = async (file: File, stopped: AbortSignal) => {
    if (file.size > mostBytes) throw new Fault('meter-too-large', { limit: mostBytes / 1e6 })
    const bytes = await file.arrayBuffer()
    const answer = await askOwnWorker<MadeAnswer>(
      { type: 'made', file: bytes, name: nameOfFile(file) },
      { transfer: [bytes], mostMs, tooSlow: 'after-too-slow', stopped },
    )
    if (!answer?.production) return
    const next = { ...answer.production, since: production?.since ?? null }
    const fault = add(later.after.keep, [next])
    // Whoever may not change the job sees the comparison all the same.
    if (fault && fault.code !== 'not-your-role') throw fault
    setOwn(fault ? next : null)
    setTaken({ problems: answer.problems, leftOut: answer.leftOut, unkept: fault !== null })
  }
  return {
    production,
    taken,
    state,
    take: (file: File) => {
      running.current?.abort()
      const control = new AbortController()
      running.current = control
      setState('reading')
      read(file, control.signal).then(
        () => {
          if (running.current === control) setState(null)
        },
        (error: unknown) => {
          if (!(error instanceof Fault)) throw error
          if (running.current === control) setState(error)
        },
      )
    },
    setSince: (since: string | null): Fault | null => {
      if (own) {
        setOwn({ ...own, since })
        return null
      }
      return production && set(later.fields.production.since, production.id, { since })
    },
    remove: () => {
      setOwn(null)
      setTaken(null)
      setState(null)
      if (kept) remove(kept)
    },
  }
}
