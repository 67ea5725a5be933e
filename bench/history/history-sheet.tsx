'use client'

import { useEffect, useState } from 'react'
import { useStore } from 'zustand'
import { learnedFaults } from '@/words/learned-faults'
import { useBench } from '../context'
import { toast } from '../store/session'
import { EditList } from './edit-list'
import { FilmBar } from './film-bar'
import { askHistory } from './history-requests'
import { Reel } from './reel'

/** The past of the job: its edits over the outline, the film under the stage, the job as it was between them. */
export function HistorySheet() {
  const { jobId, documents, sync, session } = useBench()
  const [reel] = useState(
    () =>
      new Reel({
        documents,
        sync,
        ask: (before) => askHistory(jobId, before),
        // After whatever the tool says that believes it done.
        onRefused: () => queueMicrotask(() => toast(session, learnedFaults['looking-back'] ?? '')),
      }),
  )
  const optionId = useOptionThere()
  useEffect(() => {
    void reel.read()
    // A tool in hand would work on what is no longer there.
    session.setState({ tool: 'select', selection: null, sketch: null, toast: null })
    return () => {
      reel.close()
      // Restored may be a job from before it was made.
      const options = documents.options.map(({ id }) => id)
      session.setState({
        lit: [],
        optionId: options.includes(optionId) ? optionId : (options[0] ?? optionId),
      })
    }
  }, [reel, session, documents, optionId])
  useEffect(() => {
    const onKey = ({ key }: KeyboardEvent) => key === 'Escape' && session.setState({ dialog: null })
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [session])
  return (
    <>
      <EditList reel={reel} />
      <FilmBar reel={reel} onClose={() => session.setState({ dialog: null })} />
    </>
  )
}

/** While the option on the screen is not there in the past, the first one that is; told is the one of today. */
function useOptionThere(): string {
  const { documents, session } = useBench()
  const [today] = useState(() => session.getState().optionId)
  const shown = useStore(documents.store, (s) => s.documents)
  useEffect(() => {
    const there = (id: string) => Object.keys(shown[id] ?? {}).length > 0
    if (there(session.getState().optionId)) return
    const first = there(today) ? today : documents.options[0]?.id
    if (first) session.setState({ optionId: first, selection: null })
  }, [shown, documents, session, today])
  return today
}
