'use client'

import Link from 'next/link'
import { useState } from 'react'
import { useStore } from 'zustand'
import { type Change } from '@/core/kinds/documents'
import { invertChange, mergeChange } from '@/core/model/change'
import { useBench, useSayer } from '../context'
import { restoreJob } from '../requests'
import { type PendingEdit, type RefusedEdit } from '../store/outbox'

const frame =
  'fixed top-14 left-1/2 z-40 w-[30rem] -translate-x-1/2 rounded-lg border border-clay bg-card p-4 shadow-xl'

/** Edits as a file, so that nothing is lost whatever becomes of them here. */
function SaveAsFile({ edits }: { readonly edits: readonly PendingEdit[] }) {
  const { jobId } = useBench()
  const save = () => {
    const text = JSON.stringify({ format: 'tall-gable-edits', version: 1, jobId, edits }, null, 2)
    const link = document.createElement('a')
    link.href = URL.createObjectURL(new Blob([text], { type: 'application/json' }))
    link.download = 'edits.json'
    link.click()
    URL.revokeObjectURL(link.href)
  }
  return (
    <button type="button" className="button" onClick={save}>
      Save as a file
    </button>
  )
}

/** An edit that the server will never take: said, kept, and taken back where nobody has built on it. */
export function Refusal({ refused: { edit, fault } }: { readonly refused: RefusedEdit }) {
  const { outbox, documents, sync } = useBench()
  const sayer = useSayer()
  const drop = () => {
    const back: Change = invertChange(edit.change)
    const { objects } = mergeChange(documents.document(edit.documentId), back)
    documents.take({ [edit.documentId]: objects })
    outbox.forget(edit.id)
    sync.show()
  }
  return (
    <div role="alertdialog" aria-label="Not saved" className={frame}>
      <p className="font-semibold">The server did not accept one edit. All others are saved.</p>
      <p className="mt-1">{sayer.fault(fault)}</p>
      <div className="mt-3 flex justify-end gap-2">
        <SaveAsFile edits={[edit]} />
        <button type="button" className="button button-main" onClick={drop}>
          Undo that edit
        </button>
      </div>
    </div>
  )
}

/** The job was deleted by somebody else. */
export function JobDeleted() {
  const { jobId, outbox, line } = useBench()
  const pending = useStore(outbox.store, (s) => s.pending)
  const [failed, setFailed] = useState(false)
  const restore = async () => {
    const done = await restoreJob(jobId)
    setFailed(!done)
    if (!done) return
    line.store.setState({ deleted: false })
    outbox.flush()
  }
  return (
    <div role="alertdialog" aria-label="Job deleted" className={frame}>
      <p className="font-semibold">Somebody else deleted this job.</p>
      <p className="mt-1">
        {pending.length === 0
          ? 'Everything you did was saved before.'
          : `${pending.length} of your edits ${pending.length === 1 ? 'is' : 'are'} kept in this browser and ${pending.length === 1 ? 'is' : 'are'} saved when the job is back.`}
      </p>
      {failed && (
        <p role="alert" className="mt-1 text-clay">
          The job could not be brought back. Try again in a moment.
        </p>
      )}
      <div className="mt-3 flex justify-end gap-2">
        {pending.length > 0 && <SaveAsFile edits={pending} />}
        <Link className="button" href="/">
          All jobs
        </Link>
        <button type="button" className="button button-main" onClick={() => void restore()}>
          Restore the job
        </button>
      </div>
    </div>
  )
}

/** The sign-in ran out; the edits wait. */
export function SignedOut() {
  const { jobId, outbox } = useBench()
  const count = useStore(outbox.store, (s) => s.pending.length)
  return (
    <div role="alertdialog" aria-label="Signed out" className={frame}>
      <p className="font-semibold">You are no longer signed in.</p>
      <p className="mt-1">
        {count} {count === 1 ? 'edit is' : 'edits are'} kept in this browser and saved once you are.
      </p>
      <div className="mt-3 flex justify-end gap-2">
        <a className="button button-main" href={`/enter?to=/jobs/${jobId}`}>
          Sign in again
        </a>
      </div>
    </div>
  )
}
