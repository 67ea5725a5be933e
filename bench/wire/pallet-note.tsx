'use client'

import { type ChosenPart } from '@/core/parts/chosen-parts'
import { palletsOf } from '@/core/parts/pallets'
import { later } from '@/words/en/later'
import { type Sayer } from '@/words/sayer'
import { useCatalogue, useSayer } from '../context'

const words = later.parts.pallets

/** On how many pallets the modules come, how heavy those are, and what room they take. */
export function PalletNote({ parts }: { readonly parts: readonly ChosenPart[] }) {
  const sayer = useSayer()
  const { modules } = useCatalogue()
  const notes = parts.flatMap(({ line, count, onSite }) => {
    const sheet = line?.code === 'module' ? modules.find(({ id }) => id === line.typeId) : undefined
    const pallets = sheet && !onSite ? palletsOf(sheet, count) : null
    return sheet && pallets ? [saidPallets(sayer, sheet.name, pallets)] : []
  })
  if (notes.length === 0) return null
  return (
    <p className="mt-2">
      <span className="text-pencil">{words.title}:</span> {notes.join(' ')}
    </p>
  )
}

function saidPallets(sayer: Sayer, name: string, pallets: NonNullable<ReturnType<typeof palletsOf>>): string {
  const { perPallet: per, full, rest, fullKg, restKg, lengthM, widthM } = pallets
  const weight = (kg: number | null) =>
    kg === null ? 'none' : sayer.written({ value: kg, unit: 'kg', digits: 0 })
  const length = (value: number) => sayer.written({ value, unit: 'm' })
  const said = [
    ...(full > 0 ? [sayer.say(words.full, { full, per, name, kg: weight(fullKg) })] : []),
    ...(rest > 0 ? [sayer.say(words.rest, { rest, per, name, kg: weight(restKg) })] : []),
  ]
  return `${said.join('; ')}. ${sayer.say(words.note, { length: length(lengthM), width: length(widthM) })}`
}
