'use client'

import { memo } from 'react'
import { type Candidate } from '@/core/readers/best-of'
import { Chart } from '@/charts/chart'
import { later } from '@/words/en/later'
import { money, number } from '@/words/format'
import { type Sayer } from '@/words/sayer'

const words = later.best

/** Every way by its payback and what is left; those that none beats, and the one to offer, on top. */
export const FrontChart = memo(function FrontChart({
  candidates,
  front,
  chosen,
  years,
  sayer,
}: {
  readonly candidates: readonly Candidate[]
  readonly front: readonly Candidate[]
  readonly chosen: Candidate | null
  readonly years: number
  readonly sayer: Sayer
}) {
  const { place } = sayer
  const points = (list: readonly Candidate[]) =>
    list.flatMap(({ paybackYears, left }) =>
      paybackYears === null ? [] : [{ x: Number(paybackYears.toFixed(2)), y: Math.round(left) }],
    )
  const paid = points(candidates).map(({ x }) => x)
  const [from, to] =
    paid.length === 0 ? [0, 1] : [Math.floor(Math.min(...paid)), Math.ceil(Math.max(...paid))]
  return (
    <Chart
      title={sayer.say(words.chart, { years })}
      type="scatter"
      height={250}
      series={[
        { name: words.all, data: points(candidates) },
        { name: words.front, data: points(front) },
        { name: words.chosen, data: points(chosen ? [chosen] : []) },
      ]}
      options={(palette) => ({
        colors: [palette.pencil, palette.verdigris, palette.straw],
        markers: { size: [3, 5, 8] },
        xaxis: {
          type: 'numeric',
          min: from,
          max: to,
          tickAmount: Math.min(10, Math.max(1, to - from)),
          title: { text: words.paybackAxis },
          labels: { formatter: (v: string) => number(Number(v), place, 1) },
        },
        yaxis: {
          title: { text: sayer.say(words.leftAxis, { currency: place.currency }) },
          labels: { formatter: (v: number) => money(v, place) },
        },
        tooltip: { x: { formatter: (v: number) => `${number(v, place, 1)} ${sayer.words.units.years}` } },
      })}
    />
  )
})
