import { useEffect, useRef, useState } from 'react'
import { Fault } from '@/core/model/fault'
import { type Candidate } from '@/core/readers/best-of'
import { type BestAnswer } from '@/workers/best-messages'
import { useBench, useHouse, useOption, useSite, useStations } from '../context'
import { askOwnWorker } from '../own-worker'
import { chosenStation, weatherUrlOf } from '../stations/station-choice'

/** Longest that is searched, ms. */
const mostMs = 300_000

export type Search =
  | { readonly at: 'searching'; readonly share: number }
  | { readonly at: 'stopped' }
  | { readonly at: 'wrong'; readonly fault: Fault }
  | { readonly at: 'found'; readonly candidates: readonly Candidate[] }

/** The ways to do the option on the screen as it is: searched again whenever it changes. */
export function useCandidates(): { search: Search; stop: () => void; again: () => void } {
  const { catalogue } = useBench()
  const [house, option] = [useHouse(), useOption()]
  const { stationId } = useSite()
  const found = chosenStation(useStations(), stationId)
  const [search, setSearch] = useState<Search>({ at: 'searching', share: 0 })
  const [round, setRound] = useState(0)
  const running = useRef<AbortController | null>(null)
  const stationKey = JSON.stringify(found)
  useEffect(() => {
    const own = new AbortController()
    running.current = own
    const show = (next: Search) => {
      if (running.current === own) setSearch(next)
    }
    const known = JSON.parse(stationKey) as typeof found
    const begin = async () => {
      show({ at: 'searching', share: 0 })
      if (!known) throw new Fault('no-station', {}, 'site.stationId')
      const answer = await askOwnWorker<BestAnswer>(
        {
          type: 'best',
          house,
          option,
          catalogue,
          station: { ...known.station, standsIn: known.standsIn },
          weatherUrl: weatherUrlOf(known.station.id),
        },
        {
          transfer: [],
          mostMs,
          tooSlow: 'best-too-slow',
          tell: (share) => show({ at: 'searching', share }),
          stopped: own.signal,
        },
      )
      show(answer?.candidates ? { at: 'found', candidates: answer.candidates } : { at: 'stopped' })
    }
    begin().catch((error: unknown) => {
      if (!(error instanceof Fault)) throw error
      show({ at: 'wrong', fault: error })
    })
    return () => {
      if (running.current === own) running.current = null
      own.abort()
    }
  }, [house, option, catalogue, stationKey, round])
  return {
    search,
    stop: () => running.current?.abort(),
    again: () => setRound((count) => count + 1),
  }
}
