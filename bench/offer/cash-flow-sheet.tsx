'use client'

import { useState } from 'react'
import { type CashYear, type Money } from '@/core/finance/ways'
import { waysToPay } from '@/core/kinds/offer/payment'
import { cashColumns, cashCsv, summedColumns } from '@/core/readers/cash-csv'
import { later } from '@/words/en/later'
import { money as writeMoney, number } from '@/words/format'
import { useBench, useNumbers, useSayer } from '../context'
import { Pills } from '../fields/pills'
import { saveFile } from '../save-file'
import { Sheet } from '../sheet'
import { useOffer } from './use-offer'
import { useWayFigures } from './way-figures'

const words = later.money
const cell = 'py-0.5 pl-2 text-right whitespace-nowrap tabular-nums'

/** What every year brings and asks, for one way to pay at a time. */
export function CashFlowSheet() {
  const { session } = useBench()
  const { numbers, fresh } = useNumbers()
  return (
    <Sheet title={words.flowTitle} onClose={() => session.setState({ dialog: null })}>
      {numbers && (
        <div className={fresh ? '' : 'opacity-60'}>
          <CashFlow money={numbers.summary.money} />
        </div>
      )}
    </Sheet>
  )
}

function CashFlow({ money }: { readonly money: Money }) {
  const { offer } = useOffer()
  const sayer = useSayer()
  const [chosen, setChosen] = useState(offer.pay)
  const way = money.ways[chosen]
  const figures = useWayFigures(offer.years)
  // A column of nothing but noughts says nothing.
  const columns = cashColumns.filter((column) => way.years.some((year) => Math.abs(year[column]) >= 0.005))
  const save = () =>
    saveFile(cashCsv(way), `${offer.name}, ${words.way[chosen]}.cash-flow.csv`, 'text/csv;charset=utf-8')
  return (
    <>
      <div className="mb-2 flex items-center gap-4">
        <Pills
          label={words.ways}
          value={chosen}
          choices={waysToPay.map((one) => [one, words.way[one]] as const)}
          onChoose={setChosen}
        />
        <button type="button" className="button ml-auto" onClick={save}>
          {words.csv}
        </button>
      </div>
      <dl className="mb-3 grid grid-cols-2 gap-x-6 sm:grid-cols-4">
        {figures.map(({ label, of }) => (
          <Figure key={label} label={label} text={of(chosen, money)} />
        ))}
        <Figure label={words.lcoe} text={money.lcoe === null ? '' : writeMoney(money.lcoe, sayer.place, 3)} />
        <Figure
          label={sayer.say(words.doingNothing, { years: offer.years })}
          text={writeMoney(money.doingNothing, sayer.place)}
        />
      </dl>
      <Table years={way.years} columns={columns} />
      <details className="mt-3">
        <summary className="cursor-pointer py-0.5 text-pencil">{words.explain}</summary>
        <dl className="mt-1 grid grid-cols-[10rem_1fr] gap-x-3 gap-y-1">
          {columns.map((column) => (
            <div key={column} className="contents">
              <dt className="font-semibold">{words.columns[column]}</dt>
              <dd className="text-pencil">{words.explained[column]}</dd>
            </div>
          ))}
        </dl>
      </details>
      <p className="quiet mt-2">{sayer.say(words.flowNote, { currency: sayer.place.currency })}</p>
    </>
  )
}

/** Nothing where a figure is of other ways to pay. */
function Figure({ label, text }: { readonly label: string; readonly text: string }) {
  if (text === '') return null
  return (
    <div className="border-t border-line py-1">
      <dt className="quiet">{label}</dt>
      <dd className="font-semibold">{text}</dd>
    </div>
  )
}

function Table({
  years,
  columns,
}: {
  readonly years: readonly CashYear[]
  readonly columns: readonly (keyof CashYear)[]
}) {
  const { place } = useSayer()
  const figure = (value: number) => (Math.abs(value) < 0.005 ? '–' : number(value, place, 2))
  return (
    <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={words.flowTitle}>
      <table className="w-full text-[12px]">
        <thead>
          <tr className="border-b border-line align-bottom">
            <th scope="col" className="py-0.5 text-left font-normal text-pencil">
              {words.year}
            </th>
            {columns.map((column) => (
              <th
                key={column}
                scope="col"
                title={words.explained[column]}
                className="max-w-24 py-0.5 pl-2 text-right font-normal text-pencil"
              >
                {words.columns[column]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {years.map((year, k) => (
            <tr key={k} className="border-b border-line/60">
              <th scope="row" className="py-0.5 text-left font-normal">
                {k === 0 ? words.today0 : k}
              </th>
              {columns.map((column) => (
                <td
                  key={column}
                  className={`${cell} ${column === 'net' || column === 'cumulative' ? 'font-semibold' : ''}`}
                >
                  {figure(year[column])}
                </td>
              ))}
            </tr>
          ))}
          <tr className="font-semibold">
            <th scope="row" className="py-0.5 text-left">
              {words.sum}
            </th>
            {columns.map((column) => (
              <td key={column} className={cell}>
                {summedColumns.has(column) ? figure(years.reduce((sum, year) => sum + year[column], 0)) : ''}
              </td>
            ))}
          </tr>
        </tbody>
      </table>
    </div>
  )
}
