'use client'

import { useId, useState, type FormEvent } from 'react'
import { Fault } from '@/core/model/fault'
import { type SheetTexts } from '@/core/readers/sheet-columns'
import { later } from '@/words/en/later'
import { useSayer } from '../context'

const words = later.catalogue

/** A column of a data sheet as a field of a form. */
export interface FormField {
  readonly column: string
  readonly label: string
  readonly needed: boolean
  /** What it may be, and how that is said; any text where it is left out. */
  readonly choices?: readonly (readonly [value: string, shown: string])[]
}

/** A data sheet of the job's own, typed in or changed; kept when its figures belong together. */
export function OwnSheetForm({
  hint,
  saves,
  fields,
  start,
  columnOf,
  onSave,
  onDone,
}: {
  readonly hint: string
  /** On the button that keeps it. */
  readonly saves: string
  readonly fields: readonly FormField[]
  readonly start: SheetTexts
  /** The column that a fault is about, by its path. */
  readonly columnOf: (path: string) => string | null
  /** Keeps what is typed. @throws Fault what is wrong with it */
  readonly onSave: (texts: SheetTexts) => void
  readonly onDone: () => void
}) {
  const sayer = useSayer()
  const [texts, setTexts] = useState(start)
  const [wrong, setWrong] = useState<Fault | null>(null)
  const at = wrong && columnOf(wrong.path)
  /** A fault of a table's column, told of the field of that column. */
  const said = (fault: Fault): string => {
    const label = fields.find(({ column }) => column === at)?.label
    return sayer.fault(
      label === undefined
        ? fault
        : new Fault(fault.code, { ...fault.data, column: label, at: label }, fault.path),
    )
  }
  const save = (event: FormEvent) => {
    event.preventDefault()
    try {
      onSave(texts)
      onDone()
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      setWrong(error)
    }
  }
  return (
    <form onSubmit={save} noValidate onKeyDown={(event) => event.stopPropagation()}>
      <p className="quiet mb-2">{hint}</p>
      <div className="grid gap-x-6 sm:grid-cols-3">
        {fields.map((field) => (
          <Field
            key={field.column}
            field={field}
            value={texts[field.column] ?? ''}
            wrong={at === field.column}
            onChange={(text) => setTexts({ ...texts, [field.column]: text })}
          />
        ))}
      </div>
      {wrong && (
        <p role="alert" className="mt-2 rounded-md bg-clay-soft p-2 text-clay">
          {said(wrong)}
        </p>
      )}
      <div className="mt-3 flex gap-3">
        <button type="submit" className="button">
          {saves}
        </button>
        <button type="button" className="button" onClick={onDone}>
          {words.cancel}
        </button>
      </div>
    </form>
  )
}

function Field({
  field: { label, needed, choices },
  value,
  wrong,
  onChange,
}: {
  readonly field: FormField
  readonly value: string
  readonly wrong: boolean
  readonly onChange: (text: string) => void
}) {
  const id = useId()
  const common = { id, value, 'aria-invalid': wrong, className: 'field mt-0.5 w-full' }
  return (
    <div className="py-0.5">
      <label htmlFor={id} className="text-pencil">
        {label}
        {needed ? ' *' : ''}
      </label>
      {choices ? (
        <select {...common} onChange={(event) => onChange(event.target.value)}>
          {choices.map(([choice, shown]) => (
            <option key={choice} value={choice}>
              {shown}
            </option>
          ))}
        </select>
      ) : (
        <input {...common} onChange={(event) => onChange(event.target.value)} />
      )}
    </div>
  )
}
