import { type JobStatus } from '@/core/model/job-status'
import { dayText, statusWords } from './job-words'

/** What the team has noted of a job, in a line of its row. */
export function JobAbout({
  status,
  tags,
  nextStep,
  nextOn,
  today,
  owner,
  isTemplate,
  openComments,
}: {
  readonly status: JobStatus
  readonly tags: readonly string[]
  readonly nextStep: string
  readonly nextOn: string | null
  readonly today: string
  readonly owner: string | null
  readonly isTemplate: boolean
  readonly openComments: number
}) {
  const isLate = nextOn !== null && nextOn < today
  return (
    <p className="mt-0.5 flex flex-wrap items-center gap-x-2 gap-y-0.5 text-[12px]">
      <span className="rounded bg-verdigris-soft px-1.5 font-semibold">{statusWords[status]}</span>
      {isTemplate && <span className="rounded border border-line px-1.5">Template</span>}
      {tags.map((tag) => (
        <span key={tag} className="text-pencil">
          # {tag}
        </span>
      ))}
      {openComments > 0 && (
        <span className="rounded bg-straw/40 px-1.5">
          {openComments === 1 ? '1 open comment' : `${openComments} open comments`}
        </span>
      )}
      {owner !== null && <span className="text-pencil">{owner}</span>}
      {(nextStep !== '' || nextOn !== null) && (
        <span className={isLate ? 'text-clay' : ''}>
          {isLate ? 'Overdue: ' : 'Next: '}
          {[nextStep, nextOn && dayText(nextOn)].filter(Boolean).join(', ')}
        </span>
      )}
    </p>
  )
}
