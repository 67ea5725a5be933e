'use client'

import { memo } from 'react'
import { monthNames, number } from '@/words/format'
import { type Sayer } from '@/words/sayer'
import { Chart } from './chart'

/** How long a battery typically carries what stays on, by the month in which the grid fails. */
export const BackupChart = memo(function BackupChart({
  byMonth,
  title,
  sayer,
  height,
}: {
  readonly byMonth: readonly number[]
  readonly title: string
  readonly sayer: Sayer
  readonly height: number
}) {
  const { place } = sayer
  return (
    <Chart
      title={title}
      type="bar"
      height={height}
      series={[{ name: title, data: byMonth.map((hours) => Number(hours.toFixed(1))) }]}
      options={(palette) => ({
        colors: [palette.panel],
        plotOptions: { bar: { columnWidth: '55%', borderRadius: 1 } },
        legend: { show: false },
        xaxis: { categories: [...monthNames(sayer.language)] },
        yaxis: { min: 0, title: { text: 'h' }, labels: { formatter: (v: number) => number(v, place) } },
        tooltip: { y: { formatter: (v: number) => `${number(v, place, 1)} h` } },
      })}
    />
  )
})
