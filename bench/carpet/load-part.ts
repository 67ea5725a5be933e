import { useStore } from 'zustand'
import { useBench, useHouse, useOption, useSession } from '../context'
import { LiveNumbers } from '../live/live-numbers'
import { showsLoadPart } from '../store/session'

/** What the carpet is to show of the consumption. */
interface ShownLoad {
  /** What the one thing of the house uses, kWh by interval; null while it is the whole. */
  readonly kwh: Float32Array | null
  /** Whether it is what was chosen, and of today. */
  readonly fresh: boolean
}

/** The consumption that was chosen for the carpet, as far as it is known. */
export function useLoadPart(): ShownLoad {
  const { live } = useBench()
  const optionId = useSession((s) => s.optionId)
  const house = useHouse()
  const objects = useOption()
  const id = useSession((s) => (showsLoadPart(s) ? s.loadPart : null))
  const known = useStore(live.store, (s) => s.rankings[optionId])
  const stationKey = useStore(live.store, (s) => s.stationKey)
  if (id === null) return { kwh: null, fresh: true }
  if (known?.ranking.of !== 'loads') return { kwh: null, fresh: false }
  return {
    kwh: known.ranking.rows.find((part) => part.id === id)?.kwh ?? null,
    fresh: LiveNumbers.fits(known, house, objects, stationKey),
  }
}
