'use client'

import { Wrong } from './account-form'
import { useDeed } from './use-deed'

/** Where one is signed in, and the ends of it. */
export function SignIns({
  signIns,
}: {
  readonly signIns: readonly {
    readonly id: string
    readonly device: string
    readonly about: string
    readonly isHere: boolean
  }[]
}) {
  const { fault, isBusy, go } = useDeed()
  return (
    <>
      {fault !== null && <Wrong>{fault}</Wrong>}
      <ul className="mb-3 divide-y divide-line rounded-lg border border-line bg-card">
        {signIns.map(({ id, device, about, isHere }) => (
          <li key={id} className="flex items-center gap-3 px-3 py-2">
            <span className="min-w-0 flex-1">
              {device}
              {isHere && ' · here'}
              <span className="quiet block">{about}</span>
            </span>
            {!isHere && (
              <button
                type="button"
                className="button"
                disabled={isBusy}
                aria-label={`End ${device}, ${about}`}
                onClick={() => void go('/api/account/sign-ins', 'DELETE', { id })}
              >
                End
              </button>
            )}
          </li>
        ))}
      </ul>
      {signIns.length > 1 && (
        <button
          type="button"
          className="button"
          disabled={isBusy}
          onClick={() => void go('/api/account/sign-ins', 'DELETE', { id: null })}
        >
          End all others
        </button>
      )}
    </>
  )
}
