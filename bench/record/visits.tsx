'use client'

import { ofKind } from '@/core/kinds/documents'
import { newId } from '@/core/model/new-id'
import { later } from '@/words/en/later'
import { useHouse } from '../context'
import { DayField } from '../fields/day-field'
import { NotesField } from '../fields/notes-field'
import { TextField } from '../fields/text-field'
import { RecordPart } from './record-part'
import { today, useRecord } from './use-record'

/** Who was there, when, and what came of it; the newest first. */
export function Visits() {
  const { add, set, remove } = useRecord()
  const words = later.record
  const fields = later.fields.visit
  const visits = ofKind(useHouse(), 'visit').toSorted((a, b) => (a.on < b.on ? 1 : a.on > b.on ? -1 : 0))
  const addOne = () =>
    add(words.addVisit, [{ id: newId('visit', Math.random), kind: 'visit', on: today(), by: '', notes: '' }])
  return (
    <RecordPart
      title={words.visits}
      empty={visits.length === 0 ? words.noVisit : null}
      action={
        <button type="button" className="button" onClick={addOne}>
          {words.addVisit}
        </button>
      }
    >
      <ul>
        {visits.map((visit) => (
          <li
            key={visit.id}
            className="grid grid-cols-1 gap-x-6 border-b border-line py-2 sm:grid-cols-[17rem_1fr]"
          >
            <div>
              <DayField
                label={fields.on}
                value={visit.on}
                onSet={(on) => (on === null ? null : set(fields.on, visit.id, { on }))}
              />
              <TextField
                label={fields.by}
                shown={visit.by}
                width="name"
                onType={(text) => set(fields.by, visit.id, { by: text.trim() })}
              />
              <button type="button" className="button mt-1" onClick={() => remove(visit)}>
                {words.remove}
              </button>
            </div>
            <NotesField
              label={fields.notes}
              text={visit.notes}
              onType={(notes) => set(fields.notes, visit.id, { notes })}
            />
          </li>
        ))}
      </ul>
    </RecordPart>
  )
}
