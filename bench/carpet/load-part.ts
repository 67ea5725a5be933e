import { useStore } from 'zustand'
import { useBench, useSession } from '../context'
import { showsLoadPart } from '../store/session'

/** What the one thing of the house uses that the carpet is to show, kWh by interval; null while it is the whole. */
export function useLoadPart(): Float32Array | null {
  const { live } = useBench()
  const optionId = useSession((s) => s.optionId)
  const id = useSession((s) => (showsLoadPart(s) ? s.loadPart : null))
  const ranking = useStore(live.store, (s) => s.rankings[optionId]?.ranking)
  if (id === null || ranking?.of !== 'loads') return null
  return ranking.rows.find((part) => part.id === id)?.kwh ?? null
}
