'use client'

import { useDeferredValue, useState } from 'react'
import { lossNames, lossSteps, type LossName } from '@/core/energy/loss-chain'
import { hourlyCsv, monthlyCsv } from '@/core/readers/results-csv'
import { sharedOut } from '@/core/model/rounding'
import { type RunSummary } from '@/core/readers/summary'
import { Chart } from '@/charts/chart'
import { useBench, useNumbers, useSite, useWords } from '../context'
import { saveFile } from '../save-file'
import { money, moneySign, monthNames, number } from '@/words/format'
import { FactBoxes } from '../fact-boxes'
import { Sheet } from '../sheet'

/** The year's energy month by month, from sunlight to the house: what was lost where, and what it is worth. */
export function YearSheet() {
  const { session } = useBench()
  const { numbers, fresh } = useNumbers()
  const [share, setShare] = useState(false)
  const summary = useDeferredValue(numbers?.summary)
  return (
    <Sheet title="Year by month" onClose={() => session.setState({ dialog: null })}>
      {!summary || summary.count === 0 ? (
        <p className="quiet">Lay modules first; then the year appears here, month by month.</p>
      ) : (
        <div aria-busy={!fresh} className={fresh && summary === numbers?.summary ? '' : 'opacity-60'}>
          <Headline summary={summary} />
          <Waterfall summary={summary} />
          <MonthTable summary={summary} />
          <div className="mt-4 mb-1 flex items-baseline gap-3">
            <h3 className="flex-1 font-semibold">Losses</h3>
            <label className="flex items-center gap-1.5">
              <input
                type="checkbox"
                className="accent-verdigris"
                checked={share}
                onChange={(event) => setShare(event.target.checked)}
              />
              as percent of the month’s irradiation
            </label>
          </div>
          <LossTable summary={summary} share={share} />
          <Downloads summary={summary} />
        </div>
      )}
    </Sheet>
  )
}

/** Smaller losses would only be lines of noughts. */
const leastShownKwh = 0.05

const losing = (summary: RunSummary): LossName[] =>
  lossNames.filter((name) => Math.abs(summary.chain.lost[name].kwh) >= leastShownKwh)

function Headline({ summary }: { readonly summary: RunSummary }) {
  const site = useSite()
  const { chain, powerW } = summary
  const facts = [
    ['Yield', number(chain.ac.kwh, site), 'kWh'],
    ['Specific yield', number((chain.ac.kwh / powerW) * 1000, site), 'kWh/kWp'],
    ['Performance ratio', number((chain.ac.kwh / chain.sun.kwh) * 100, site, 1), '%'],
    ['Irradiation on modules', number((chain.sun.kwh / powerW) * 1000, site), 'kWh/m²'],
  ] as const
  return <FactBoxes facts={facts} />
}

