import Link from 'next/link'
import { type ReactNode } from 'react'
import { jobStatuses, type JobStatus } from '@/core/model/job-status'
import { statusWords } from './job-words'
import { addressOfList, wholeList, type ListAddress } from './list-address'

/** A choice among several, as a link; the one that holds now is marked. */
function Choice({
  list,
  isNow,
  children,
}: {
  readonly list: ListAddress
  readonly isNow: boolean
  readonly children: ReactNode
}) {
  return (
    <Link
      href={addressOfList({ ...list, page: 0 })}
      prefetch={false}
      aria-current={isNow ? 'true' : undefined}
      className={`rounded-md border px-2 py-0.5 ${
        isNow ? 'border-verdigris bg-verdigris-soft font-semibold' : 'border-line bg-card hover:border-pencil'
      }`}
    >
      {children}
    </Link>
  )
}

/** What narrows the list; each choice is an address of its own. */
export function JobFilters({
  list,
  counts,
  tags,
  owners,
}: {
  readonly list: ListAddress
  readonly counts: Readonly<Partial<Record<JobStatus, number>>>
  readonly tags: readonly string[]
  readonly owners: readonly { readonly id: string; readonly name: string }[]
}) {
  const all = jobStatuses.reduce((sum, status) => sum + (counts[status] ?? 0), 0)
  const isOpen = list.shelf === 'open'
  return (
    <nav aria-label="Which jobs" className="mb-3 grid gap-1.5">
      <div className="flex flex-wrap items-center gap-1.5">
        <Choice list={{ ...list, shelf: 'open', status: null }} isNow={isOpen && list.status === null}>
          All open {all}
        </Choice>
        {jobStatuses
          .filter((status) => counts[status] !== undefined || status === list.status)
          .map((status) => (
            <Choice
              key={status}
              list={{ ...list, shelf: 'open', status }}
              isNow={isOpen && list.status === status}
            >
              {statusWords[status]} {counts[status] ?? 0}
            </Choice>
          ))}
        <span className="ml-auto flex gap-1.5">
          <Choice list={{ ...list, isByNextStep: !list.isByNextStep }} isNow={list.isByNextStep}>
            Next steps
          </Choice>
          <Choice
            list={{ ...wholeList, shelf: isOpen || list.shelf === 'bin' ? 'archive' : 'open' }}
            isNow={list.shelf === 'archive'}
          >
            Archive
          </Choice>
          <Choice
            list={{ ...wholeList, shelf: list.shelf === 'bin' ? 'open' : 'bin' }}
            isNow={list.shelf === 'bin'}
          >
            Deleted
          </Choice>
        </span>
      </div>
      {(tags.length > 0 || owners.length > 1) && (
        <div className="flex flex-wrap items-center gap-1.5">
          {owners.length > 1 &&
            owners.map(({ id, name }) => (
              <Choice
                key={id}
                list={{ ...list, owner: list.owner === id ? null : id }}
                isNow={list.owner === id}
              >
                {name}
              </Choice>
            ))}
          {tags.map((tag) => {
            const isNow = list.tag?.toLowerCase() === tag.toLowerCase()
            return (
              <Choice key={tag} list={{ ...list, tag: isNow ? null : tag }} isNow={isNow}>
                # {tag}
              </Choice>
            )
          })}
        </div>
      )}
    </nav>
  )
}
