'use client'

import { useEffect, useRef, useState } from 'react'
import { type AfterReport } from '@/core/after/report'
import { type MeterProblem } from '@/core/load/meter/reading'
import { Fault } from '@/core/model/fault'
import { later } from '@/words/en/later'
import { type AfterAnswer } from '@/workers/after-messages'
import { useBench, useHouse, useNumbers, useOption, useSayer, useSite, useStations } from '../context'
import { DayField } from '../fields/day-field'
import { FileButton } from '../fields/file-button'
import { askOwnWorker } from '../own-worker'
import { Sheet } from '../sheet'
import { chosenStation, weatherUrlOf } from '../stations/station-choice'
import { AfterFound } from './after-found'

const words = later.after
const mostBytes = 60_000_000
/** Longest that the years are run again, ms. */
const mostMs = 120_000
const hourMs = 3_600_000

type State =
  | { readonly at: 'asking' | 'reading' | 'stopped' }
  | { readonly at: 'wrong'; readonly text: string }
  | { readonly at: 'found'; readonly report: AfterReport; readonly problems: readonly MeterProblem[] }

/** The year after: what was promised against what was made, corrected for the weather that was. */
export function AfterSheet() {
  const { session, catalogue } = useBench()
  const [house, option] = [useHouse(), useOption()]
  const { numbers } = useNumbers()
  const site = useSite()
  const stations = useStations()
  const sayer = useSayer()
  const [file, setFile] = useState<File | null>(null)
  const [since, setSince] = useState<string | null>(null)
  const [state, setState] = useState<State>({ at: 'asking' })
  const running = useRef<AbortController | null>(null)
  useEffect(() => () => running.current?.abort(), [])

  const read = async (chosen: File, from: string | null) => {
    running.current?.abort()
    const own = new AbortController()
    running.current = own
    const show = (next: State) => {
      if (running.current === own) setState(next)
    }
    setFile(chosen)
    show({ at: 'reading' })
    try {
      const found = chosenStation(stations, site.stationId)
      if (!found) throw new Fault('no-station', {}, 'site.stationId')
      if (chosen.size > mostBytes) throw new Fault('meter-too-large', { limit: mostBytes / 1e6 })
      const { station, standsIn } = found
      const measured = station.own ? stations.find((one) => !one.own) : station
      const bytes = await chosen.arrayBuffer()
      const answer = await askOwnWorker<AfterAnswer>(
        {
          type: 'after',
          house,
          option,
          catalogue,
          station: { ...station, standsIn },
          weatherUrl: weatherUrlOf(station.id),
          recordUrl: measured ? weatherUrlOf(measured.id) : null,
          file: bytes,
          sinceHour: from === null ? null : Date.parse(from) / hourMs,
        },
        { transfer: [bytes], mostMs, tooSlow: 'after-too-slow', stopped: own.signal },
      )
      if (answer?.report) show({ at: 'found', report: answer.report, problems: answer.problems })
      else show({ at: 'stopped' })
    } catch (error) {
      if (own.signal.aborted) return show({ at: 'stopped' })
      if (!(error instanceof Fault)) throw error
      show({ at: 'wrong', text: sayer.fault(error) })
    }
  }
  const nothing = !numbers || numbers.summary.count === 0
  return (
    <Sheet title={words.title} onClose={() => session.setState({ dialog: null })}>
      {nothing ? (
        <p>{words.none}</p>
      ) : (
        <>
          {file === null && <p className="mb-3 max-w-prose">{words.intro}</p>}
          <div className="mb-3 flex flex-wrap items-center gap-3">
            <FileButton
              label={file === null ? words.choose : words.another}
              accept=".csv,.txt,.tsv,text/csv,text/plain"
              className="button"
              onTake={([one]) => one && void read(one, since)}
            />
            <div className="w-64">
              <DayField
                label={words.since}
                value={since}
                onSet={(day) => {
                  setSince(day)
                  if (file) void read(file, day)
                  return null
                }}
              />
            </div>
            <p role="status" className="quiet flex-1">
              {state.at === 'reading' ? words.reading : state.at === 'stopped' ? words.stopped : ''}
            </p>
            {state.at === 'reading' && (
              <button type="button" className="button" onClick={() => running.current?.abort()}>
                {words.stop}
              </button>
            )}
          </div>
          {state.at === 'wrong' && (
            <p role="alert" className="rounded-md bg-clay-soft p-2 text-clay">
              {state.text}
            </p>
          )}
          {state.at === 'found' && file && (
            <AfterFound report={state.report} problems={state.problems} fileName={file.name} />
          )}
        </>
      )}
    </Sheet>
  )
}
