'use client'

import Link from 'next/link'
import { type ReactNode } from 'react'
import { type PicturePart } from '@/core/drawing/roof-picture'
import { type Progress, type TemplateUse } from '@/core/model/job-status'

/** The last figures that were computed, and whether they are of today. */
export interface ListedFigures {
  readonly summary: {
    readonly kilowatts: number
    readonly paybackYears: number | null
    readonly picture: readonly PicturePart[]
  } | null
  /** `fresh`; `coming` while newer ones are computed; or the code of what stands against it. */
  readonly state: string
}

/** What the team has noted of a job. */
export interface Noted extends Progress {
  readonly template: TemplateUse
  readonly archived: boolean
}

export interface ListedJob {
  readonly id: string
  readonly name: string
  readonly address: string
  readonly touchedAt: string
  readonly figures: ListedFigures
  readonly noted: Noted
  /** The same in a line, made at the server. */
  readonly about: ReactNode
}

const tones = {
  roof: 'fill-[#F6ECDC] stroke-ink',
  shaded: 'fill-[#E0D3BE] stroke-ink',
  obstruction: 'fill-[#C9B99E] stroke-ink',
  panel: 'fill-panel stroke-card',
  neighbour: 'fill-fold stroke-line',
  tree: 'fill-[#C9CFA9] stroke-none opacity-70',
} as const

/** What passes by itself; said here again, since the list loads nothing that knows of faults. */
const passing = new Set(['service-away', 'service-refused', 'server-busy', 'given-up', 'unexpected'])

/** Why there are no figures, in a few words; the whole sentence stands in the job itself. */
const reasonOf = (code: string) =>
  code === 'too-much-shade' || code === 'too-heavy'
    ? 'too large for the list: open the job'
    : passing.has(code)
      ? 'no figures now'
      : 'cannot be computed: open the job'

/** One job of the list, with what can be done with it, and what is open below it. */
export function JobRow({
  job,
  isOpenable,
  actions,
  below,
}: {
  readonly job: ListedJob
  readonly isOpenable: boolean
  readonly actions: ReactNode
  readonly below: ReactNode
}) {
  const { summary, state } = job.figures
  return (
    <li className="relative rounded-lg border border-line bg-card p-2.5 hover:border-pencil">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <svg
          viewBox="0 0 100 100"
          className="h-[72px] w-[96px] shrink-0 rounded-md bg-paper"
          role="img"
          aria-label={`Roof of ${job.name} from above, north up`}
        >
          {summary?.picture.map((part, i) => (
            <polygon
              key={i}
              points={part.points.map((p) => p.join(',')).join(' ')}
              className={tones[part.tone]}
              strokeWidth={part.tone === 'panel' ? 0.3 : 0.6}
            />
          ))}
          {(summary?.picture.length ?? 0) === 0 && (
            <text x="50" y="54" textAnchor="middle" className="fill-pencil text-[11px]">
              not drawn
            </text>
          )}
        </svg>
        <div className="min-w-0 flex-1 basis-52">
          {isOpenable ? (
            <Link
              href={`/jobs/${job.id}`}
              className="block truncate text-[15px] font-semibold after:absolute after:inset-0"
            >
              {job.name}
            </Link>
          ) : (
            <p className="truncate text-[15px] font-semibold">{job.name}</p>
          )}
          <p className="truncate text-pencil">{job.address}</p>
          <p className="quiet">
            last edited{' '}
            <time dateTime={job.touchedAt}>
              {new Intl.DateTimeFormat('en-GB', {
                dateStyle: 'medium',
                timeStyle: 'short',
                timeZone: 'UTC',
              }).format(new Date(job.touchedAt))}{' '}
              UTC
            </time>
          </p>
          {job.about}
        </div>
        <dl className="grid grid-cols-[auto_auto] gap-x-2 text-right">
          <dt className="quiet">Modules</dt>
          <dd className="font-semibold">{summary ? `${summary.kilowatts.toFixed(2)} kW` : '–'}</dd>
          <dt className="quiet">Payback</dt>
          <dd className="font-semibold">
            {summary?.paybackYears ? `${summary.paybackYears.toFixed(1)} years` : '–'}
          </dd>
          {state !== 'fresh' && (
            <dd className="quiet col-span-2 max-w-44" data-figures={state}>
              {state === 'coming' ? 'computing …' : reasonOf(state)}
            </dd>
          )}
        </dl>
        <div className="relative z-10 flex gap-1.5">{actions}</div>
      </div>
      {below}
    </li>
  )
}
