'use client'

import { useStore } from 'zustand'
import { type AnyObject } from '@/core/kinds/index'
import { sameValue } from '@/core/model/change'
import { useBench, useSayer } from '../context'
import { type RefusedEdit, type SendResult } from '../store/outbox'

type Found = SendResult['conflicts'][number]

const describe = (object: AnyObject | null) => {
  if (!object) return 'deleted'
  const { id: _id, kind: _kind, ...fields } = object
  return Object.entries(fields)
    .map(([key, value]) => `${key}: ${typeof value === 'object' ? JSON.stringify(value) : String(value)}`)
    .join(', ')
}

/** Objects that somebody else changed at the same time: both values, and the choice between them. */
export function Conflicts() {
  const { outbox, documents } = useBench()
  const conflicts = useStore(outbox.store, (s) => s.conflicts)
  const refused = useStore(outbox.store, (s) => s.refused)
  const first = conflicts[0]
  const keepTheirs = (conflict: Found) => {
    for (const { id, theirs } of conflict.objects) documents.adopt(conflict.documentId, id, theirs)
    outbox.settle(conflict.id)
  }
  const keepOurs = (conflict: Found) => {
    for (const { id, theirs, ours } of conflict.objects) {
      documents.adopt(conflict.documentId, id, theirs)
      documents.edit('Keep mine', conflict.documentId, (before) => {
        const { [id]: _old, ...rest } = before
        return ours ? { ...rest, [id]: ours } : rest
      })
    }
    outbox.settle(conflict.id)
  }
  if (refused[0]) return <Refusal refused={refused[0]} />
  if (!first) return null
  return (
    <div
      role="alertdialog"
      aria-label="Changed by somebody else"
      className="fixed top-14 left-1/2 z-40 w-[34rem] -translate-x-1/2 rounded-lg border border-straw bg-card p-4 shadow-xl"
    >
      <p className="font-semibold">Somebody else changed the same thing.</p>
      {first.objects.map(({ id, theirs, ours }) => (
        <dl key={id} className="mt-2 grid grid-cols-[5rem_1fr] gap-1">
          <dt className="text-pencil">Theirs</dt>
          <dd className="max-h-20 overflow-y-auto break-words">{describe(theirs)}</dd>
          <dt className="text-pencil">Yours</dt>
          <dd className="max-h-20 overflow-y-auto break-words">{describe(ours)}</dd>
        </dl>
      ))}
      <div className="mt-3 flex justify-end gap-2">
        <button type="button" className="button" onClick={() => keepTheirs(first)}>
          Keep theirs
        </button>
        <button type="button" className="button button-main" onClick={() => keepOurs(first)}>
          Keep yours
        </button>
      </div>
    </div>
  )
}

/** An edit that the server will never take: said, and taken back where nobody has built on it. */
function Refusal({ refused: { edit, fault } }: { readonly refused: RefusedEdit }) {
  const { outbox, documents } = useBench()
  const sayer = useSayer()
  const takeBack = () => {
    const { documentId, change } = edit
    const now = documents.document(documentId)
    const back: [string, AnyObject | null, AnyObject | null][] = [
      ...Object.entries(change.added).map(([id, to]): [string, null, AnyObject] => [id, null, to]),
      ...Object.entries(change.updated).map(([id, [from, to]]): [string, AnyObject, AnyObject] => [
        id,
        from,
        to,
      ]),
      ...Object.entries(change.removed).map(([id, from]): [string, AnyObject, null] => [id, from, null]),
    ]
    for (const [id, from, to] of back)
      if (sameValue(now[id] ?? null, to)) documents.adopt(documentId, id, from)
    outbox.forget(edit.id)
  }
  return (
    <div
      role="alertdialog"
      aria-label="Not saved"
      className="fixed top-14 left-1/2 z-40 w-[30rem] -translate-x-1/2 rounded-lg border border-clay bg-card p-4 shadow-xl"
    >
      <p className="font-semibold">The server did not accept one edit. All others are saved.</p>
      <p className="mt-1">{sayer.fault(fault)}</p>
      <button type="button" className="button mt-3" onClick={takeBack}>
        Undo that edit
      </button>
    </div>
  )
}
