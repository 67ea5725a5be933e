'use client'

import { useLayoutEffect, useRef, useState, type PointerEvent, type ReactNode } from 'react'
import { type Vec3 } from '@/core/geometry/vector'
import { type StageView } from '@/stage/stage-view'

/** Of the stage's width, what a card at the left covers. */
const coveredShare = 0.36

/**
 * Where the card stands: at the left, or at the right under the view buttons where it would cover what it is about. It
 * can be taken by its head and put elsewhere; there it stays until something else is selected.
 * @param about a point of what is selected; null where it has none
 */
export function CardPlace({
  view,
  about,
  of,
  children,
}: {
  readonly view: StageView
  readonly about: Vec3 | null
  readonly of: string
  readonly children: ReactNode
}) {
  const side = useSide(view, about, of)
  const [moved, setMoved] = useState<{ readonly of: string; readonly by: readonly [number, number] } | null>(
    null,
  )
  const taken = useRef<readonly [x: number, y: number, left: number, top: number] | null>(null)
  const by = moved?.of === of ? moved.by : [0, 0]
  const onPointerDown = (event: PointerEvent<HTMLDivElement>) => {
    const target = event.target as HTMLElement
    if (event.button !== 0 || !target.closest('[data-card-head]') || target.closest('button')) return
    event.currentTarget.setPointerCapture(event.pointerId)
    taken.current = [event.clientX, event.clientY, by[0] ?? 0, by[1] ?? 0]
  }
  const onPointerMove = (event: PointerEvent<HTMLDivElement>) => {
    if (!taken.current) return
    const [x, y, left, top] = taken.current
    setMoved({ of, by: [left + event.clientX - x, top + event.clientY - y] })
  }
  return (
    <div
      className={`absolute z-10 flex max-h-full ${side === 'left' ? 'top-3 left-3 pb-6' : 'top-24 right-3 pb-28'}`}
      style={{ transform: `translate(${by[0]}px, ${by[1]}px)` }}
      data-card-side={side}
      onPointerDown={onPointerDown}
      onPointerMove={onPointerMove}
      onPointerUp={() => (taken.current = null)}
      onPointerCancel={() => (taken.current = null)}
    >
      {children}
    </div>
  )
}

/** Chosen when something is selected and kept while it is: a card does not hop about when the stage is turned. */
function useSide(view: StageView, about: Vec3 | null, of: string): 'left' | 'right' {
  const [chosen, setChosen] = useState<{ readonly of: string; readonly side: 'left' | 'right' } | null>(null)
  const latest = useRef(about)
  useLayoutEffect(() => {
    latest.current = about
  }, [about])
  // Before it is painted, so that it does not hop.
  useLayoutEffect(() => {
    const at = latest.current && view.sight.project(latest.current)
    setChosen({ of, side: at && at[0] < view.sight.widthPx() * coveredShare ? 'right' : 'left' })
  }, [view, of])
  return chosen?.of === of ? chosen.side : 'left'
}
