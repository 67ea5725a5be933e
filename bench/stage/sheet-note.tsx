'use client'

import { useEffect, useMemo, useState } from 'react'
import { Fault } from '@/core/model/fault'
import { overHttp } from '@/services/ask'
import { imageryAt } from '@/services/world'
import { type StageView } from '@/stage/stage-view'
import { useSite } from '../context'

/** Says when the aerial picture was taken, and that it is still coming. */
export function SheetNote({ view, muted }: { readonly view: StageView; readonly muted: boolean }) {
  const { latitudeDeg, longitudeDeg, locale, sheetStrength } = useSite()
  const [takenAt, setTakenAt] = useState<string | null>(null)
  const [waiting, setWaiting] = useState(0)
  useEffect(() => view.sheet.onWaiting(setWaiting), [view])
  useEffect(() => {
    const controller = new AbortController()
    imageryAt(overHttp('/world'), { latitudeDeg, longitudeDeg }, controller.signal).then(
      (imagery) => setTakenAt(imagery.takenAt),
      (error: unknown) => {
        // A picture of which nothing is known carries no note.
        if (error instanceof Fault) setTakenAt(null)
        else if (!controller.signal.aborted) throw error
      },
    )
    return () => controller.abort()
  }, [latitudeDeg, longitudeDeg])
  const when = useMemo(() => (takenAt === null ? '' : moment(takenAt, locale)), [takenAt, locale])
  if (sheetStrength < 0.01 || (takenAt === null && waiting === 0)) return null
  return (
    <p
      role="status"
      className="quiet rounded-md bg-card/85 px-2.5 py-1"
      data-sheet={waiting > 0 ? 'coming' : 'there'}
    >
      {waiting > 0
        ? 'The aerial picture is coming …'
        : `Aerial picture of ${when}${muted ? ', its shadows muted' : ''}`}
    </p>
  )
}

/** "14 May, 10:40" as it is written in a locale. */
function moment(takenAt: string, locale: string): string {
  const at = new Date(`${takenAt}Z`)
  const day = at.toLocaleDateString(locale, { day: 'numeric', month: 'long', timeZone: 'UTC' })
  return `${day}, ${takenAt.slice(11, 16)}`
}
