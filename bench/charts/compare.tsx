'use client'

import { useStore } from 'zustand'
import { theOne } from '@/core/kinds/documents'
import { optionLetter } from '@/core/kinds/job'
import { offerId } from '@/core/kinds/offer/offer'
import { type LineId } from '@/core/model/ledger'
import { useBench, useOptions, useSayer, useSession } from '../context'

const lines: readonly LineId[] = [
  'yield',
  'self-sufficiency',
  'bill-then',
  'net-price',
  'payback',
  'npv',
  'irr',
]

/** Options side by side: a row a figure, the best of each in verdigris. */
export function Compare() {
  const { live, session } = useBench()
  const options = useOptions()
  const sayer = useSayer()
  const active = useSession((s) => s.optionId)
  const byOption = useStore(live.store, (s) => s.byOption)
  const shown = options.slice(0, 4)
  const lineOf = (option: string, id: string) => byOption[option]?.summary.ledger.find((l) => l.id === id)
  return (
    <table className="w-full border-collapse">
      <caption className="mb-1 text-left font-semibold">Options side by side</caption>
      <thead>
        <tr>
          <td />
          {shown.map((option, i) => (
            <th key={option.id} scope="col" className="px-2 py-1 text-right font-medium">
              <button
                type="button"
                className={`cursor-pointer hover:underline ${option.id === active ? 'font-semibold underline' : ''}`}
                onClick={() => session.setState({ optionId: option.id, selection: null })}
              >
                {optionLetter(i)} {theOne(option.objects, 'offer', offerId).name}
              </button>
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {lines.map((id) => {
          const found = shown.map((option) => lineOf(option.id, id))
          const first = found.find(Boolean)
          if (!first) return null
          const values = found.map((line) => line?.value ?? null).filter((v): v is number => v !== null)
          const best = first.better === 'more' ? Math.max(...values) : Math.min(...values)
          const differ = new Set(values).size > 1
          return (
            <tr key={id} className="border-t border-line">
              <th scope="row" className="py-1 text-left font-normal text-pencil">
                {sayer.line(id)}
              </th>
              {found.map((line, i) => {
                const text = line
                  ? sayer.figure(line.shown, line.unit, line.absent)
                  : { figure: '…', unit: '' }
                const wins = differ && line?.value === best
                return (
                  <td
                    key={shown[i]?.id}
                    className={`px-2 py-1 text-right ${wins ? 'font-semibold text-verdigris' : ''}`}
                  >
                    {text.figure} <span className="text-[12px] font-normal text-pencil">{text.unit}</span>
                  </td>
                )
              })}
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}
