import { useEffect, useState } from 'react'
import { type Production } from '@/core/kinds/production/production'
import { Fault } from '@/core/model/fault'
import { type AfterAnswer } from '@/workers/after-messages'
import { useBench, useSite, useStations } from '../context'
import { askOwnWorker } from '../own-worker'
import { chosenStation, weatherUrlOf } from '../stations/station-choice'
import { type Promised } from './use-promising'

/** Longest that the years are run again, ms. */
const mostMs = 120_000

/** The answer, where there is no fault in it. */
export type Found = Extract<AfterAnswer, { fault: null }>

export type Reading =
  | { readonly at: 'running' | 'stopped' }
  | { readonly at: 'wrong'; readonly fault: Fault }
  | ({ readonly at: 'found' } & Found)

/**
 * What was made against what was promised: computed again whenever either, or the station, changes.
 * @param promised undefined while it is fetched
 */
export function useReport(
  production: Production | null,
  promised: Promised | undefined,
): { readonly reading: Reading; readonly stop: () => void } {
  const { catalogue } = useBench()
  const { stationId } = useSite()
  const stations = useStations()
  const promising = promised?.promising
  const offered = promised?.stationId ?? null
  const chosen = chosenStation(stations, stationId)
  // An offer names the station that it was computed with, wherever the site's is now.
  const named = offered === null ? undefined : stations.find(({ id }) => id === offered)
  const station = chosen && {
    ...(named ?? chosen.station),
    id: offered ?? chosen.station.id,
    standsIn: offered === null && chosen.standsIn,
  }
  const measured = station?.own ? stations.find(({ own }) => !own) : station
  const [reading, setReading] = useState<Reading>({ at: 'running' })
  const [running, setRunning] = useState<AbortController | null>(null)
  const key = JSON.stringify({ station, measured: measured?.id ?? null })
  useEffect(() => {
    if (!production || !promising) return
    const own = new AbortController()
    let latest = true
    const show = (next: Reading) => {
      if (latest) setReading(next)
    }
    const read = async () => {
      show({ at: 'running' })
      setRunning(own)
      const known = JSON.parse(key) as { station: typeof station; measured: string | null }
      if (!known.station) throw new Fault('no-station', {}, 'site.stationId')
      const answer = await askOwnWorker<AfterAnswer>(
        {
          type: 'after',
          promising,
          catalogue,
          station: known.station,
          weatherUrl: weatherUrlOf(known.station.id),
          recordUrl: known.measured === null ? null : weatherUrlOf(known.measured),
          production,
        },
        { transfer: [], mostMs, tooSlow: 'after-too-slow', stopped: own.signal },
      )
      show(answer?.report ? { at: 'found', ...answer } : { at: 'stopped' })
    }
    read().catch((error: unknown) => {
      if (!(error instanceof Fault)) throw error
      show({ at: 'wrong', fault: error })
    })
    return () => {
      latest = false
      own.abort()
    }
  }, [production, promising, catalogue, key])
  return { reading, stop: () => running?.abort() }
}