/** From the light on the left to the yield on the right, each loss as a step down. */
function Waterfall({ summary }: { readonly summary: RunSummary }) {
  const site = useSite()
  const { chain } = summary
  const { losses } = useWords()
  const steps = lossSteps(chain)
    .filter(({ lost }) => Math.abs(lost) >= leastShownKwh)
    .map((step) => ({ ...step, label: losses[step.name] }))
  // The axis begins near the losses: from nought they would be slivers.
  const lowest = Math.min(chain.ac.kwh, ...steps.map(({ to }) => to))
  const foot = Math.max(0, Math.floor((lowest - 0.3 * (chain.sun.kwh - lowest)) / 100) * 100)
  const named = (k: number, label: string) => `${label}  ${number(figures[k] ?? 0, site)}`
  const figures = [chain.sun.kwh, ...steps.map(({ lost }) => -lost), chain.ac.kwh]
  return (
    <div className="mt-3">
      <Chart
        title="From sunlight to the house, kWh"
        type="rangeBar"
        height={90 + 21 * figures.length}
        series={(palette) => [
          {
            name: 'kWh',
            data: [
              { x: named(0, 'Sun'), y: [foot, chain.sun.kwh], fillColor: palette.straw },
              ...steps.map(({ label, from, to, lost }, k) => ({
                x: named(k + 1, label),
                y: [Math.min(from, to), Math.max(from, to)],
                fillColor: lost >= 0 ? palette.clay : palette.verdigris,
              })),
              { x: named(steps.length + 1, 'Yield'), y: [foot, chain.ac.kwh], fillColor: palette.verdigris },
            ],
          },
        ]}
        options={(palette) => ({
          plotOptions: { bar: { horizontal: true, barHeight: '70%' } },
          // Categories stand upright: the figures' axis is the level one.
          xaxis: {
            min: foot,
            title: { text: `kWh, from ${number(foot, site)}` },
            labels: { formatter: (v: string) => number(Number(v), site) },
          },
          yaxis: { labels: { maxWidth: 230, style: { colors: palette.ink } } },
          tooltip: {
            custom: ({ dataPointIndex }: { dataPointIndex: number }) => {
              const step = steps[dataPointIndex - 1]
              const whole = dataPointIndex === 0 ? chain.sun.kwh : chain.ac.kwh
              const [label, value] = step
                ? [step.label, -step.lost]
                : [dataPointIndex === 0 ? 'Sun' : 'Yield', whole]
              return `<div style="padding:4px 8px">${label}: ${number(value, site)} kWh, ${number((value / chain.sun.kwh) * 100, site, 1)} %</div>`
            },
          },
          legend: { show: false },
        })}
      />
    </div>
  )
}

const months = monthNames('en')
const cell = 'px-1.5 py-1 text-right'

function Head({ first }: { readonly first: string }) {
  return (
    <thead>
      <tr className="text-[12px] text-pencil">
        <th scope="col" className="py-1 pr-2 text-left font-normal">
          {first}
        </th>
        {months.map((month) => (
          <th key={month} scope="col" className={`${cell} font-normal`}>
            {month}
          </th>
        ))}
        <th scope="col" className={`${cell} font-semibold`}>
          Year
        </th>
      </tr>
    </thead>
  )
}

function Row({
  label,
  values,
  sum,
  format,
  strong = false,
}: {
  readonly label: string
  readonly values: readonly number[]
  readonly sum: number
  readonly format: (value: number) => string
  readonly strong?: boolean
}) {
  return (
    <tr className={`border-t border-line ${strong ? 'font-semibold' : ''}`}>
      <th
        scope="row"
        className={`py-1 pr-2 text-left whitespace-nowrap ${strong ? '' : 'font-normal text-pencil'}`}
      >
        {label}
      </th>
      {values.map((value, m) => (
        <td key={months[m]} className={cell}>
          {format(value)}
        </td>
      ))}
      <td className={`${cell} font-semibold`}>{format(sum)}</td>
    </tr>
  )
}

const total = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0)

