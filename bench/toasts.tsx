'use client'

import { useEffect } from 'react'
import { useBench, useSession } from './context'
import { toast as tell } from './store/session'

const staysMs = 7000

/** What just happened, with its undo. */
export function Toasts() {
  const { session, documents } = useBench()
  const toast = useSession((s) => s.toast)
  useEffect(() => {
    if (!toast) return
    const timer = setTimeout(() => session.setState({ toast: null }), staysMs)
    return () => clearTimeout(timer)
  }, [toast, session])
  if (!toast) return null
  return (
    <div
      role="status"
      className="fixed bottom-44 left-1/2 z-40 flex max-w-xl -translate-x-1/2 items-center gap-3 rounded-lg bg-ink px-4 py-2 text-card shadow-lg"
    >
      <span>{toast.text}</span>
      {toast.step && (
        <button
          type="button"
          className="cursor-pointer font-semibold underline"
          onClick={() => {
            const done = toast.step && documents.takeBack(toast.step)
            if (done) session.setState({ toast: null })
            else tell(session, 'This can no longer be undone by itself: what it changed has changed since.')
          }}
        >
          Undo
        </button>
      )}
      <button
        type="button"
        aria-label="Close"
        className="cursor-pointer opacity-70 hover:opacity-100"
        onClick={() => session.setState({ toast: null })}
      >
        ×
      </button>
    </div>
  )
}
