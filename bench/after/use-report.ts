import { useEffect, useRef, useState } from 'react'
import { type AfterReport } from '@/core/after/report'
import { type MeterProblem } from '@/core/load/meter/reading'
import { Fault } from '@/core/model/fault'
import { type AfterAnswer } from '@/workers/after-messages'
import { useBench, useHouse, useOption, useSite, useStations } from '../context'
import { askOwnWorker } from '../own-worker'
import { chosenStation, weatherUrlOf } from '../stations/station-choice'

const mostBytes = 60_000_000
/** Longest that the years are run again, ms. */
const mostMs = 120_000
const hourMs = 3_600_000

export type Reading =
  | { readonly at: 'asking' | 'reading' | 'stopped' }
  | { readonly at: 'wrong'; readonly fault: Fault }
  | { readonly at: 'found'; readonly report: AfterReport; readonly problems: readonly MeterProblem[] }

/**
 * What a file says of the option on the screen as it is: read again whenever the design, the station or the day changes.
 * @param since the day it began to run; null for the first one measured
 */
export function useReport(file: File | null, since: string | null): { reading: Reading; stop: () => void } {
  const { catalogue } = useBench()
  const [house, option] = [useHouse(), useOption()]
  const { stationId } = useSite()
  const stations = useStations()
  const found = chosenStation(stations, stationId)
  const [reading, setReading] = useState<Reading>({ at: 'asking' })
  const running = useRef<AbortController | null>(null)
  const key = JSON.stringify({
    found,
    measured: found?.station.own ? stations.find(({ own }) => !own) : found?.station,
  })
  useEffect(() => {
    if (!file) return
    const own = new AbortController()
    running.current = own
    const show = (next: Reading) => {
      if (running.current === own) setReading(next)
    }
    const read = async () => {
      show({ at: 'reading' })
      const known = JSON.parse(key) as { found: typeof found; measured?: { readonly id: string } }
      if (!known.found) throw new Fault('no-station', {}, 'site.stationId')
      if (file.size > mostBytes) throw new Fault('meter-too-large', { limit: mostBytes / 1e6 })
      const { station, standsIn } = known.found
      const bytes = await file.arrayBuffer()
      const answer = await askOwnWorker<AfterAnswer>(
        {
          type: 'after',
          house,
          option,
          catalogue,
          station: { ...station, standsIn },
          weatherUrl: weatherUrlOf(station.id),
          recordUrl: known.measured ? weatherUrlOf(known.measured.id) : null,
          file: bytes,
          sinceHour: since === null ? null : Date.parse(since) / hourMs,
        },
        { transfer: [bytes], mostMs, tooSlow: 'after-too-slow', stopped: own.signal },
      )
      show(
        answer?.report
          ? { at: 'found', report: answer.report, problems: answer.problems }
          : { at: 'stopped' },
      )
    }
    read().catch((error: unknown) => {
      if (!(error instanceof Fault)) throw error
      show({ at: 'wrong', fault: error })
    })
    return () => {
      if (running.current === own) running.current = null
      own.abort()
    }
  }, [file, since, house, option, catalogue, key])
  return { reading, stop: () => running.current?.abort() }
}
