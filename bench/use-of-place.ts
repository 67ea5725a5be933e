import { useEffect, useState } from 'react'
import { type LatLon } from '@/core/geometry/geo'
import { Fault } from '@/core/model/fault'
import { overHttp, type Ask } from '@/services/ask'
import { useSite } from './context'

const world = overHttp('/world')

/**
 * What the world knows of the site's place; null until it is known, nothing where nobody answers.
 * @param at asks for it; the same one each time
 */
export function useOfPlace<T>(
  at: (ask: Ask, place: LatLon, signal: AbortSignal) => Promise<readonly T[]>,
): readonly T[] | null {
  const { latitudeDeg, longitudeDeg } = useSite()
  const [known, setKnown] = useState<readonly T[] | null>(null)
  useEffect(() => {
    const controller = new AbortController()
    at(world, { latitudeDeg, longitudeDeg }, controller.signal).then(setKnown, (error: unknown) => {
      if (error instanceof Fault) setKnown([])
      else if (!controller.signal.aborted) throw error
    })
    return () => controller.abort()
  }, [at, latitudeDeg, longitudeDeg])
  return known
}
