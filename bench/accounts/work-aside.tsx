'use client'

import { Wrong } from './account-form'
import { useDeed } from './use-deed'

/** Work that was set aside: what it was, why, and what can be done about it. */
export function WorkAside({
  work,
}: {
  readonly work: readonly { readonly id: string; readonly name: string; readonly about: string }[]
}) {
  const { fault, isBusy, go } = useDeed()
  return (
    <>
      {fault !== null && <Wrong>{fault}</Wrong>}
      <ul aria-label="Set aside" className="divide-y divide-line rounded-lg border border-line bg-card">
        {work.map(({ id, name, about }) => (
          <li key={id} className="flex items-center gap-2 px-3 py-2">
            <span className="min-w-0 flex-1">
              {name}
              <span className="quiet block">{about}</span>
            </span>
            <button
              type="button"
              className="button"
              disabled={isBusy}
              aria-label={`Try again: ${name}`}
              onClick={() => void go(`/api/work/${id}`, 'POST')}
            >
              Try again
            </button>
            <button
              type="button"
              className="button"
              disabled={isBusy}
              aria-label={`Remove: ${name}`}
              onClick={() => void go(`/api/work/${id}`, 'DELETE')}
            >
              Remove
            </button>
          </li>
        ))}
      </ul>
    </>
  )
}
