'use client'

import { memo } from 'react'
import { useStore } from 'zustand'
import { Chart } from '@/charts/chart'
import { inputName, type SideBySide } from '@/core/electrical/side-by-side'
import { electricalId } from '@/core/kinds/electrical/electrical'
import { theOne } from '@/core/kinds/documents'
import { clockOfHour, dateOfDay } from '@/core/model/moment'
import { modelYear } from '@/core/model/model-year'
import { type InputAtMoment } from '@/core/readers/input-curves'
import { later } from '@/words/en/later'
import { number } from '@/words/format'
import { type Sayer } from '@/words/sayer'
import { type CurvesAt, type Ranking } from '@/workers/messages'
import { intervalAt } from '../carpet/carpet-image'
import { Moment } from '../carpet/moment'
import { useBench, useCatalogue, useHouse, useNumbers, useOption, useSayer, useSession } from '../context'
import { LiveNumbers } from '../live/live-numbers'
import { Sheet } from '../sheet'
import { FigureHeads } from './ranked-row'
import { useTried } from './use-ranking'

const words = later.curves

/** The interval that the stage's moment is in; null in the hour that the clock skips. */
function useInterval(): number | null {
  const { numbers } = useNumbers()
  const day = useSession((s) => s.day)
  const hour = useSession((s) => s.hour)
  return numbers ? intervalAt(numbers.summary.carpet, day, hour) : null
}

const isOfCurves = (ranking: Ranking): ranking is Extract<Ranking, { readonly of: CurvesAt }> =>
  ranking.of.startsWith('curves ')

/** Curves that are known, if only of the moment before; `fresh` where they are of this one. */
function useCurves(at: number | null): { rows: readonly InputAtMoment[]; fresh: boolean } | null {
  useTried(at === null ? null : `curves ${at}`)
  const { live } = useBench()
  const id = useSession((s) => s.optionId)
  const [house, objects] = [useHouse(), useOption()]
  const known = useStore(live.store, (s) => s.rankings[id])
  const stationKey = useStore(live.store, (s) => s.stationKey)
  const ranking = known?.ranking
  if (!ranking || !isOfCurves(ranking)) return null
  return {
    rows: ranking.rows,
    fresh: ranking.of === `curves ${at}` && LiveNumbers.fits(known, house, objects, stationKey),
  }
}

/** What current the strings of each input have over its volts at the stage's moment, and where the inverter works on it. */
export function CurvesSheet() {
  const { session } = useBench()
  const day = useSession((s) => s.day)
  const hour = useSession((s) => s.hour)
  const { numbers } = useNumbers()
  const sayer = useSayer()
  const { inverterId } = theOne(useOption(), 'electrical', electricalId)
  const inverter = useCatalogue().inverters.find(({ id }) => id === inverterId)
  const at = useInterval()
  const known = useCurves(at)
  const volts = (value: number) => sayer.written({ value, unit: 'V', digits: 0 })
  const rows = known?.rows ?? []
  const beside = { inverters: numbers?.summary.inverters ?? 1, mppInputs: inverter?.mppInputs ?? 1 }
  const moment = `${dateOfDay(day, modelYear)}, ${clockOfHour(hour)}`
  return (
    <Sheet title={words.title} onClose={() => session.setState({ dialog: null })}>
      <div className="mb-2 flex items-end gap-4">
        <Moment />
        <p className="quiet">{words.moment}</p>
      </div>
      {at === null || !known || (known.fresh && rows.length === 0) ? (
        <p role="status" className="quiet">
          {at === null ? words.skipped : known ? words.dark : words.begins}
        </p>
      ) : (
        <div className={known.fresh ? '' : 'opacity-60'} data-fresh={known.fresh}>
          <Curves title={sayer.say(words.chart, { moment })} rows={rows} beside={beside} sayer={sayer} />
          <Points rows={rows} beside={beside} />
          {inverter && (
            <p className="quiet mt-2">
              {sayer.say(words.note, { low: volts(inverter.mppLowV), high: volts(inverter.mppHighV) })}
            </p>
          )}
        </div>
      )}
    </Sheet>
  )
}

const Curves = memo(function Curves({
  title,
  rows,
  beside: { inverters, mppInputs },
  sayer,
}: {
  readonly title: string
  readonly rows: readonly InputAtMoment[]
  readonly beside: SideBySide
  readonly sayer: Sayer
}) {
  const point = (volts: number, amperes: number) => ({
    x: Number(volts.toFixed(1)),
    y: Number(amperes.toFixed(3)),
  })
  const highest = Math.max(...rows.map(({ voltsV }) => voltsV.at(-1) ?? 0))
  const step = highest > 500 ? 100 : 50
  const ticks = Math.ceil(highest / step)
  return (
    <Chart
      title={title}
      type="line"
      height={270}
      series={[
        ...rows.map(({ input, voltsV, currentA }) => ({
          name: sayer.say(words.input, { input: inputName(input, { inverters, mppInputs }) }),
          type: 'line',
          data: voltsV.map((volts, k) => point(volts, currentA[k] ?? 0)),
        })),
        {
          name: words.working,
          type: 'scatter',
          data: rows.flatMap(({ work }) => (work ? [point(work.voltsV, work.powerW / work.voltsV)] : [])),
        },
      ]}
      options={(palette) => ({
        stroke: { width: [...rows.map(() => 2), 0], dashArray: rows.map((_, k) => 3 * Math.floor(k / 3)) },
        markers: { size: [...rows.map(() => 0), 6] },
        colors: [
          ...rows.map((_, k) => [palette.verdigris, palette.straw, palette.pencil][k % 3] ?? palette.ink),
          palette.clay,
        ],
        xaxis: {
          type: 'numeric',
          min: 0,
          max: ticks * step,
          tickAmount: ticks,
          title: { text: words.volts },
          labels: { formatter: (v: string) => number(Number(v), sayer.place, 0) },
        },
        yaxis: {
          min: 0,
          title: { text: words.amperes },
          labels: { formatter: (v: number) => number(v, sayer.place, 1) },
        },
      })}
    />
  )
})

function Points({ rows, beside }: { readonly rows: readonly InputAtMoment[]; readonly beside: SideBySide }) {
  const sayer = useSayer()
  const volts = (value: number) => sayer.written({ value, unit: 'V', digits: 0 })
  const amperes = (value: number) => sayer.written({ value, unit: 'A', digits: 1 })
  const watts = (value: number) => sayer.written({ value, unit: 'W', digits: 0 })
  const cell = 'py-1 pl-3 text-right'
  return (
    <table className="w-full">
      <thead>
        <tr className="border-b border-line">
          <th className="py-1 text-left font-normal text-pencil">{words.head}</th>
          <FigureHeads
            heads={[words.strings, words.openCircuit, words.short, words.at, words.power, words.kept]}
          />
        </tr>
      </thead>
      <tbody>
        {rows.map(({ input, strings, voltsV, currentA, work, bestW }) => (
          <tr key={input} className="border-b border-line/60">
            <th scope="row" className="py-1 text-left font-normal">
              {inputName(input, beside)}
            </th>
            <td className={cell}>{strings.join(', ')}</td>
            <td className={cell}>{volts(voltsV.at(-1) ?? 0)}</td>
            <td className={cell}>{amperes(currentA[0] ?? 0)}</td>
            <td className={cell}>
              {work ? `${volts(work.voltsV)}, ${amperes(work.powerW / work.voltsV)}` : words.off}
            </td>
            <td className={cell}>{watts(work?.powerW ?? 0)}</td>
            <td className={cell}>{watts(bestW - (work?.powerW ?? 0))}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
