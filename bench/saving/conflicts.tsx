'use client'

import { useStore } from 'zustand'
import { momentName } from '@/words/format'
import { useBench, useSayer, useSite } from '../context'
import { type ConflictedEdit, type FoundConflict } from '../store/outbox'
import { JobDeleted, Refusal, SignedOut } from './barred'
import { fieldName, objectName } from './object-names'
import { shownValue } from './shown-value'

/** What stands between the edits and the database: one thing at a time, the most pressing first. */
export function SavingDialog() {
  const { outbox, line } = useBench()
  const { conflicts, refused, status } = useStore(outbox.store)
  const deleted = useStore(line.store, (s) => s.deleted)
  if (deleted || status === 'deleted') return <JobDeleted />
  if (status === 'signed-out') return <SignedOut />
  if (refused[0]) return <Refusal refused={refused[0]} />
  return conflicts[0] ? <Conflict conflict={conflicts[0]} others={conflicts.length - 1} /> : null
}

/** The same thing changed by two: both values, by whom and when, and the choice between them. */
function Conflict({ conflict, others }: { readonly conflict: ConflictedEdit; readonly others: number }) {
  const { sync } = useBench()
  return (
    <div
      role="alertdialog"
      aria-label="Changed by somebody else"
      className="fixed top-14 left-1/2 z-40 max-h-[70vh] w-[34rem] -translate-x-1/2 overflow-y-auto rounded-lg border border-straw bg-card p-4 shadow-xl"
    >
      <p className="font-semibold">Somebody else changed the same thing.</p>
      {conflict.objects.map((object) => (
        <Found key={object.id} found={object} />
      ))}
      <div className="mt-3 flex items-center justify-end gap-2">
        {others > 0 && <span className="quiet mr-auto">{others} more to answer</span>}
        <button type="button" className="button" onClick={() => sync.answer(conflict, 'theirs')}>
          Keep theirs
        </button>
        <button type="button" className="button button-main" onClick={() => sync.answer(conflict, 'ours')}>
          Keep yours
        </button>
      </div>
    </div>
  )
}

function Found({ found: { fields, theirs, ours, by, at } }: { readonly found: FoundConflict }) {
  const sayer = useSayer()
  const { locale } = useSite()
  const object = ours ?? theirs
  if (!object) return null
  const rows =
    theirs && ours && fields.length > 0
      ? fields.map((field) => ({
          field: fieldName(object, field),
          theirs: shownValue(theirs, field, sayer),
          ours: shownValue(ours, field, sayer),
        }))
      : [{ field: '', theirs: theirs ? 'kept' : 'deleted', ours: ours ? 'kept' : 'deleted' }]
  return (
    <table className="mt-2 w-full text-left">
      <caption className="text-left">
        {objectName(sayer, object)}
        {by && (
          <span className="quiet">
            {' '}
            · changed by {by}
            {at && `, ${momentName(at, locale)}`}
          </span>
        )}
      </caption>
      <thead>
        <tr className="quiet">
          <th className="font-normal">Field</th>
          <th className="font-normal">Theirs</th>
          <th className="font-normal">Yours</th>
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.field} className="border-t border-line align-top">
            <th className="w-32 py-0.5 font-normal text-pencil">{row.field}</th>
            <td className="py-0.5 break-all">{row.theirs}</td>
            <td className="py-0.5 break-all">{row.ours}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
