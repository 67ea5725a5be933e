import Link from 'next/link'
import { deletedKeptDays } from '@/core/model/job-status'
import { type Role } from '@/core/model/roles'
import { addressOfList, type ListAddress } from './list-address'

/** Whose jobs these are, and the pages beside the list. */
export function ListHeader({
  who,
  role,
  hasAccounts,
}: {
  readonly who: string
  readonly role: Role
  readonly hasAccounts: boolean
}) {
  const to = (href: string, name: string) => (
    <Link href={href} prefetch={false} className="underline">
      {name}
    </Link>
  )
  return (
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
      <nav aria-label="Besides the jobs" className="ml-auto flex items-center gap-3">
        {role === 'owner' && to('/dashboard', 'Dashboard')}
        {role === 'owner' && to('/letterhead', 'Letterhead')}
        {role === 'owner' && hasAccounts && to('/team', 'Team')}
        {hasAccounts ? to('/account', who) : <span className="quiet">{who}</span>}
      </nav>
    </header>
  )
}

/** Why nothing stands in the list. */
export const emptyText = ({ q, shelf, status, tag, owner, isByNextStep, page }: ListAddress) => {
  if (q) return `No job’s name, address, tags or notes contain “${q}”${shelf === 'open' ? '' : ' here'}.`
  if (shelf === 'archive') return 'Nothing is archived. A job’s details put it here.'
  if (shelf === 'bin') return 'Nothing was deleted lately.'
  return status || tag !== null || owner !== null || isByNextStep || page > 0
    ? 'No job is like that.'
    : 'No jobs yet. Type an address above to begin one.'
}

/** What is to know of deleted jobs. */
export function BinNote() {
  return (
    <p className="quiet mb-2">
      Deleted jobs are gone for good after {deletedKeptDays} days; those with an accepted offer are kept.
    </p>
  )
}

/** The way to the other pages of a list. */
export function ListPages({ list, hasMore }: { readonly list: ListAddress; readonly hasMore: boolean }) {
  if (list.page === 0 && !hasMore) return null
  return (
    <nav aria-label="Pages" className="mt-3 flex items-center justify-center gap-3">
      {list.page > 0 && (
        <Link className="button" href={addressOfList({ ...list, page: list.page - 1 })} prefetch={false}>
          Previous page
        </Link>
      )}
      <span className="quiet">Page {list.page + 1}</span>
      {hasMore && (
        <Link className="button" href={addressOfList({ ...list, page: list.page + 1 })} prefetch={false}>
          Next page
        </Link>
      )}
    </nav>
  )
}
