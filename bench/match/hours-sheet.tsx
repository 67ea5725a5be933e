'use client'

import { memo } from 'react'
import { Chart } from '@/charts/chart'
import { extremesOf, type HourWorth } from '@/core/readers/hour-worth'
import { later } from '@/words/en/later'
import { money, moneySign, number } from '@/words/format'
import { type Sayer } from '@/words/sayer'
import { useBench, useSayer } from '../context'
import { Sheet } from '../sheet'
import { useRanking } from '../wire/use-ranking'

const words = later.hours
const clock = (hour: number) => `${String(hour).padStart(2, '0')}:00`

/** What one more kWh costs at each hour of the day, before solar and with it, and what it is worth to use power at another. */
export function HoursSheet() {
  const { session } = useBench()
  const { rows, all, fresh } = useRanking('hours')
  const sayer = useSayer()
  const isDone = fresh && all !== null && rows.length === all
  return (
    <Sheet title={words.title} onClose={() => session.setState({ dialog: null })}>
      <p className="quiet mb-2" role="status">
        {!fresh || all === null
          ? words.begins
          : isDone
            ? words.note
            : sayer.say(words.progress, { done: rows.length, all })}
      </p>
      {rows.length > 0 && (
        <div className={fresh ? '' : 'opacity-60'}>
          {isDone && <p className="mb-3">{shiftSaid(sayer, rows)}</p>}
          <HoursChart rows={rows} sayer={sayer} />
        </div>
      )}
    </Sheet>
  )
}

/** What it brings to use a kWh in the cheapest hour and not in the dearest. */
function shiftSaid(sayer: Sayer, rows: readonly HourWorth[]): string {
  const found = extremesOf(rows)
  if (!found) return ''
  const { least, most } = found
  const perKwh = (value: number) => `${money(value, sayer.place, 3)}/kWh`
  if (most.then - least.then < 5e-4) return sayer.say(words.flat, { least: perKwh(least.then) })
  return sayer.say(words.shift, {
    cheap: clock(least.hour),
    dear: clock(most.hour),
    least: perKwh(least.then),
    most: perKwh(most.then),
    saved: money(365 * (most.then - least.then), sayer.place),
    before: money(365 * (most.now - least.now), sayer.place),
  })
}

const HoursChart = memo(function HoursChart({
  rows,
  sayer,
}: {
  readonly rows: readonly HourWorth[]
  readonly sayer: Sayer
}) {
  const { place } = sayer
  const of = (what: 'now' | 'then') => rows.map((row) => Number(row[what].toFixed(4)))
  return (
    <Chart
      title={words.chart}
      type="bar"
      height={260}
      series={[
        { name: words.now, data: of('now') },
        { name: words.then, data: of('then') },
      ]}
      options={(palette) => ({
        colors: [palette.pencil, palette.verdigris],
        plotOptions: { bar: { columnWidth: '75%', borderRadius: 1 } },
        xaxis: { categories: rows.map(({ hour }) => String(hour)), title: { text: words.hour } },
        yaxis: {
          title: { text: `${moneySign(place)}/kWh` },
          labels: { formatter: (v: number) => number(v, place, 2) },
        },
        tooltip: {
          x: { formatter: (v: number) => clock(Number(v) - 1) },
          y: { formatter: (v: number) => `${money(v, place, 3)}/kWh` },
        },
      })}
    />
  )
})
