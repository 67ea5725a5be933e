'use client'

import { useEffect } from 'react'
import { useStore } from 'zustand'
import { useBench } from '../context'

/** "saved", "saving", or "offline: n edits kept". */
export function SaveState() {
  const { outbox } = useBench()
  const { status, pending } = useStore(outbox.store)
  useEffect(() => {
    const back = () => outbox.flush()
    window.addEventListener('online', back)
    return () => window.removeEventListener('online', back)
  }, [outbox])
  const text = {
    saved: 'saved',
    saving: 'saving',
    offline: `offline: ${pending.length} ${pending.length === 1 ? 'edit' : 'edits'} kept`,
  }[status]
  return (
    <span role="status" data-save={status} className={`quiet ${status === 'offline' ? 'text-clay' : ''}`}>
      {text}
    </span>
  )
}
