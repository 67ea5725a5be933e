'use client'

import { useEffect, useRef, useState } from 'react'
import { type LayOffers } from '@/core/readers/lay-offers'
import { type Design } from '@/core/stages/world'
import { type LayingAnswer, type LayingRequest } from '@/workers/laying-messages'
import { useBench, useHouse, useOption } from '../../context'

/** Waits this long after an edit, so that nothing is laid in every way while something is dragged. */
const restMs = 150

/** What the array would hold laid otherwise; null until that is known of the documents as they are. */
export function useLayOffers(arrayId: string): LayOffers | null {
  const { catalogue } = useBench()
  const [house, option] = [useHouse(), useOption()]
  const asking = useRef<{ worker: Worker | null; id: number }>({ worker: null, id: 0 })
  const [known, setKnown] = useState<{ readonly design: Design; readonly offers: LayOffers | null } | null>(
    null,
  )

  useEffect(() => {
    const { current } = asking
    return () => {
      current.worker?.terminate()
      current.worker = null
    }
  }, [])
  useEffect(() => {
    const { current } = asking
    const wait = setTimeout(() => {
      const design: Design = { house, option, catalogue }
      const id = ++current.id
      const worker = (current.worker ??= new Worker(
        new URL('../../../workers/laying.worker.ts', import.meta.url),
        { type: 'module' },
      ))
      worker.onmessage = ({ data }: MessageEvent<LayingAnswer>) => {
        if (data.id === id) setKnown({ design, offers: data.offers })
      }
      worker.postMessage({ id, design, arrayId } satisfies LayingRequest)
    }, restMs)
    return () => clearTimeout(wait)
  }, [house, option, catalogue, arrayId])
  return known?.design.house === house && known.design.option === option ? known.offers : null
}