function MonthTable({ summary }: { readonly summary: RunSummary }) {
  const site = useSite()
  const { chain, monthly, powerW } = summary
  const kwh = (value: number) => number(value, site)
  const worth = monthly.billBefore.map((before, m) => before - (monthly.billAfter[m] ?? 0))
  const perKw = 1000 / powerW
  // What becomes of the yield, so that each column adds up to it.
  const outgoing = (
    [
      ['Used at home, kWh', monthly.usedKwh],
      ['Sold, kWh', monthly.soldKwh],
      ['Battery losses, kWh', monthly.batteryLostKwh],
      ['Curtailed, kWh', monthly.curtailedKwh],
    ] as const
  ).filter(([, values], k) => k < 2 || values.some((value) => Math.abs(value) >= leastShownKwh))
  const shares = chain.ac.monthly.map((made, m) =>
    sharedOut(
      Math.round(made),
      outgoing.map(([, values]) => values[m] ?? 0),
    ),
  )
  const yearShare = sharedOut(
    Math.round(chain.ac.kwh),
    outgoing.map(([, values]) => total(values)),
  )
  return (
    <div className="mt-2 overflow-x-auto">
      <table
        className="w-full border-collapse text-[12px]"
        aria-label="Irradiation, yield and value by month"
      >
        <Head first="" />
        <tbody>
          <Row
            label="Irradiation, kWh/m²"
            values={chain.sun.monthly.map((v) => v * perKw)}
            sum={chain.sun.kwh * perKw}
            format={kwh}
          />
          <Row label="Yield, kWh" values={chain.ac.monthly} sum={chain.ac.kwh} format={kwh} strong />
          <Row
            label="Performance ratio, %"
            values={chain.ac.monthly.map((v, m) => (100 * v) / Math.max(1e-9, chain.sun.monthly[m] ?? 0))}
            sum={(100 * chain.ac.kwh) / chain.sun.kwh}
            format={kwh}
          />
          {outgoing.map(([label], k) => (
            <Row
              key={label}
              label={label}
              values={shares.map((parts) => parts[k] ?? 0)}
              sum={yearShare[k] ?? 0}
              format={kwh}
            />
          ))}
          <Row label="Bought, kWh" values={monthly.boughtKwh} sum={total(monthly.boughtKwh)} format={kwh} />
          <Row label="Consumption, kWh" values={monthly.loadKwh} sum={total(monthly.loadKwh)} format={kwh} />
          <Row
            label={`Value, ${moneySign(site)}`}
            values={worth}
            sum={total(worth)}
            format={(value) => money(value, site).replace(moneySign(site), '')}
            strong
          />
        </tbody>
      </table>
    </div>
  )
}

function LossTable({ summary, share }: { readonly summary: RunSummary; readonly share: boolean }) {
  const site = useSite()
  const { losses } = useWords()
  const { chain } = summary
  const format = (value: number) => number(value, site, share ? 1 : 0)
  const names = losing(summary)
  /** Losses of a column, which take its sun down to its yield in the figures shown. */
  const columnOf = (pick: (of: { readonly monthly: readonly number[]; readonly kwh: number }) => number) =>
    sharedOut(
      Math.round(pick(chain.ac)) - Math.round(pick(chain.sun)),
      names.map((name) => -pick(chain.lost[name])),
    )
  const columns = months.map((_, m) => columnOf(({ monthly }) => monthly[m] ?? 0))
  const yearColumn = columnOf(({ kwh }) => kwh)
  const of = (values: readonly number[], sum: number) =>
    share
      ? {
          values: values.map((v, m) => (100 * v) / Math.max(1e-9, chain.sun.monthly[m] ?? 0)),
          sum: (100 * sum) / chain.sun.kwh,
        }
      : { values, sum }
  return (
    <div className="overflow-x-auto">
      <table
        className="w-full border-collapse text-[12px]"
        aria-label={share ? 'Losses by month in percent' : 'Losses by month in kWh'}
      >
        <Head first={share ? '% of irradiation' : 'kWh'} />
        <tbody>
          <Row label="Sun on modules" {...of(chain.sun.monthly, chain.sun.kwh)} format={format} strong />
          {names.map((name, k) => {
            const lost = chain.lost[name]
            const exact = of(
              lost.monthly.map((v) => -v),
              -lost.kwh,
            )
            const whole = { values: columns.map((column) => column[k] ?? 0), sum: yearColumn[k] ?? 0 }
            return <Row key={name} label={losses[name]} {...(share ? exact : whole)} format={format} />
          })}
          <Row label="Yield" {...of(chain.ac.monthly, chain.ac.kwh)} format={format} strong />
        </tbody>
      </table>
    </div>
  )
}

function Downloads({ summary }: { readonly summary: RunSummary }) {
  const save = (text: string, name: string) => saveFile(text, name, 'text/csv;charset=utf-8')
  return (
    <div className="mt-4 flex gap-2">
      <button type="button" className="button" onClick={() => save(monthlyCsv(summary), 'months.csv')}>
        Months as CSV
      </button>
      <button
        type="button"
        className="button"
        onClick={() => save(hourlyCsv(summary, summary.timeZoneHours), 'hours.csv')}
      >
        Every interval as CSV
      </button>
    </div>
  )
}
