'use client'

import { useEffect, useRef, useState } from 'react'
import { jobStatuses, tagsIn, longest } from '@/core/model/job-status'
import { saveFile } from '../../save-file'
import { type ListedJob } from '../job-row'
import { statusWords } from '../job-words'
import { type Answer, type Ask } from '../requests'
import { JobArchive, jobFilesIn } from './job-files'
import { runAll, type Progressed } from './run-all'

interface Props {
  readonly jobs: readonly ListedJob[]
  readonly chosen: readonly string[]
  readonly onChoose: (ids: readonly string[]) => void
  readonly shelf: string
  readonly owners: readonly { readonly id: string; readonly name: string }[]
  readonly ask: Ask
  /** Something has changed at the server. */
  readonly onDone: () => void
  readonly onClose: () => void
}

/** What can be done with several jobs of the list at once. */
export function Several({ jobs, chosen, onChoose, shelf, owners, ask, onDone, onClose }: Props) {
  const work = useWork(onDone)
  const [tag, setTag] = useState('')
  const picked = jobs.filter(({ id }) => chosen.includes(id))
  const patch = (id: string, body: object) => ask(`/api/jobs/${id}`, 'PATCH', JSON.stringify(body), id)
  const all = (said: string, body: (job: ListedJob) => object | null) =>
    void work.run(said, picked, (job) => {
      const wanted = body(job)
      return wanted ? patch(job.id, wanted) : Promise.resolve({ id: job.id })
    })
  const addTag = () => {
    const [wanted] = tagsIn(tag)
    if (!wanted) return
    setTag('')
    all('tagged', ({ noted: { tags } }) => {
      const next = tagsIn([...tags, wanted].join(','))
      return next.length === tags.length ? null : { progress: { tags: next } }
    })
  }
  const idle = picked.length === 0 || work.busy
  const button = (label: string, run: () => void) => (
    <button type="button" className="button" disabled={idle} onClick={run}>
      {label}
    </button>
  )
  return (
    <section aria-label="Selected jobs" className="mb-2 rounded-lg border border-pencil bg-card p-2.5">
      <div className="flex flex-wrap items-center gap-2">
        <strong className="mr-1">
          {picked.length} of {jobs.length} selected
        </strong>
        <button type="button" className="button" onClick={() => onChoose(jobs.map(({ id }) => id))}>
          All on this page
        </button>
        <button type="button" className="button" disabled={idle} onClick={() => onChoose([])}>
          None
        </button>
        <span className="flex-1" />
        <button type="button" className="button" onClick={onClose}>
          Done
        </button>
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        {shelf === 'bin' ? (
          button('Bring back', () => all('brought back', () => ({ deleted: false })))
        ) : (
          <>
            {button('Export as ZIP', () => void exportAll(work, picked))}
            {shelf === 'archive'
              ? button('Take out of the archive', () =>
                  all('taken out of the archive', () => ({ archived: false })),
                )
              : button('Archive', () => all('archived', () => ({ archived: true })))}
            {button('Delete', () => all('deleted', () => ({ deleted: true })))}
            <Choice
              label="Set status"
              disabled={idle}
              choices={jobStatuses.map((status) => [status, statusWords[status]])}
              onChoose={(status) => all('set', () => ({ progress: { status } }))}
            />
            {owners.length > 1 && (
              <Choice
                label="Set designer"
                disabled={idle}
                choices={owners.map(({ id, name }) => [id, name])}
                onChoose={(ownerId) => all('set', () => ({ progress: { ownerId } }))}
              />
            )}
            <form
              className="flex gap-1.5"
              onSubmit={(event) => {
                event.preventDefault()
                addTag()
              }}
            >
              <input
                className="field w-32"
                aria-label="Tag to add"
                placeholder="Tag"
                maxLength={longest.tag}
                value={tag}
                onChange={(event) => setTag(event.target.value)}
              />
              <button type="submit" className="button" disabled={idle || tag.trim() === ''}>
                Add tag
              </button>
            </form>
          </>
        )}
      </div>
      <WorkNote work={work} />
    </section>
  )
}

