'use client'

import { partsList, totalsOf, type PartLine } from '@/core/parts/parts-list'
import { csvLine } from '@/core/readers/csv'
import { later } from '@/words/en/later'
import { type Sayer } from '@/words/sayer'
import { useBench, useSayer } from '../context'
import { saveFile } from '../save-file'
import { Sheet } from '../sheet'
import { useBuilt } from './use-built'

const words = later.parts
const head = 'py-1 font-normal text-pencil'

/** Everything that goes onto the van, counted from what is drawn. */
export function PartsSheet() {
  const { session } = useBench()
  const found = useBuilt()
  const sayer = useSayer()
  const lines = found ? partsList(found.built) : []
  return (
    <Sheet title={words.title} onClose={() => session.setState({ dialog: null })}>
      {lines.length === 0 ? (
        <p>{words.none}</p>
      ) : (
        <div className={found?.fresh ? '' : 'opacity-60'}>
          <PartsTable lines={lines} sayer={sayer} />
          <button
            type="button"
            className="button mt-3"
            onClick={() => saveFile(partsCsv(lines, sayer), 'parts.csv', 'text/csv')}
          >
            {words.csv}
          </button>
          <p className="quiet mt-3">{words.note}</p>
        </div>
      )}
    </Sheet>
  )
}

const named = ({ code, typeId }: PartLine, sayer: Sayer): string =>
  typeId === null ? later.partNames[code] : `${later.partNames[code]}, ${sayer.name(typeId)}`

const counted = ({ count, unit }: PartLine, sayer: Sayer): string =>
  sayer.written({ value: count, unit: unit === 'm' ? 'm' : 'count', digits: 0 })

function PartsTable({ lines, sayer }: { readonly lines: readonly PartLine[]; readonly sayer: Sayer }) {
  const { price, weightKg } = totalsOf(lines)
  const money = (value: number) => sayer.written({ value, unit: 'money', digits: 0 })
  return (
    <table className="w-full">
      <thead>
        <tr className="border-b border-line">
          <th className={`${head} text-left`}>{words.part}</th>
          <th className={`${head} pl-3 text-right`}>{words.count}</th>
          <th className={`${head} pl-4 text-left`}>{words.why}</th>
          <th className={`${head} pl-3 text-right`}>{words.each}</th>
          <th className={`${head} pl-3 text-right`}>{words.sum}</th>
        </tr>
      </thead>
      <tbody>
        {lines.map((line) => (
          <tr key={`${line.code} ${line.typeId ?? ''}`} className="border-b border-line/60 align-top">
            <th scope="row" className="py-1 text-left font-normal">
              {named(line, sayer)}
            </th>
            <td className="py-1 pl-3 text-right whitespace-nowrap">{counted(line, sayer)}</td>
            <td className="quiet py-1 pl-4">{sayer.say(later.partReasons[line.code], line.data)}</td>
            <td className="py-1 pl-3 text-right whitespace-nowrap">
              {line.price === null ? '–' : money(line.price)}
            </td>
            <td className="py-1 pl-3 text-right whitespace-nowrap">
              {line.price === null ? '–' : money(line.price * line.count)}
            </td>
          </tr>
        ))}
      </tbody>
      <tfoot>
        <tr>
          <th scope="row" colSpan={4} className="pt-2 text-left font-normal text-pencil">
            {sayer.say(words.listed, {
              priced: lines.filter((line) => line.price !== null).length,
              all: lines.length,
            })}
          </th>
          <td className="pt-2 text-right font-semibold">{money(price)}</td>
        </tr>
        <tr>
          <th scope="row" colSpan={4} className="text-left font-normal text-pencil">
            {words.weight}
          </th>
          <td className="text-right font-semibold">
            {sayer.written({ value: weightKg, unit: 'kg', digits: 0 })}
          </td>
        </tr>
      </tfoot>
    </table>
  )
}

/** Counts and reasons as people read them, figures as programs do. */
const partsCsv = (lines: readonly PartLine[], sayer: Sayer): string =>
  [
    csvLine(['part', 'code', 'count', 'unit', 'price', 'weight_kg', 'why']),
    ...lines.map((line) =>
      csvLine([
        named(line, sayer),
        line.code,
        line.count,
        line.unit,
        line.price ?? '',
        line.weightKg ?? '',
        sayer.say(later.partReasons[line.code], line.data),
      ]),
    ),
    '',
  ].join('\n')
