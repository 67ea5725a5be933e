'use client'

import { useMemo } from 'react'
import { averageDays, dayHours, type AverageDay } from '@/core/readers/average-days'
import { type RunSummary } from '@/core/readers/summary'
import { later } from '@/words/en/later'
import { monthNames } from '@/words/format'
import { useSayer } from '../context'

const words = later.flows
const [width, height] = [120, 62]

/** Twelve small days: what is made, used and bought in each hour, all on one scale. */
export function AverageDays({ carpet }: { readonly carpet: RunSummary['carpet'] }) {
  const sayer = useSayer()
  const days = useMemo(() => averageDays(carpet), [carpet])
  const most = Math.max(0.1, ...days.flatMap(({ yieldKw, loadKw }) => [...yieldKw, ...loadKw]))
  return (
    <figure aria-label={words.days}>
      <figcaption className="mb-1">
        <span className="font-semibold">{words.days}</span>{' '}
        <span className="quiet">
          {sayer.say(words.daysNote, { kw: sayer.written({ value: most, unit: 'kW', digits: 1 }) })}
        </span>
        <span className="mt-1 flex gap-4 text-[12px] text-pencil">
          {(
            [
              ['yield', 'bg-straw'],
              ['load', 'bg-pencil'],
              ['bought', 'bg-verdigris'],
            ] as const
          ).map(([name, colour]) => (
            <span key={name} className="flex items-center gap-1.5">
              <span className={`size-3 rounded-sm ${colour}`} aria-hidden />
              {words[name]}
            </span>
          ))}
        </span>
      </figcaption>
      <ul className="grid grid-cols-3 gap-x-3 gap-y-2 md:grid-cols-4 xl:grid-cols-6">
        {monthNames(sayer.place.locale).map((month, m) => (
          <li key={month}>
            <Day month={month} day={days[m]} most={most} />
          </li>
        ))}
      </ul>
    </figure>
  )
}

function Day({
  month,
  day,
  most,
}: {
  readonly month: string
  readonly day: AverageDay | undefined
  readonly most: number
}) {
  const sayer = useSayer()
  if (!day) return null
  const daily = (values: readonly number[]) =>
    sayer.written({ value: values.reduce((sum, kw) => sum + kw, 0), unit: 'kWh', digits: 1 })
  const x = (hour: number) => (hour * width) / dayHours
  const y = (kw: number) => height - (Math.max(0, kw) * height) / most
  /** Each hour is as it is until it ends. */
  const line = (values: readonly number[]) =>
    values.map((kw, hour) => `${hour === 0 ? 'M' : 'L'}${x(hour)},${y(kw)} H${x(hour + 1)}`).join(' ')
  const area = (values: readonly number[]) => `${line(values)} V${height} H0 Z`
  return (
    <>
      <span className="text-[12px] text-pencil">{month}</span>
      <svg
        viewBox={`0 -2 ${width} ${height + 4}`}
        className="w-full overflow-visible"
        role="img"
        aria-label={sayer.say(words.day, {
          month,
          made: daily(day.yieldKw),
          used: daily(day.loadKw),
          bought: daily(day.boughtKw),
        })}
      >
        {[6, 12, 18].map((hour) => (
          <line key={hour} x1={x(hour)} x2={x(hour)} y1={0} y2={height} className="stroke-line" />
        ))}
        <path d={area(day.yieldKw)} className="fill-straw" opacity={0.75} />
        <path d={area(day.boughtKw)} className="fill-verdigris" opacity={0.35} />
        <path d={line(day.loadKw)} className="fill-none stroke-pencil" strokeWidth={1.4} />
        <line x1={0} x2={width} y1={height} y2={height} className="stroke-pencil" />
      </svg>
    </>
  )
}
