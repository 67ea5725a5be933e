'use client'

import { chosenParts, toBring, withChange, type ChosenPart } from '@/core/parts/chosen-parts'
import { partsList, type PartLine } from '@/core/parts/parts-list'
import { theOne } from '@/core/kinds/documents'
import { electricalId, mostOwnParts, type Electrical, type OwnPart } from '@/core/kinds/electrical/electrical'
import { type Fault } from '@/core/model/fault'
import { parseNumber } from '@/core/model/numbers'
import { csvLine } from '@/core/readers/csv'
import { entered } from '@/words/format'
import { metresPerFoot } from '@/core/model/units'
import { later } from '@/words/en/later'
import { partName } from '@/words/part-name'
import { type Sayer } from '@/words/sayer'
import { useBench, useNumbers, useOption, useSayer, useSession, useSite } from '../context'
import { TextField } from '../fields/text-field'
import { saveFile } from '../save-file'
import { Sheet } from '../sheet'
import { PalletNote } from './pallet-note'
import { Quote } from './parts-quote'
import { useBuilt } from './use-built'

const words = later.parts
const head = 'py-1 font-normal text-pencil'

/** Everything that goes onto the van: counted from what is drawn, with what somebody knows better, and what is added. */
export function PartsSheet() {
  const { session } = useBench()
  const found = useBuilt()
  const sayer = useSayer()
  const electrical = theOne(useOption(), 'electrical', electricalId)
  const lines = found ? partsList(found.built) : []
  const parts = chosenParts(lines, electrical)
  return (
    <Sheet title={words.title} onClose={() => session.setState({ dialog: null })}>
      {lines.length === 0 ? (
        <p>{words.none}</p>
      ) : (
        <div className={found?.fresh ? '' : 'opacity-60'}>
          <PartsTable parts={parts} lines={lines} />
          <PalletNote parts={parts} />
          <div className="mt-3 flex flex-wrap gap-2">
            <AddPart />
            <button
              type="button"
              className="button"
              onClick={() => saveFile(partsCsv(parts, sayer), 'parts.csv', 'text/csv')}
            >
              {words.csv}
            </button>
            <Quote parts={parts} lines={lines} />
          </div>
          <p className="quiet mt-3">
            {words.changes} {words.note}
          </p>
        </div>
      )}
    </Sheet>
  )
}

/** Null where nothing is typed: what is counted or listed holds again. */
const numberOrNone = (text: string, locale: string): number | null =>
  text.trim() === '' ? null : parseNumber(text, locale)

/** How a count is told, and how much one of that is. */
const unitOf = (unit: PartLine['unit'], units: 'metric' | 'imperial') => {
  if (unit === 'piece') return { unit: '\u00a0', each: 1 }
  return units === 'imperial' ? { unit: 'ft', each: metresPerFoot } : { unit: 'm', each: 1 }
}

/** Sets what is changed or added. */
function useParts(lines: readonly PartLine[]) {
  const { documents } = useBench()
  const optionId = useSession((s) => s.optionId)
  const electrical = theOne(useOption(), 'electrical', electricalId)
  const set = (step: string, fields: Partial<Pick<Electrical, 'partChanges' | 'ownParts'>>) =>
    documents.set(step, optionId, electricalId, fields)
  const ownAt = ({ key }: ChosenPart) => Number(key.slice('own-'.length))
  return {
    change: (step: string, { key }: ChosenPart, fields: Parameters<typeof withChange>[3]): Fault | null =>
      set(step, { partChanges: withChange(lines, electrical, key, fields) }),
    own: (step: string, part: ChosenPart, fields: Partial<OwnPart>): Fault | null =>
      set(step, {
        ownParts: electrical.ownParts.map((one, k) => (k === ownAt(part) ? { ...one, ...fields } : one)),
      }),
    remove: (part: ChosenPart) =>
      set(words.steps.removed, { ownParts: electrical.ownParts.filter((_, k) => k !== ownAt(part)) }),
  }
}

