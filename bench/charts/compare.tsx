'use client'

import { useStore } from 'zustand'
import { type ReactNode } from 'react'
import { CashOfAll } from '@/charts/figures'
import { theOne, type Objects } from '@/core/kinds/documents'
import { coverId } from '@/core/kinds/cover/cover'
import { electricalId } from '@/core/kinds/electrical/electrical'
import { optionLetter } from '@/core/kinds/job'
import { offerId } from '@/core/kinds/offer/offer'
import { storageId } from '@/core/kinds/storage/storage'
import { type LineId } from '@/core/model/ledger'
import { type RunSummary } from '@/core/readers/summary'
import { later } from '@/words/en/later'
import { useBench, useOptions, useSayer, useSession } from '../context'
import { Different } from '../offer/different-list'
import { RoofThumb } from '../offer/roof-thumb'

const words = later.compare
const most = 4
const lines: readonly LineId[] = [
  'yield',
  'used',
  'sold',
  'self-sufficiency',
  'bill-then',
  'saving',
  'price',
  'net-price',
  'payback',
  'npv',
  'irr',
  'lcoe',
]

/** An option as it is compared. */
interface Shown {
  readonly id: string
  readonly letter: string
  readonly name: string
  readonly objects: Objects
  /** Undefined until it is known. */
  readonly summary: RunSummary | undefined
}

function useShown(): readonly Shown[] {
  const { live } = useBench()
  const options = useOptions()
  const byOption = useStore(live.store, (s) => s.byOption)
  return options.slice(0, most).map(({ id, objects }, i) => ({
    id,
    objects,
    letter: optionLetter(i),
    name: theOne(objects, 'offer', offerId).name,
    summary: byOption[id]?.summary,
  }))
}

/** Options side by side: what differs first, the best of each figure in verdigris. */
export function Compare() {
  const shown = useShown()
  const { session } = useBench()
  const active = useSession((s) => s.optionId)
  const sayer = useSayer()
  const figures = useFigureRows(shown)
  const equipment = useEquipmentRows(shown)
  const rows = [...equipment, ...figures]
  const differing = rows.filter(({ differs }) => differs)
  const alike = rows.filter(({ differs }) => !differs)
  return (
    <table className="w-full border-collapse">
      <caption className="mb-1 text-left font-semibold">{words.title}</caption>
      <thead>
        <tr>
          <td />
          {shown.map(({ id, letter, name, summary }) => (
            <th key={id} scope="col" className="px-2 py-1 text-right align-top font-medium">
              {summary && (
                <RoofThumb
                  panels={summary.panels}
                  label={sayer.say(words.picture, { letter, count: summary.count })}
                />
              )}
              <button
                type="button"
                className={`cursor-pointer hover:underline ${id === active ? 'font-semibold underline' : ''}`}
                onClick={() => session.setState({ optionId: id, selection: null })}
              >
                {letter} {name}
              </button>
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {differing.map((row) => (
          <Row key={row.key} row={row} />
        ))}
        {shown.length > 1 && differing.length > 0 && alike.length > 0 && (
          <tr>
            <th scope="rowgroup" colSpan={shown.length + 1} className="quiet pt-2 text-left font-normal">
              {words.alike}
            </th>
          </tr>
        )}
        {alike.map((row) => (
          <Row key={row.key} row={row} />
        ))}
      </tbody>
    </table>
  )
}

/** The courses of all options' cash in one chart, and in words what is different. */
export function CompareBelow() {
  const shown = useShown()
  const sayer = useSayer()
  const active = useSession((s) => s.optionId)
  if (shown.length < 2) return null
  return (
    <>
      <CashOfAll
        title={words.cash}
        sayer={sayer}
        height={220}
        options={shown.flatMap(({ letter, name, summary }) =>
          summary ? [{ name: `${letter} ${name}`, cumulative: summary.cash.cumulative }] : [],
        )}
      />
      <Different options={shown} activeId={active} />
    </>
  )
}

interface CompareRow {
  readonly key: string
  readonly label: string
  readonly differs: boolean
  readonly cells: readonly { readonly text: ReactNode; readonly wins: boolean }[]
}

function Row({ row: { label, cells } }: { readonly row: CompareRow }) {
  return (
    <tr className="border-t border-line">
      <th scope="row" className="py-1 text-left font-normal text-pencil">
        {label}
      </th>
      {cells.map(({ text, wins }, i) => (
        <td key={i} className={`px-2 py-1 text-right ${wins ? 'font-semibold text-verdigris' : ''}`}>
          {text}
        </td>
      ))}
    </tr>
  )
}

function useFigureRows(shown: readonly Shown[]): CompareRow[] {
  const sayer = useSayer()
  return lines.flatMap((id): CompareRow[] => {
    const found = shown.map(({ summary }) => summary?.ledger.find((line) => line.id === id))
    const first = found.find(Boolean)
    if (!first) return []
    const values = found.flatMap((line) => (typeof line?.value === 'number' ? [line.value] : []))
    const best = first.better === 'more' ? Math.max(...values) : Math.min(...values)
    const said = found.map((line) =>
      line ? sayer.figure(line.shown, line.unit, line.absent) : { figure: '…', unit: '' },
    )
    // What reads alike is alike.
    const differs = new Set(said.map(({ figure, unit }) => `${figure} ${unit}`)).size > 1
    return [
      {
        key: id,
        label: sayer.line(id),
        differs,
        cells: said.map(({ figure, unit }, i) => ({
          text: (
            <>
              {figure} <span className="text-[12px] font-normal text-pencil">{unit}</span>
            </>
          ),
          wins: differs && found[i]?.value === best,
        })),
      },
    ]
  })
}

function useEquipmentRows(shown: readonly Shown[]): CompareRow[] {
  const sayer = useSayer()
  const of = (what: keyof typeof words.equipment, text: (option: Shown) => string): CompareRow => {
    const texts = shown.map(text)
    return {
      key: what,
      label: words.equipment[what],
      differs: new Set(texts).size > 1,
      cells: texts.map((one) => ({ text: one, wins: false })),
    }
  }
  const counted = (count: number, id: string) =>
    count === 0 ? words.nothing : sayer.say(words.count, { count, name: sayer.name(id) })
  return [
    of('modules', ({ objects, summary }) =>
      summary ? counted(summary.count, theOne(objects, 'cover', coverId).moduleId) : '…',
    ),
    of('inverter', ({ objects, summary }) => {
      const { inverterId } = theOne(objects, 'electrical', electricalId)
      return summary && summary.inverters > 1
        ? counted(summary.inverters, inverterId)
        : sayer.name(inverterId)
    }),
    ...(shown.some(({ summary }) => summary && summary.optimized.length > 0)
      ? [
          of('optimizers', ({ objects, summary }) => {
            const { optimizerId } = theOne(objects, 'electrical', electricalId)
            return summary && optimizerId !== null
              ? counted(summary.optimized.length, optimizerId)
              : words.nothing
          }),
        ]
      : []),
    of('battery', ({ objects }) => {
      const { batteryId, count } = theOne(objects, 'storage', storageId)
      return batteryId ? counted(count, batteryId) : words.nothing
    }),
  ]
}
