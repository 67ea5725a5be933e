'use client'

import { ofKind } from '@/core/kinds/documents'
import { permitStates } from '@/core/kinds/permit/permit'
import { newId } from '@/core/model/new-id'
import { later } from '@/words/en/later'
import { useHouse, useSayer } from '../context'
import { ChoiceField } from '../fields/fields'
import { DayField } from '../fields/day-field'
import { NotesField } from '../fields/notes-field'
import { TextField } from '../fields/text-field'
import { nameAmong } from '../tools/placing'
import { RecordPart } from './record-part'
import { useRecord } from './use-record'

const texts = ['name', 'authority', 'number'] as const
const days = ['appliedOn', 'decidedOn', 'validUntil'] as const

/** What has to be allowed, by whom, and how far it has come. */
export function Permits() {
  const { add, set, remove } = useRecord()
  const sayer = useSayer()
  const { record: words, permitStates: states } = later
  const fields = later.fields.permit
  const permits = ofKind(useHouse(), 'permit')
  const addOne = () =>
    add(words.addPermit, [
      {
        id: newId('permit', Math.random),
        kind: 'permit',
        name: nameAmong({ sayer: () => sayer }, 'permit', permits),
        authority: '',
        number: '',
        state: 'to-apply',
        appliedOn: null,
        decidedOn: null,
        validUntil: null,
        notes: '',
      },
    ])
  return (
    <RecordPart
      title={words.permits}
      empty={permits.length === 0 ? words.noPermit : null}
      action={
        <button type="button" className="button" onClick={addOne}>
          {words.addPermit}
        </button>
      }
    >
      <ul>
        {permits.map((permit) => (
          <li
            key={permit.id}
            className="grid grid-cols-1 gap-x-6 border-b border-line py-2 sm:grid-cols-[17rem_17rem_1fr]"
          >
            <div>
              {texts.map((field) => (
                <TextField
                  key={field}
                  label={fields[field]}
                  shown={permit[field]}
                  width="name"
                  onType={(text) => set(fields[field], permit.id, { [field]: text.trim() })}
                />
              ))}
              <button type="button" className="button mt-1" onClick={() => remove(permit, permit.name)}>
                {words.remove}
              </button>
            </div>
            <div>
              <ChoiceField
                wide={false}
                label={fields.state}
                value={permit.state}
                choices={permitStates.map((value) => ({ value, label: states[value] }))}
                onChoose={(state) => set(fields.state, permit.id, { state })}
              />
              {days.map((field) => (
                <DayField
                  key={field}
                  label={fields[field]}
                  value={permit[field]}
                  onSet={(day) => set(fields[field], permit.id, { [field]: day })}
                />
              ))}
            </div>
            <NotesField
              label={fields.notes}
              text={permit.notes}
              onType={(notes) => set(fields.notes, permit.id, { notes })}
            />
          </li>
        ))}
      </ul>
    </RecordPart>
  )
}
