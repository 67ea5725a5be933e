'use client'

import { useId, useState, type FormEvent } from 'react'
import { moduleColours } from '@/core/model/module-sheet'
import { type OwnModule } from '@/core/kinds/own-module/own-module'
import { Fault } from '@/core/model/fault'
import { newId } from '@/core/model/new-id'
import {
  columnOf,
  moduleColumnNames,
  moduleColumns,
  sheetFrom,
  textsOf,
  type ModuleColumn,
  type ModuleTexts,
} from '@/core/readers/module-table'
import { later } from '@/words/en/later'
import { plainNumber } from '@/words/format'
import { useBench, useSayer, useSite } from '../context'
import { houseId } from '../store/documents'

const words = later.catalogue
const choices: Readonly<Partial<Record<ModuleColumn, readonly string[]>>> = {
  half_cut: ['no', 'yes'],
  plus_only: ['no', 'yes'],
  cell: ['p-type', 'n-type'],
  look: ['', ...moduleColours],
}

/** A data sheet of the job's own, typed in or changed; kept when its figures belong together. */
export function OwnModuleForm({
  module,
  onDone,
}: {
  /** The one to change; null for a new one. */
  readonly module: OwnModule | null
  readonly onDone: () => void
}) {
  const { documents } = useBench()
  const site = useSite()
  const sayer = useSayer()
  const [texts, setTexts] = useState<ModuleTexts>(() =>
    module ? textsOf(module, (value) => plainNumber(value, site)) : {},
  )
  const [wrong, setWrong] = useState<Fault | null>(null)
  const save = (event: FormEvent) => {
    event.preventDefault()
    try {
      const sheet = sheetFrom(texts, site.locale)
      const id = module?.id ?? newId('module', Math.random)
      const { fault } = documents.edit(module ? words.changed : words.added, houseId, (before) => ({
        ...before,
        [id]: { ...sheet, id, kind: 'own-module' },
      }))
      setWrong(fault)
      if (!fault) onDone()
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      setWrong(named(error))
    }
  }
  return (
    <form onSubmit={save} noValidate onKeyDown={(event) => event.stopPropagation()}>
      <p className="quiet mb-2">{words.formHint}</p>
      <div className="grid gap-x-6 sm:grid-cols-3">
        {moduleColumnNames.map((column) => (
          <Field
            key={column}
            column={column}
            value={texts[column] ?? ''}
            wrong={wrong !== null && columnOf(wrong.path) === column}
            onChange={(text) => setTexts({ ...texts, [column]: text })}
          />
        ))}
      </div>
      {wrong && (
        <p role="alert" className="mt-2 rounded-md bg-clay-soft p-2 text-clay">
          {sayer.fault(wrong)}
        </p>
      )}
      <div className="mt-3 flex gap-3">
        <button type="submit" className="button">
          {words.save}
        </button>
        <button type="button" className="button" onClick={onDone}>
          {words.cancel}
        </button>
      </div>
    </form>
  )
}

/** A fault of a table's column, told of the field of that column. */
function named(fault: Fault): Fault {
  const column = columnOf(fault.path)
  if (!column) return fault
  const label = words.fields[column]
  return new Fault(fault.code, { ...fault.data, column: label, at: label }, fault.path)
}

function Field({
  column,
  value,
  wrong,
  onChange,
}: {
  readonly column: ModuleColumn
  readonly value: string
  readonly wrong: boolean
  readonly onChange: (text: string) => void
}) {
  const id = useId()
  const offered = choices[column]
  const common = { id, value, 'aria-invalid': wrong, className: 'field mt-0.5 w-full' }
  const shown = (choice: string) =>
    choice === ''
      ? words.unsaid
      : choice === 'yes'
        ? words.yes
        : choice === 'no'
          ? words.no
          : (moduleColours.find((colour) => colour === choice) ?? choice).replaceAll('-', ' ')
  return (
    <div className="py-0.5">
      <label htmlFor={id} className="text-pencil">
        {words.fields[column]}
        {moduleColumns[column].needed ? ' *' : ''}
      </label>
      {offered ? (
        <select {...common} onChange={(event) => onChange(event.target.value)}>
          {offered.map((choice) => (
            <option key={choice} value={choice}>
              {column === 'cell' ? choice : shown(choice)}
            </option>
          ))}
        </select>
      ) : (
        <input {...common} onChange={(event) => onChange(event.target.value)} />
      )}
    </div>
  )
}
