'use client'

import { useRouter } from 'next/navigation'
import { lazy, Suspense, useRef, useState, useTransition, type ReactNode } from 'react'
import { JobActions } from './job-actions'
import { JobRow, type ListedJob } from './job-row'
import { NewJob } from './new-job'
import { useNewFigures } from './new-figures'
import { ask, copyJob, importJob, setDeleted, type Answer } from './requests'

// Whoever only opens a job does not wait for it.
const JobDetails = lazy(() =>
  import('./job-details').then(
    (found) => ({ default: found.JobDetails }),
    () => ({ default: NotFetched }),
  ),
)

const Several = lazy(() =>
  import('./several/several').then(
    (found) => ({ default: found.Several }),
    () => ({ default: NotFetched }),
  ),
)
const ImportSeveral = lazy(() =>
  import('./several/several').then(
    (found) => ({ default: found.ImportSeveral }),
    () => ({ default: NotFetched }),
  ),
)

const NotFetched = () => (
  <p role="alert" className="mt-2 text-clay">
    The server does not answer. Load the page again in a moment.
  </p>
)

/** The start page: the jobs, search, what narrows the list, new, copy, delete with undo. */
export function JobList({
  jobs,
  q,
  shelf,
  kept,
  header,
  filters,
  empty,
  pages,
  owners,
  templates,
  mayDesign,
  hasLinks,
}: {
  readonly jobs: readonly ListedJob[]
  readonly q: string
  readonly shelf: string
  /** What narrows the list beside the search, as it stands in the address. */
  readonly kept: readonly (readonly [string, string])[]
  readonly header: ReactNode
  readonly filters: ReactNode
  /** Said where nothing stands in the list. */
  readonly empty: string
  readonly pages: ReactNode
  readonly owners: readonly { readonly id: string; readonly name: string }[]
  readonly templates: readonly { readonly id: string; readonly name: string; readonly isDefault: boolean }[]
  /** Whoever may not only looks. */
  readonly mayDesign: boolean
  readonly hasLinks: boolean
}) {
  const router = useRouter()
  const [pending, startTransition] = useTransition()
  const [deleted, setGone] = useState<{ id: string; name: string } | null>(null)
  const [fault, setFault] = useState<string | null>(null)
  const [opened, setOpened] = useState<string | null>(null)
  /** Of jobs that are selected; null while jobs are dealt with one by one. */
  const [chosen, choose] = useState<readonly string[] | null>(null)
  const [files, setFiles] = useState<readonly File[]>([])
  const file = useRef<HTMLInputElement>(null)
  const newer = useNewFigures()
  const again = () => startTransition(() => router.refresh())
  const take = async (answer: Promise<Answer>, done: (id: string) => void) => {
    setFault(null)
    const result = await answer
    if ('fault' in result) setFault(result.fault)
    else done(result.id)
  }
  return (
    <main className="mx-auto max-w-5xl px-6 py-8">
      {header}
      {mayDesign && <NewJob key={templates[0]?.id} templates={templates} />}
      <div className="mt-8 mb-2 flex items-center gap-2">
        <h2 className="flex-1 text-[16px] font-semibold">Jobs</h2>
        <form role="search" action="/" className="flex gap-1.5">
          <input
            key={q}
            aria-label="Search jobs by name, address, tags or notes"
            name="q"
            defaultValue={q}
            placeholder="Name, address, tags, notes"
            maxLength={100}
            className="field w-56"
          />
          {kept.map(([name, value]) => (
            <input key={name} type="hidden" name={name} value={value} />
          ))}
          <button type="submit" className="button">
            Search
          </button>
        </form>
        {mayDesign && (
          <>
            <button
              type="button"
              className="button"
              aria-pressed={chosen !== null}
              onClick={() => choose(chosen ? null : [])}
            >
              Select several
            </button>
            <button type="button" className="button" onClick={() => file.current?.click()}>
              Import file
            </button>
            <input
              ref={file}
              type="file"
              accept="application/json,.json,.zip"
              multiple
              aria-label="Job file"
              className="hidden"
              onChange={(event) => {
                const given = [...(event.target.files ?? [])]
                event.target.value = ''
                const [one] = given
                // A job alone is opened; several stay in the list.
                if (one && given.length === 1 && !/\.zip$/i.test(one.name))
                  void take(importJob(one), (id) => router.push(`/jobs/${id}`))
                else setFiles(given)
              }}
            />
          </>
        )}
      </div>
      {fault && (
        <p role="alert" className="mb-2 rounded-md bg-clay-soft p-2 text-clay">
          {fault}
        </p>
      )}
      {filters}
      <Suspense>
        {files.length > 0 && (
          <ImportSeveral files={files} ask={ask} onDone={again} onClose={() => setFiles([])} />
        )}
        {chosen && (
          <Several
            jobs={jobs}
            chosen={chosen}
            onChoose={choose}
            shelf={shelf}
            owners={owners}
            ask={ask}
            onDone={again}
            onClose={() => choose(null)}
          />
        )}
      </Suspense>
      {jobs.length === 0 && (
        <p className="rounded-lg border border-dashed border-line p-8 text-center text-pencil">{empty}</p>
      )}
      <ul className={`grid grid-cols-1 gap-2 ${pending ? 'opacity-60' : ''}`}>
        {jobs.map((job) => (
          <JobRow
            key={job.id}
            job={{ ...job, figures: newer[job.id] ?? job.figures }}
            isOpenable={shelf !== 'bin'}
            actions={
              !mayDesign ? null : chosen ? (
                <input
                  type="checkbox"
                  className="size-5"
                  aria-label={`Select ${job.name}`}
                  checked={chosen.includes(job.id)}
                  onChange={({ target: { checked } }) =>
                    choose(checked ? [...chosen, job.id] : chosen.filter((id) => id !== job.id))
                  }
                />
              ) : (
                <JobActions
                  name={job.name}
                  id={job.id}
                  isDeleted={shelf === 'bin'}
                  isOpen={opened === job.id}
                  onDetails={() => setOpened(opened === job.id ? null : job.id)}
                  onCopy={() => void take(copyJob(job.id), again)}
                  onDelete={() =>
                    void take(setDeleted(job.id, true), () => {
                      setGone(job)
                      again()
                    })
                  }
                  onBack={() => void take(setDeleted(job.id, false), again)}
                />
              )
            }
            below={
              opened === job.id && (
                <Suspense>
                  <JobDetails
                    job={job}
                    owners={owners}
                    hasLinks={hasLinks}
                    ask={ask}
                    onDone={(changed) => {
                      setOpened(null)
                      if (changed) again()
                    }}
                  />
                </Suspense>
              )
            }
          />
        ))}
      </ul>
      {pages}
      {deleted && (
        <div
          role="status"
          className="fixed bottom-6 left-1/2 flex -translate-x-1/2 items-center gap-3 rounded-lg bg-ink px-4 py-2 text-card shadow-lg"
        >
          {deleted.name} deleted.
          <button
            type="button"
            className="cursor-pointer font-semibold underline"
            onClick={() =>
              void take(setDeleted(deleted.id, false), () => {
                setGone(null)
                again()
              })
            }
          >
            Undo
          </button>
        </div>
      )}
    </main>
  )
}
