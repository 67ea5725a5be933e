'use client'

import { useEffect } from 'react'
import { useStore } from 'zustand'
import { useBench } from '../context'

const edits = (count: number) => `${count} ${count === 1 ? 'edit' : 'edits'}`

/** What became of the edits: "saved", "saving", "offline: n edits kept", or what waits for a person. */
export function SaveState() {
  const { outbox } = useBench()
  const { status, pending, conflicts, refused, shelved } = useStore(outbox.store)
  useEffect(() => {
    const back = () => outbox.flush()
    window.addEventListener('online', back)
    return () => window.removeEventListener('online', back)
  }, [outbox])
  const waits = conflicts.length + refused.length
  const kept = shelved ? 'kept' : 'only on this page'
  const text = {
    saved: waits > 0 ? `${edits(waits)} not saved` : 'saved',
    saving: 'saving',
    offline: `offline: ${edits(pending.length)} ${kept}`,
    'signed-out': `signed out: ${edits(pending.length)} ${kept}`,
    deleted: `deleted elsewhere: ${edits(pending.length)} ${kept}`,
  }[status]
  const state = status === 'saved' && waits > 0 ? 'asked' : status
  const calm = state === 'saved' || state === 'saving'
  return (
    <span role="status" data-save={state} className={`quiet ${calm ? '' : 'text-clay'}`}>
      {text}
    </span>
  )
}