function AddPart() {
  const { documents } = useBench()
  const optionId = useSession((s) => s.optionId)
  const { ownParts } = theOne(useOption(), 'electrical', electricalId)
  if (ownParts.length >= mostOwnParts) return null
  const part: OwnPart = { name: words.addName, count: 1, unit: 'piece', price: null }
  return (
    <button
      type="button"
      className="button"
      onClick={() =>
        documents.set(words.steps.added, optionId, electricalId, { ownParts: [...ownParts, part] })
      }
    >
      {words.add}
    </button>
  )
}

function PartsTable({
  parts,
  lines,
}: {
  readonly parts: readonly ChosenPart[]
  readonly lines: readonly PartLine[]
}) {
  const sayer = useSayer()
  const { price, weightKg, priced, lines: brought } = toBring(parts)
  const powerW = useNumbers().numbers?.summary.powerW ?? 0
  return (
    <table className="w-full">
      <thead>
        <tr className="border-b border-line">
          <th className={`${head} text-left`}>{words.part}</th>
          <th className={`${head} pl-3 text-right`}>{words.count}</th>
          <th className={`${head} pl-4 text-left`}>{words.why}</th>
          <th className={`${head} pl-3 text-right`}>{words.each}</th>
          <th className={`${head} pl-3 text-right`}>{words.sum}</th>
          <th className={`${head} pl-3 text-right whitespace-nowrap`}>{words.onSite}</th>
        </tr>
      </thead>
      <tbody>
        {parts.map((part) => (
          <PartRow key={part.key} part={part} lines={lines} />
        ))}
      </tbody>
      <tfoot>
        <tr>
          <th scope="row" colSpan={4} className="pt-2 text-left font-normal text-pencil">
            {sayer.say(words.listed, { priced, all: brought })}
          </th>
          <td className="pt-2 text-right font-semibold whitespace-nowrap">
            {sayer.written({ value: price, unit: 'money', digits: 0 })}
          </td>
          <td />
        </tr>
        {powerW > 0 && (
          <tr>
            <th scope="row" colSpan={4} className="text-left font-normal text-pencil">
              {words.perWatt}
            </th>
            <td className="text-right font-semibold whitespace-nowrap">
              {sayer.written({ value: price / powerW, unit: 'money/W', digits: 2 })}
            </td>
            <td />
          </tr>
        )}
        <tr>
          <th scope="row" colSpan={4} className="text-left font-normal text-pencil">
            {words.weight}
          </th>
          <td className="text-right font-semibold whitespace-nowrap">
            {sayer.written({ value: weightKg, unit: 'kg', digits: 0 })}
          </td>
          <td />
        </tr>
      </tfoot>
    </table>
  )
}

