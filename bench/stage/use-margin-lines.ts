import { useEffect, useState } from 'react'
import { type DrawMargins } from '@/stage/margins'
import { fetchLaterParts } from '../lazy-parts'

/** How setbacks are drawn, fetched when it is first needed; null until then. */
export function useMarginLines(needed: boolean): DrawMargins | null {
  const [draw, setDraw] = useState<DrawMargins | null>(null)
  useEffect(() => {
    if (!needed || draw) return
    let gone = false
    // Without them the stage is as it was; the next look asks again.
    fetchLaterParts().then(
      ({ marginLines }) => {
        if (!gone) setDraw(() => marginLines)
      },
      () => undefined,
    )
    return () => {
      gone = true
    }
  }, [needed, draw])
  return draw
}
