import { useEffect, useState } from 'react'
import { fetchLaterParts } from '../lazy-parts'
import type * as Later from '../later-parts'

/** How a thing is drawn on the stage, by its name: a script of its own, fetched when it is first needed. */
export function useLaterDrawing<N extends 'marginLines' | 'rackingLines'>(
  name: N,
  needed: boolean,
): (typeof Later)[N] | null {
  const [draw, setDraw] = useState<(typeof Later)[N] | null>(null)
  useEffect(() => {
    if (!needed || draw) return
    let gone = false
    // Without it the stage is as it was; the next look asks again.
    fetchLaterParts().then(
      (parts) => {
        if (!gone) setDraw(() => parts[name])
      },
      () => undefined,
    )
    return () => {
      gone = true
    }
  }, [name, needed, draw])
  return draw
}
