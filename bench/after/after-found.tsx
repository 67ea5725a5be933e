'use client'

import { memo } from 'react'
import { type AfterReport } from '@/core/after/report'
import { Chart } from '@/charts/chart'
import { findingsOf } from '@/words/findings'
import { later } from '@/words/en/later'
import { monthNames, number } from '@/words/format'
import { type Sayer } from '@/words/sayer'
import { useSayer } from '../context'
import { FactBoxes } from '../fact-boxes'
import { type Found } from './use-report'

const words = later.after
/** Where what was said of a year and what it comes to today are told apart. */
const sameShare = 0.001
const cell = 'py-1 pl-3 text-right whitespace-nowrap'

/** What was found: the sums, what is off, and the months. */
export function AfterFound({
  found: { report, stated },
  fileName,
}: {
  readonly found: Found
  readonly fileName: string
}) {
  const sayer = useSayer()
  const { place } = sayer
  const { total } = report
  const kwh = (value: number) => number(value, place)
  const { about, off } = findingsOf(sayer, report, fileName)
  const isOther = stated && Math.abs(stated.nowKwh / stated.kwh - 1) > sameShare
  return (
    <>
      <FactBoxes
        facts={[
          [words.promised, kwh(total.promisedKwh), words.kwh],
          [words.expected, kwh(total.expectedKwh), words.kwh],
          [words.made, kwh(total.madeKwh), words.kwh],
          [words.ofExpected, number((total.madeKwh / total.expectedKwh) * 100, place, 1), '%'],
        ]}
      />
      {about.map((line) => (
        <p key={line} className="quiet mt-1">
          {line}
        </p>
      ))}
      {isOther && (
        <p className="mt-1">
          {sayer.say(words.statedOther, {
            stated: { value: stated.kwh, unit: 'kWh', digits: 0 },
            now: { value: stated.nowKwh, unit: 'kWh', digits: 0 },
          })}
        </p>
      )}
      <h3 className="mt-4 mb-1 font-semibold">{words.findings}</h3>
      {off.length === 0 ? (
        <p>{words.fine}</p>
      ) : (
        <ul>
          {off.map(({ what, why }) => (
            <li key={what} className="border-t border-line py-1">
              {what} {why !== '' && <span className="text-pencil">{why}</span>}
            </li>
          ))}
        </ul>
      )}
      <div className="mt-4">
        <MonthChart report={report} sayer={sayer} />
      </div>
      <MonthTable report={report} sayer={sayer} />
    </>
  )
}

const monthName = ({ place }: Sayer, year: number, month: number) =>
  `${monthNames(place.locale)[month] ?? ''} ${year}`

/** Remembered: drawing it takes longer than all else here. */
const MonthChart = memo(function MonthChart({
  report,
  sayer,
}: {
  readonly report: AfterReport
  readonly sayer: Sayer
}) {
  const { place } = sayer
  const data = (field: 'promisedKwh' | 'expectedKwh' | 'madeKwh') =>
    report.months.map((month) => Math.round(month[field]))
  return (
    <Chart
      title={words.chart}
      type="bar"
      height={240}
      series={[
        { name: words.promised, data: data('promisedKwh') },
        { name: words.expected, data: data('expectedKwh') },
        { name: words.made, data: data('madeKwh') },
      ]}
      options={(palette) => ({
        colors: [palette.pencil, palette.straw, palette.verdigris],
        plotOptions: { bar: { columnWidth: '75%', borderRadius: 1 } },
        xaxis: { categories: report.months.map(({ year, month }) => monthName(sayer, year, month)) },
        yaxis: { title: { text: words.kwh }, labels: { formatter: (v: number) => number(v, place) } },
        tooltip: { y: { formatter: (v: number) => `${number(v, place)} ${words.kwh}` } },
      })}
    />
  )
})

function MonthTable({ report, sayer }: { readonly report: AfterReport; readonly sayer: Sayer }) {
  const { place } = sayer
  const row = ({ promisedKwh, expectedKwh, madeKwh, hours }: AfterReport['total'], ofHours: number) => [
    number(promisedKwh, place),
    number(expectedKwh, place),
    number(madeKwh, place),
    expectedKwh > 0 ? `${number((madeKwh / expectedKwh) * 100, place, 1)} %` : '–',
    `${number((hours / ofHours) * 100, place)} %`,
  ]
  const allHours = report.months.reduce((sum, { hoursOfMonth }) => sum + hoursOfMonth, 0)
  const heads = [
    `${words.promised}, ${words.kwh}`,
    `${words.expected}, ${words.kwh}`,
    `${words.made}, ${words.kwh}`,
    words.ofExpected,
    words.hours,
  ]
  return (
    <div role="region" aria-label={words.table} tabIndex={0} className="mt-3 overflow-x-auto">
      <table className="w-full min-w-[34rem]">
        <thead>
          <tr className="border-b border-line text-pencil">
            <th className="py-1 text-left font-normal">{words.month}</th>
            {heads.map((head) => (
              <th key={head} className="w-1/6 py-1 pl-3 text-right font-normal">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {report.months.map((month) => (
            <tr key={`${month.year} ${month.month}`} className="border-b border-line/60">
              <th scope="row" className="py-1 text-left font-normal">
                {monthName(sayer, month.year, month.month)}
              </th>
              {row(month, month.hoursOfMonth).map((text, i) => (
                <td key={heads[i]} className={cell}>
                  {text}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
        <tfoot className="font-semibold">
          <tr>
            <th scope="row" className="py-1 text-left">
              {words.total}
            </th>
            {row(report.total, allHours).map((text, i) => (
              <td key={heads[i]} className={cell}>
                {text}
              </td>
            ))}
          </tr>
        </tfoot>
      </table>
    </div>
  )
}
