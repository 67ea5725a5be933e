'use client'

import { memo } from 'react'
import { modelYear } from '@/core/model/model-year'
import { type RunSummary } from '@/core/readers/summary'
import { money, monthNames, number } from '@/words/format'
import { type Sayer } from '@/words/sayer'
import { Chart } from './chart'

/** All charts are remembered: drawing one takes longer than the year takes to compute, so only new numbers do it. */
interface Of {
  /** The language, and how people at the place write figures. */
  readonly sayer: Sayer
  readonly height: number
  readonly still?: boolean
}

type Monthly = RunSummary['monthly']

interface OfMonths<K extends keyof Monthly> extends Of {
  readonly monthly: Pick<Monthly, K>
}

/** Bill by month, now and then. */
export const BillChart = memo(function BillChart({
  monthly,
  sayer,
  height,
  still = false,
  hasSolar = true,
}: OfMonths<'billBefore' | 'billAfter'> & {
  /** Without anything laid there is no bill with solar. */
  readonly hasSolar?: boolean
}) {
  const { place, words } = sayer
  const cents = (values: readonly number[]) => values.map((v) => Number(v.toFixed(2)))
  const series = [
    { name: words.charts.billNow, data: cents(monthly.billBefore) },
    ...(hasSolar ? [{ name: words.charts.billThen, data: cents(monthly.billAfter) }] : []),
  ]
  return (
    <Chart
      title={words.charts.bill}
      type="bar"
      height={height}
      series={series}
      still={still}
      options={(palette) => ({
        colors: [palette.pencil, palette.verdigris],
        plotOptions: { bar: { columnWidth: '65%', borderRadius: 1 } },
        xaxis: { categories: [...monthNames(sayer.language)] },
        yaxis: { title: { text: place.currency }, labels: { formatter: (v: number) => money(v, place) } },
      })}
    />
  )
})

/** Yield, consumption and what of it is the house's own, by month. */
export const EnergyChart = memo(function EnergyChart({
  monthly,
  sayer,
  height,
  still = false,
}: OfMonths<'yieldKwh' | 'usedKwh' | 'loadKwh'>) {
  const { place, words } = sayer
  const round = (values: readonly number[]) => values.map((v) => Math.round(v))
  return (
    <Chart
      title={words.charts.energy}
      type="bar"
      height={height}
      still={still}
      series={[
        { name: words.charts.yield, data: round(monthly.yieldKwh) },
        { name: words.charts.used, data: round(monthly.usedKwh) },
        { name: words.charts.consumption, data: round(monthly.loadKwh) },
      ]}
      options={(palette) => ({
        colors: [palette.straw, palette.verdigris, palette.pencil],
        plotOptions: { bar: { columnWidth: '75%', borderRadius: 1 } },
        xaxis: { categories: [...monthNames(sayer.language)] },
        yaxis: { title: { text: 'kWh' }, labels: { formatter: (v: number) => number(v, place) } },
        tooltip: { y: { formatter: (v: number) => `${number(v, place)} kWh` } },
      })}
    />
  )
})

/** Money up, years across. */
const axesOverYears = ({ place, words }: Sayer) => ({
  xaxis: {
    type: 'numeric' as const,
    title: { text: words.charts.years },
    tickAmount: 5,
    labels: { formatter: (v: string) => number(Number(v), place) },
  },
  yaxis: { title: { text: place.currency }, labels: { formatter: (v: number) => money(v, place) } },
})

/** Cumulated money, year by year, to whole units. */
const overYears = (cumulative: readonly number[]) =>
  cumulative.map((v, year) => ({ x: year, y: Math.round(v) }))

/** Cumulated cash over the years with the crossing of the payback. */
export const PaybackChart = memo(function PaybackChart({
  cash,
  sayer,
  payback,
  height,
  still = false,
}: Of & {
  readonly cash: Pick<RunSummary['cash'], 'cumulative'>
  /** Years; null where it never comes. */
  readonly payback: number | null
}) {
  const { place, words } = sayer
  return (
    <Chart
      title={words.charts.cash}
      type="area"
      height={height}
      still={still}
      series={[
        {
          name: words.charts.cash,
          data: overYears(cash.cumulative),
        },
      ]}
      options={(palette) => ({
        colors: [palette.verdigris],
        stroke: { width: 2, curve: 'straight' },
        fill: { type: 'solid', opacity: 0.12 },
        ...axesOverYears(sayer),
        annotations: {
          yaxis: [{ y: 0, borderColor: palette.ink, strokeDashArray: 0 }],
          xaxis:
            payback === null || payback === 0
              ? []
              : [
                  {
                    x: payback,
                    borderColor: palette.clay,
                    label: {
                      text: sayer.say(words.charts.paidBack, { years: number(payback, place, 1) }),
                      orientation: 'horizontal',
                      offsetY: 14,
                      style: { background: palette.card, color: palette.ink },
                    },
                  },
                ],
        },
      })}
    />
  )
})

