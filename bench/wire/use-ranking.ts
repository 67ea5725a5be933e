import { useEffect } from 'react'
import { useStore } from 'zustand'
import { type Ranking } from '@/workers/messages'
import { useBench, useHouse, useOption, useSession } from '../context'
import { LiveNumbers } from '../live/live-numbers'

type RowsOf<K extends Ranking['of']> = Extract<Ranking, { readonly of: K }>['rows']

/** Asks for something to be tried as long as somebody looks at it. */
export function useTried(of: Ranking['of'] | null): void {
  const { session } = useBench()
  useEffect(() => {
    session.setState({ tried: of })
    return () => session.setState({ tried: null })
  }, [session, of])
}

/** Whether it belongs to what is on the screen: with another inverter or other strings the ranking stays what it was. */
export function useRanking<K extends Ranking['of']>(
  of: K,
): { rows: RowsOf<K>; all: number | null; fresh: boolean } {
  useTried(of)
  const { live } = useBench()
  const id = useSession((s) => s.optionId)
  const house = useHouse()
  const objects = useOption()
  const known = useStore(live.store, (s) => s.rankings[id])
  const stationKey = useStore(live.store, (s) => s.stationKey)
  const ranking = known?.ranking.of === of ? known.ranking : null
  return {
    rows: (ranking?.rows ?? []) as RowsOf<K>,
    all: ranking?.all ?? null,
    fresh: ranking !== null && LiveNumbers.fits(known, house, objects, stationKey),
  }
}
