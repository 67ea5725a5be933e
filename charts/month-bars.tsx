'use client'

import { memo } from 'react'
import { monthNames, number } from '@/words/format'
import { type Sayer } from '@/words/sayer'
import { Chart } from './chart'

/** A figure of each month as a bar. */
export const MonthBars = memo(function MonthBars({
  byMonth,
  unit,
  title,
  sayer,
  height,
}: {
  readonly byMonth: readonly number[]
  readonly unit: 'h' | 'kWh'
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
      series={[{ name: title, data: byMonth.map((value) => Number(value.toFixed(1))) }]}
      options={(palette) => ({
        colors: [palette.panel],
        plotOptions: { bar: { columnWidth: '55%', borderRadius: 1 } },
        legend: { show: false },
        xaxis: { categories: [...monthNames(sayer.language)] },
        yaxis: { min: 0, title: { text: unit }, labels: { formatter: (v: number) => number(v, place) } },
        tooltip: { y: { formatter: (v: number) => `${number(v, place, 1)} ${unit}` } },
      })}
    />
  )
})