interface CashOfOption {
  readonly name: string
  readonly cumulative: readonly number[]
}

interface OfOptions extends Of {
  readonly title: string
  readonly options: readonly CashOfOption[]
}

const sameCash = (a: CashOfOption, b: CashOfOption | undefined) =>
  a.name === b?.name && a.cumulative === b.cumulative

/** Options are listed anew at every edit, whether or not their cash is another. */
const sameDrawing = (a: OfOptions, b: OfOptions) =>
  a.sayer === b.sayer &&
  a.title === b.title &&
  a.height === b.height &&
  a.options.length === b.options.length &&
  a.options.every((option, i) => sameCash(option, b.options[i]))

/** Cumulated cash of several options in one picture. */
export const CashOfAll = memo(function CashOfAll({ title, options, sayer, height }: OfOptions) {
  return (
    <Chart
      title={title}
      type="line"
      height={height}
      series={options.map(({ name, cumulative }) => ({
        name,
        data: overYears(cumulative),
      }))}
      options={(palette) => ({
        colors: [palette.verdigris, palette.clay, palette.straw, palette.pencil],
        stroke: { width: 2, curve: 'straight', dashArray: [0, 6, 2, 10] },
        ...axesOverYears(sayer),
        annotations: { yaxis: [{ y: 0, borderColor: palette.ink, strokeDashArray: 0 }] },
      })}
    />
  )
}, sameDrawing)

const days = [
  { value: 'summer', label: 'A week in summer' },
  { value: 'winter', label: 'A week in winter' },
] as const

/** Yield, load and battery through a week, hour by hour. */
export const WeekChart = memo(function WeekChart({
  carpet,
  place,
  height,
  which,
  southern,
}: {
  readonly carpet: RunSummary['carpet']
  readonly place: Sayer['place']
  readonly height: number
  readonly which: 'summer' | 'winter'
  readonly southern: boolean
}) {
  const perHour = 60 / carpet.stepMinutes
  const firstDay = (which === 'summer') !== southern ? 181 : 15
  const first = firstDay * 24 * perHour
  const of = (values: Float32Array, times: number) =>
    Array.from({ length: 168 * perHour }, (_, i) => ({
      x: i / perHour,
      y: Number(((values[first + i] ?? 0) * times).toFixed(2)),
    }))
  const stored = carpet.battery.some((v) => v > 0)
  const yieldKw = of(carpet.yield, perHour)
  const loadKw = of(carpet.load, perHour)
  const most = Math.max(1, ...[...yieldKw, ...loadKw].map(({ y }) => y))
  const date = new Intl.DateTimeFormat(place.locale, { day: 'numeric', month: 'short', timeZone: 'UTC' })
  const dayAt = (hours: number) =>
    date.format(Date.UTC(modelYear, 0, 1 + firstDay) + Math.floor(hours / 24) * 86_400_000)
  const power = { min: 0, max: Math.ceil(most), labels: { formatter: (v: number) => number(v, place, 1) } }
  return (
    <Chart
      title={days.find((day) => day.value === which)?.label ?? ''}
      type="line"
      height={height}
      series={[
        { name: 'Yield, kW', data: yieldKw },
        { name: 'Consumption, kW', data: loadKw },
        ...(stored ? [{ name: 'In the battery, kWh', data: of(carpet.battery, 1) }] : []),
      ]}
      options={(palette) => ({
        colors: [palette.straw, palette.pencil, palette.panel],
        stroke: { width: [2, 1.6, 1.6], curve: 'stepline' },
        xaxis: {
          type: 'numeric',
          min: 0,
          max: 168,
          tickAmount: 7,
          labels: { formatter: (v: string) => (Number(v) < 168 ? dayAt(Number(v)) : '') },
        },
        // Power on the left, energy on the right: no axis for both.
        yaxis: [
          { ...power, title: { text: 'kW' } },
          { ...power, show: false },
          ...(stored
            ? [
                {
                  opposite: true,
                  min: 0,
                  title: { text: 'kWh' },
                  labels: { formatter: (v: number) => number(v, place, 1) },
                },
              ]
            : []),
        ],
        tooltip: {
          x: { formatter: (v: number) => `${dayAt(v)}, ${String(Math.floor(v % 24)).padStart(2, '0')}:00` },
          y: {
            formatter: (v: number, { seriesIndex }: { seriesIndex?: number } = {}) =>
              `${number(v, place, 2)} ${seriesIndex === 2 ? 'kWh' : 'kW'}`,
          },
        },
      })}
    />
  )
})
