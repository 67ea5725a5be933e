import { useEffect, useState } from 'react'
import { type ListedFigures } from './job-row'

type FiguresEvent = { readonly type: string; readonly id: string } & ListedFigures

/** Figures that were computed after the page was made, by job; told by the server as they come. */
export function useNewFigures(): Readonly<Record<string, ListedFigures>> {
  const [figures, setFigures] = useState<Readonly<Record<string, ListedFigures>>>({})
  useEffect(() => {
    const source = new EventSource('/api/events')
    source.onmessage = ({ data }: MessageEvent<string>) => {
      // Our own server's words.
      const { type, id, summary, state } = JSON.parse(data) as FiguresEvent
      if (type !== 'figures') return
      setFigures((before) => ({
        ...before,
        [id]: { summary: summary ?? before[id]?.summary ?? null, state },
      }))
    }
    return () => source.close()
  }, [])
  return figures
}
