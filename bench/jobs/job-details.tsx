'use client'

import { useId, useState, type ReactNode } from 'react'
import { jobStatuses, longest, tagsIn, type TemplateUse } from '@/core/model/job-status'
import { type ProgressChange } from '@/core/model/progress'
import { type Noted } from './job-row'
import { JobLinks } from './job-links'
import { statusWords } from './job-words'
import { type Answer, type Ask } from './requests'

const templateWords: Readonly<Record<TemplateUse, string>> = {
  none: 'No',
  choice: 'Can be chosen for new jobs',
  default: 'Every new job starts from it',
}

/** What is typed, before it is kept. */
interface Draft extends Omit<Noted, 'tags' | 'nextOn' | 'ownerId' | 'archived'> {
  readonly tags: string
  readonly nextOn: string
  readonly ownerId: string
}

const draftOf = ({ archived: _archived, ...noted }: Noted): Draft => ({
  ...noted,
  tags: noted.tags.join(', '),
  nextOn: noted.nextOn ?? '',
  ownerId: noted.ownerId ?? '',
})

/** What of a draft is new: fields that a colleague changes meanwhile stay as they are. */
function changeOf(draft: Draft, before: Noted): ProgressChange {
  const old = draftOf(before)
  const tags = tagsIn(draft.tags)
  return {
    ...(draft.status !== old.status && { status: draft.status }),
    ...(tags.join() !== before.tags.join() && { tags }),
    ...(draft.notes !== old.notes && { notes: draft.notes }),
    ...(draft.ownerId !== old.ownerId && { ownerId: draft.ownerId || null }),
    ...(draft.nextStep !== old.nextStep && { nextStep: draft.nextStep }),
    ...(draft.nextOn !== old.nextOn && { nextOn: draft.nextOn || null }),
  }
}

/** Keeps what is new, in one request or two. */
async function keep(
  patch: (body: object) => Promise<Answer>,
  id: string,
  draft: Draft,
  before: Noted,
): Promise<Answer> {
  const progress = changeOf(draft, before)
  const kept: Answer = Object.keys(progress).length > 0 ? await patch({ progress }) : { id }
  if ('fault' in kept || draft.template === before.template) return kept
  return patch({ template: draft.template })
}

function Labelled({
  label,
  children,
}: {
  readonly label: string
  readonly children: (id: string) => ReactNode
}) {
  const id = useId()
  return (
    <div>
      <label htmlFor={id} className="quiet mb-0.5 block">
        {label}
      </label>
      {children(id)}
    </div>
  )
}

/** What the team notes of a job: how far it has come, what is next, tags and notes; and whether it is a template. */
export function JobDetails({
  job: { id, name, noted },
  owners,
  hasLinks,
  ask,
  onDone,
}: {
  readonly job: { readonly id: string; readonly name: string; readonly noted: Noted }
  readonly owners: readonly { readonly id: string; readonly name: string }[]
  /** Whether there are links to a job: only where people sign in. */
  readonly hasLinks: boolean
  readonly ask: Ask
  /** `changed` where something was kept. */
  readonly onDone: (changed: boolean) => void
}) {
  const patch = (body: object) => ask(`/api/jobs/${id}`, 'PATCH', JSON.stringify(body), id)
  const [draft, setDraft] = useState(() => draftOf(noted))
  const [fault, setFault] = useState<string | null>(null)
  const [isBusy, setBusy] = useState(false)
  const set = (change: Partial<Draft>) => {
    setFault(null)
    setDraft({ ...draft, ...change })
  }
  const send = async (answer: Promise<Answer>) => {
    setBusy(true)
    const result = await answer
    setBusy(false)
    if ('fault' in result) setFault(result.fault)
    else onDone(true)
  }
  return (
    <>
      <form
        aria-label={`Details of ${name}`}
        className="relative z-10 mt-2 grid grid-cols-2 gap-x-4 gap-y-2 border-t border-line pt-3 md:grid-cols-4"
        onSubmit={(event) => {
          event.preventDefault()
          void send(keep(patch, id, draft, noted))
        }}
        onKeyDown={(event) => {
          if (event.key === 'Escape') onDone(false)
        }}
      >
        <Labelled label="Status">
          {(field) => (
            <select
              id={field}
              autoFocus
              className="field"
              value={draft.status}
              onChange={({ target }) =>
                set({ status: jobStatuses.find((status) => status === target.value) ?? 'lead' })
              }
            >
              {jobStatuses.map((status) => (
                <option key={status} value={status}>
                  {statusWords[status]}
                </option>
              ))}
            </select>
          )}
        </Labelled>
        <Labelled label="Designer">
          {(field) => (
            <select
              id={field}
              className="field"
              value={draft.ownerId}
              onChange={({ target }) => set({ ownerId: target.value })}
            >
              <option value="">Nobody</option>
              {owners.map((owner) => (
                <option key={owner.id} value={owner.id}>
                  {owner.name}
                </option>
              ))}
            </select>
          )}
        </Labelled>
        <Labelled label="Next step">
          {(field) => (
            <input
              id={field}
              className="field"
              maxLength={longest.nextStep}
              value={draft.nextStep}
              onChange={({ target }) => set({ nextStep: target.value })}
            />
          )}
        </Labelled>
        <Labelled label="On">
          {(field) => (
            <input
              id={field}
              type="date"
              className="field"
              value={draft.nextOn}
              onChange={({ target }) => set({ nextOn: target.value })}
            />
          )}
        </Labelled>
        <div className="col-span-2">
          <Labelled label="Tags, parted by commas">
            {(field) => (
              <input
                id={field}
                className="field"
                value={draft.tags}
                onChange={({ target }) => set({ tags: target.value })}
              />
            )}
          </Labelled>
        </div>
        <div className="col-span-2">
          <Labelled label="Template">
            {(field) => (
              <select
                id={field}
                className="field"
                title="New jobs take its equipment, losses, prices, ways to pay and texts; never its house or its people"
                value={draft.template}
                onChange={({ target }) =>
                  set({
                    template: target.value === 'choice' || target.value === 'default' ? target.value : 'none',
                  })
                }
              >
                {Object.entries(templateWords).map(([use, words]) => (
                  <option key={use} value={use}>
                    {words}
                  </option>
                ))}
              </select>
            )}
          </Labelled>
        </div>
        <div className="col-span-2 md:col-span-4">
          <Labelled label="Notes">
            {(field) => (
              <textarea
                id={field}
                rows={3}
                className="field h-auto py-1"
                maxLength={longest.notes}
                value={draft.notes}
                onChange={({ target }) => set({ notes: target.value })}
              />
            )}
          </Labelled>
        </div>
        {fault && (
          <p role="alert" className="col-span-full text-clay">
            {fault}
          </p>
        )}
        <div className="col-span-full flex gap-1.5">
          <button type="submit" className="button button-main" disabled={isBusy}>
            Keep
          </button>
          <button type="button" className="button" onClick={() => onDone(false)}>
            Cancel
          </button>
          <button
            type="button"
            className="button ml-auto"
            disabled={isBusy}
            onClick={() => void send(patch({ archived: !noted.archived }))}
          >
            {noted.archived ? 'Take out of the archive' : 'Archive'}
          </button>
        </div>
      </form>
      {hasLinks && <JobLinks id={id} name={name} />}
    </>
  )
}
