'use client'

import { memo } from 'react'
import { type StorageStep } from '@/core/readers/storage-worth'
import { money, number } from '@/words/format'
import { type Sayer } from '@/words/sayer'
import { Chart } from './chart'

/** What one more kWh of storage saves in a year, at each size. */
export const StorageChart = memo(function StorageChart({
  steps,
  note,
  words,
  sayer,
  height,
}: {
  readonly steps: readonly StorageStep[]
  readonly note: string
  readonly words: Readonly<Record<'further' | 'byRule' | 'atBest' | 'size', string>>
  readonly sayer: Sayer
  readonly height: number
}) {
  const { place } = sayer
  // Each step holds from where it begins; the last one to where it ends.
  const of = (key: 'byRule' | 'atBest') => {
    const last = steps.at(-1)
    const points = steps.map((step) => ({ x: step.from, y: Number(step[key].toFixed(2)) }))
    return last ? [...points, { x: last.to, y: Number(last[key].toFixed(2)) }] : points
  }
  return (
    <>
      <Chart
        title={words.further}
        type="line"
        height={height}
        series={[
          { name: words.byRule, data: of('byRule') },
          { name: words.atBest, data: of('atBest') },
        ]}
        options={(palette) => ({
          colors: [palette.verdigris, palette.pencil],
          stroke: { width: [2.4, 1.6], curve: 'stepline', dashArray: [0, 4] },
          xaxis: {
            type: 'numeric',
            min: 0,
            max: steps.at(-1)?.to ?? 1,
            tickAmount: 5,
            title: { text: words.size },
            labels: { formatter: (v: string) => number(Number(v), place, 1) },
          },
          yaxis: {
            min: 0,
            title: { text: `${place.currency}/kWh` },
            labels: { formatter: (v: number) => money(v, place) },
          },
          tooltip: {
            x: { formatter: (v: number) => `${number(v, place, 1)} kWh` },
            y: { formatter: (v: number) => money(v, place, 2) },
          },
        })}
      />
      <p className="quiet">{note}</p>
    </>
  )
})
