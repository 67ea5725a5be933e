'use client'

import { useEffect, useState } from 'react'
import { middle3 } from '@/core/geometry/vector'
import { type StageView } from '@/stage/stage-view'
import { number } from '@/words/format'
import { useNumbers, useSite } from '../context'

/** Pixels that a module must measure from corner to corner to be written on. */
const leastPx = 34

/** Share of the year's light that shade leaves, written on each module, in percent. */
export function AccessLabels({ view }: { readonly view: StageView }) {
  const [, redraw] = useState(0)
  useEffect(() => view.onDraw(() => redraw((n) => n + 1)), [view])
  const site = useSite()
  const { numbers } = useNumbers()
  return numbers?.summary.panels.map(({ id, corners: [a, , c], sunAccess }) => {
    const [from, to, middle] = [
      view.sight.project(a),
      view.sight.project(c),
      view.sight.project(middle3(a, c)),
    ]
    if (!from || !to || !middle || Math.hypot(to[0] - from[0], to[1] - from[1]) < leastPx) return null
    return (
      <span
        key={id}
        className="pointer-events-none absolute -translate-x-1/2 -translate-y-1/2 rounded-sm bg-card/80 px-0.5 text-[12px] leading-4 text-ink"
        style={{ left: middle[0], top: middle[1] }}
        data-access={id}
      >
        {number(sunAccess * 100, site)}
      </span>
    )
  })
}
