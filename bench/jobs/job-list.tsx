'use client'

import { useRouter } from 'next/navigation'
import { useRef, useState, useTransition } from 'react'
import { JobRow, type ListedJob } from './job-row'
import { NewJob } from './new-job'
import { useNewFigures } from './new-figures'
import { copyJob, importJob, setDeleted, type Answer } from './requests'

/** The start page: the jobs, search, new, copy, delete with undo. */
export function JobList({
  jobs,
  search,
  who,
}: {
  readonly jobs: readonly ListedJob[]
  readonly search: string
  readonly who: string
}) {
  const router = useRouter()
  const [pending, startTransition] = useTransition()
  const [deleted, setGone] = useState<{ id: string; name: string } | null>(null)
  const [fault, setFault] = useState<string | null>(null)
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
    <main className="mx-auto max-w-4xl px-6 py-8">
      <header className="mb-6 flex items-center gap-3">
        <svg
          width="30"
          height="30"
          viewBox="0 0 24 24"
          aria-hidden
          className="fill-none stroke-ink stroke-[1.6]"
        >
          <path d="M3 21 V11 L9 3 L15 11 V21 M15 14 H21 V21 M9 3 L18 3 L21 8" strokeLinejoin="round" />
        </svg>
        <h1 className="font-display text-[26px]">Tall Gable</h1>
        <span className="quiet ml-auto">{who}</span>
      </header>
      <NewJob />
      <div className="mt-8 mb-2 flex items-center gap-2">
        <h2 className="flex-1 text-[16px] font-semibold">Jobs</h2>
        <form role="search" action="/" className="flex gap-1.5">
          <input
            aria-label="Search jobs by name or address"
            name="q"
            defaultValue={search}
            placeholder="Name or address"
            className="field w-52"
          />
          <button type="submit" className="button">
            Search
          </button>
        </form>
        <button type="button" className="button" onClick={() => file.current?.click()}>
          Import file
        </button>
        <input
          ref={file}
          type="file"
          accept="application/json,.json"
          aria-label="Job file"
          className="hidden"
          onChange={(event) => {
            const chosen = event.target.files?.[0]
            event.target.value = ''
            if (chosen) void take(importJob(chosen), (id) => router.push(`/jobs/${id}`))
          }}
        />
      </div>
      {fault && (
        <p role="alert" className="mb-2 rounded-md bg-clay-soft p-2 text-clay">
          {fault}
        </p>
      )}
      {jobs.length === 0 && (
        <p className="rounded-lg border border-dashed border-line p-8 text-center text-pencil">
          {search
            ? `No job’s name or address contains “${search}”.`
            : 'No jobs yet. Type an address above to begin one.'}
        </p>
      )}
      <ul className={`grid gap-2 ${pending ? 'opacity-60' : ''}`}>
        {jobs.map((job) => (
          <JobRow
            key={job.id}
            job={{ ...job, figures: newer[job.id] ?? job.figures }}
            onCopy={() => void take(copyJob(job.id), again)}
            onDelete={() =>
              void take(setDeleted(job.id, true), () => {
                setGone(job)
                again()
              })
            }
          />
        ))}
      </ul>
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