function PartRow({ part, lines }: { readonly part: ChosenPart; readonly lines: readonly PartLine[] }) {
  const sayer = useSayer()
  const site = useSite()
  const set = useParts(lines)
  const { line, count, unit, price, onSite } = part
  const name = partName(part, sayer)
  const about = (message: string) => <span className="sr-only">{sayer.say(message, { part: name })}</span>
  const money = (value: number, digits = 0) => sayer.written({ value, unit: 'money', digits })
  const said = unitOf(unit, site.units)
  /** Whole ones of what is counted, as it is brought. */
  const inUnit = (counted: number) => {
    const told = counted / said.each
    return entered(line ? Math.ceil(told - 1e-6) : told, site, line ? 0 : 2)
  }
  const isCounted = line === null || count === line.count
  const isListed = line === null || price === line.price
  return (
    <tr className={`border-b border-line/60 align-top ${onSite ? 'text-pencil' : ''}`}>
      <th scope="row" className="py-1 text-left font-normal">
        {line ? (
          <span className={onSite ? 'line-through' : ''}>{name}</span>
        ) : (
          <OwnName part={part} lines={lines} />
        )}
      </th>
      <td className="py-0.5 pl-3 text-right whitespace-nowrap">
        <TextField
          label={about(words.countOf)}
          shown={inUnit(count)}
          unit={said.unit}
          width="short"
          onType={(text) => {
            const typed = numberOrNone(text, site.locale)
            const typedCount = typed === null ? null : typed * said.each
            if (!line) return set.own(words.steps.count, part, { count: typedCount ?? 0 })
            const isAsCounted = typed !== null && inUnit(typed * said.each) === inUnit(line.count)
            return set.change(words.steps.count, part, { count: isAsCounted ? null : typedCount })
          }}
        />
        {!isCounted && <p className="quiet">{sayer.say(words.counted, { count: inUnit(line.count) })}</p>}
      </td>
      <td className="quiet py-1.5 pl-4">
        {line ? sayer.say(later.partReasons[line.code], line.data) : words.added}
      </td>
      <td className="py-0.5 pl-3 text-right whitespace-nowrap">
        <TextField
          label={about(words.priceOf)}
          shown={price === null ? '' : entered(price * said.each, site, 2)}
          width="figure"
          onType={(text) => {
            const typed = numberOrNone(text, site.locale)
            const each = typed === null ? null : typed / said.each
            return line
              ? set.change(words.steps.price, part, { price: each === line.price ? null : each })
              : set.own(words.steps.price, part, { price: each })
          }}
        />
        {!isListed && line.price !== null && (
          <p className="quiet">{sayer.say(words.listPrice, { price: money(line.price, 2) })}</p>
        )}
      </td>
      <td className="py-1.5 pl-3 text-right whitespace-nowrap">
        {price === null || onSite ? '–' : money(price * count)}
      </td>
      <td className="py-1.5 pl-3 text-right">
        {line && (
          <input
            type="checkbox"
            aria-label={sayer.say(words.onSiteOf, { part: name })}
            className="cursor-pointer"
            checked={onSite}
            onChange={(event) => set.change(words.steps.onSite, part, { onSite: event.target.checked })}
          />
        )}
      </td>
    </tr>
  )
}

/** What somebody has added, and its name, unit and way out. */
function OwnName({ part, lines }: { readonly part: ChosenPart; readonly lines: readonly PartLine[] }) {
  const sayer = useSayer()
  const { units } = useSite()
  const set = useParts(lines)
  const name = part.name ?? ''
  const number = Number(part.key.slice('own-'.length)) + 1
  return (
    <div className="flex items-center gap-1">
      <TextField
        label={<span className="sr-only">{sayer.say(words.nameOf, { number })}</span>}
        shown={name}
        width="words"
        onType={(text) => set.own(words.steps.added, part, { name: text })}
      />
      <select
        aria-label={sayer.say(words.unitOf, { part: name })}
        className="field cursor-pointer pr-0"
        value={part.unit}
        onKeyDown={(event) => event.stopPropagation()}
        onChange={(event) =>
          set.own(words.steps.added, part, { unit: event.target.value === 'm' ? 'm' : 'piece' })
        }
      >
        {(['piece', 'm'] as const).map((unit) => (
          <option key={unit} value={unit}>
            {unit === 'm' && units === 'imperial' ? words.feet : words.units[unit]}
          </option>
        ))}
      </select>
      <button
        type="button"
        aria-label={sayer.say(words.remove, { part: name })}
        className="cursor-pointer px-1 text-pencil hover:text-ink"
        onClick={() => set.remove(part)}
      >
        ×
      </button>
    </div>
  )
}

/** Counts and reasons as people read them, figures as programs do. */
const partsCsv = (parts: readonly ChosenPart[], sayer: Sayer): string =>
  [
    csvLine(['part', 'code', 'count', 'unit', 'price', 'weight_kg', 'why', 'on_site', 'counted']),
    ...parts.map((part) =>
      csvLine([
        partName(part, sayer),
        part.line?.code ?? '',
        part.count,
        part.unit,
        part.price ?? '',
        part.weightKg ?? '',
        part.line ? sayer.say(later.partReasons[part.line.code], part.line.data) : words.added,
        part.onSite ? 'yes' : 'no',
        part.line?.count ?? '',
      ]),
    ),
    '',
  ].join('\n')