/** Takes jobs in from files, one after the other, and says what became of each that could not be. */
export function ImportSeveral({
  files,
  ask,
  onDone,
  onClose,
}: Pick<Props, 'ask' | 'onDone' | 'onClose'> & { readonly files: readonly File[] }) {
  const work = useWork(onDone)
  const begun = useRef<readonly File[] | null>(null)
  const before = useRef<Promise<unknown>>(Promise.resolve())
  const { run } = work
  useEffect(() => {
    if (begun.current === files) return
    begun.current = files
    // Those that were chosen while others still come in have their turn after them.
    before.current = before.current.then(async () =>
      run('imported', await jobFilesIn(files), (file) =>
        'fault' in file ? Promise.resolve({ fault: file.fault }) : ask('/api/jobs/import', 'POST', file.text),
      ),
    )
  }, [files, ask, run])
  return (
    <section aria-label="Import" className="mb-2 rounded-lg border border-pencil bg-card p-2.5">
      <WorkNote work={work} begins="Reading the files …" />
      {!work.busy && work.progress && (
        <button type="button" className="button mt-2" onClick={onClose}>
          Close
        </button>
      )}
    </section>
  )
}

interface Work {
  readonly busy: boolean
  readonly progress: Progressed | null
  readonly said: string
  readonly stop: () => void
  readonly run: <T extends { readonly name: string }>(
    said: string,
    items: readonly T[],
    work: (item: T) => Promise<Answer>,
  ) => Promise<Progressed>
}

/** One piece of work at a time, with how far it has come. */
function useWork(onDone: () => void): Work {
  const [progress, setProgress] = useState<Progressed | null>(null)
  const [said, setSaid] = useState('')
  const [busy, setBusy] = useState(false)
  const stopped = useRef(false)
  const latest = useRef(onDone)
  useEffect(() => {
    latest.current = onDone
  })
  const [run] = useState(() => {
    const go: Work['run'] = async (what, items, work) => {
      stopped.current = false
      setSaid(what)
      setBusy(true)
      try {
        return await runAll(items, work, setProgress, () => stopped.current)
      } finally {
        setBusy(false)
        latest.current()
      }
    }
    return go
  })
  return { busy, progress, said, run, stop: () => (stopped.current = true) }
}

function WorkNote({ work, begins = '' }: { readonly work: Work; readonly begins?: string }) {
  const { progress, busy, said } = work
  if (!progress) return begins === '' ? null : <p role="status">{begins}</p>
  const { done, of, failed } = progress
  return (
    <>
      <p role="status" className="mt-2 flex items-center gap-2">
        {done} of {of} {said}
        {busy && ' …'}
        {busy && (
          <button type="button" className="button" onClick={work.stop}>
            Stop
          </button>
        )}
      </p>
      {failed.length > 0 && (
        <ul role="alert" className="mt-1 max-h-40 overflow-y-auto rounded-md bg-clay-soft p-2 text-clay">
          {failed.map(({ name, fault }, n) => (
            <li key={n}>
              {name}: {fault}
            </li>
          ))}
        </ul>
      )}
    </>
  )
}

function Choice({
  label,
  disabled,
  choices,
  onChoose,
}: {
  readonly label: string
  readonly disabled: boolean
  readonly choices: readonly (readonly [value: string, name: string])[]
  readonly onChoose: (value: string) => void
}) {
  return (
    <select
      className="field w-auto"
      aria-label={label}
      disabled={disabled}
      value=""
      onChange={(event) => event.target.value !== '' && onChoose(event.target.value)}
    >
      <option value="">{label}</option>
      {choices.map(([value, name]) => (
        <option key={value} value={value}>
          {name}
        </option>
      ))}
    </select>
  )
}

/** Packs the jobs' files into one, which the browser keeps where all of them or some came. */
async function exportAll(work: Work, jobs: readonly ListedJob[]): Promise<void> {
  const archive = new JobArchive()
  const { done } = await work.run('exported', jobs, async ({ id, name }) => {
    const answer = await fetch(`/api/jobs/${id}/export`).catch(() => null)
    if (!answer?.ok)
      return { fault: answer ? `the server answered ${answer.status}` : 'the server does not answer' }
    archive.add(name, new Uint8Array(await answer.arrayBuffer()))
    return { id }
  })
  if (done === 0) return
  saveFile(archive.end(), `jobs-${new Date().toISOString().slice(0, 10)}.zip`, 'application/zip')
}
