'use client'

import { useEffect, useState } from 'react'
import { BillChart, EnergyChart, PaybackChart } from '@/bench/charts/figures'
import { figure, money, number } from '@/bench/format'
import { type ProposalData } from './proposal-data'
import { RoofView } from './roof-view'

interface Props {
  readonly data: ProposalData
  /** For the printer: nothing that moves. */
  readonly print: boolean
  readonly pdfPath: string
}

/** The customer's page: the roof, the money, the energy, the equipment. */
export function Proposal({ data, print, pdfPath }: Props) {
  const { site, summary } = data
  const value = (id: string) => summary.ledger.find((line) => line.id === id)?.value ?? null
  const shown = (id: string) => {
    const line = summary.ledger.find((l) => l.id === id)
    return line ? figure(line.value, line.unit, site) : { figure: '–', unit: '' }
  }
  const saved = (value('bill-now') ?? 0) - (value('bill-then') ?? 0)
  const doNothing = summary.cash.before.reduce((sum, bill) => sum + bill, 0)
  const ready = useReady(print)
  const of = {
    summary: {
      ...summary,
      ledger: summary.ledger.map(
        (line) =>
          ({
            ...line,
            group: 'money',
            weight: 'line',
            better: 'more',
            stage: '',
            about: [],
            explanation: { formula: '', inputs: [], source: '', assumptions: [] },
          }) as const,
      ),
    },
    place: site,
    still: print,
  }
  return (
    <main
      className={`mx-auto text-ink ${print ? 'max-w-none bg-white' : 'my-6 max-w-3xl rounded-xl border border-line bg-card px-12 py-10 shadow-sm'}`}
      data-print={ready ? 'ready' : 'drawing'}
    >
      <header className={`flex items-end gap-4 ${print ? 'mb-3' : 'mb-6'}`}>
        <div className="flex-1">
          <p className="quiet">Solar offer for {data.jobName}</p>
          <h1 className="font-display text-[34px] leading-tight">{site.address}</h1>
          <p className="mt-1 text-[15px]">{data.optionName}</p>
        </div>
        {!print && (
          <a className="button" href={pdfPath}>
            PDF
          </a>
        )}
      </header>
      <RoofView data={data} print={print} />
      <dl className={`grid grid-cols-3 gap-6 border-y border-line ${print ? 'my-4 py-3' : 'my-6 py-5'}`}>
        <Big label="Saved in the first year" text={money(saved, site)} />
        <Big label="Paid back after" text={shown('payback').figure} unit={shown('payback').unit} />
        <Big label="Your own share of energy" text={shown('self-sufficiency').figure} unit="%" />
      </dl>
      <section className="mb-6 break-inside-avoid">
        <BillChart {...of} height={print ? 185 : 230} />
        <p className="mt-1">
          Your bill goes from <strong>{money(value('bill-now') ?? 0, site)}</strong> a year to{' '}
          <strong>{money(value('bill-then') ?? 0, site)}</strong>. Doing nothing would cost{' '}
          {money(doNothing, site)} over {data.years} years if energy prices grow by{' '}
          {number(data.escalation * 100, site, 1)} % a year.
        </p>
      </section>
      <section className="mb-6 break-inside-avoid">
        <EnergyChart {...of} height={print ? 185 : 230} />
        <p className="mt-1">
          The modules make <strong>{number(value('yield') ?? 0, site)} kWh</strong> in their first year:{' '}
          {number(value('used') ?? 0, site)} kWh are used at home, {number(value('sold') ?? 0, site)} kWh are
          sold.
        </p>
      </section>
      <section className="mb-6 break-inside-avoid">
        <PaybackChart {...of} height={240} />
      </section>
      <div className="grid grid-cols-2 gap-8 break-inside-avoid">
        <section>
          <h2 className="mb-2 font-display text-[19px]">Equipment</h2>
          <ul>
            {data.equipment.map((item) => (
              <li key={item.name} className="flex gap-3 border-t border-line py-1.5">
                <span className="w-8 text-right font-semibold">{item.count} ×</span>
                <span>
                  {item.name}
                  <span className="quiet block">{item.facts}</span>
                </span>
              </li>
            ))}
          </ul>
        </section>
        <section>
          <h2 className="mb-2 font-display text-[19px]">Price</h2>
          <dl>
            <Row label="Installed" value={money(value('price') ?? 0, site)} />
            <Row
              label={`Incentive, ${number(data.incentiveShare * 100, site)} %`}
              value={money((value('net-price') ?? 0) - (value('price') ?? 0), site)}
            />
            <Row label="You pay" value={money(value('net-price') ?? 0, site)} strong />
            <Row
              label={`Ahead after ${data.years} years`}
              value={money(summary.cash.cumulative.at(-1) ?? 0, site)}
            />
            <Row label="Return a year (IRR)" value={`${shown('irr').figure} ${shown('irr').unit}`} />
          </dl>
        </section>
      </div>
      <footer className="quiet mt-8 border-t border-line pt-3">
        Computed hour by hour for a typical year with the shade of roof, chimneys, trees and neighbours, the
        modules ageing every year. A forecast, not a promise: weather and prices vary.
      </footer>
    </main>
  )
}

function Big({
  label,
  text,
  unit,
}: {
  readonly label: string
  readonly text: string
  readonly unit?: string
}) {
  return (
    <div>
      <dt className="quiet">{label}</dt>
      <dd className="font-display text-[30px]">
        {text} <span className="font-sans text-[14px] text-pencil">{unit}</span>
      </dd>
    </div>
  )
}

function Row({
  label,
  value,
  strong = false,
}: {
  readonly label: string
  readonly value: string
  readonly strong?: boolean
}) {
  return (
    <div className={`flex justify-between border-t border-line py-1.5 ${strong ? 'font-semibold' : ''}`}>
      <dt>{label}</dt>
      <dd>{value}</dd>
    </div>
  )
}

/** Whether all charts stand on the page: the printer waits for it. */
function useReady(print: boolean): boolean {
  const [ready, setReady] = useState(false)
  useEffect(() => {
    if (!print) return
    const timer = setInterval(() => {
      const charts = document.querySelectorAll('.apexcharts-svg').length
      const roof = document.querySelector('[data-roof="drawn"]')
      if (charts >= 3 && roof) {
        clearInterval(timer)
        requestAnimationFrame(() => setReady(true))
      }
    }, 60)
    return () => clearInterval(timer)
  }, [print])
  return ready
}
