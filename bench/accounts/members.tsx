'use client'

import { useState } from 'react'
import { roles, type Role } from '@/core/model/roles'
import { Wrong } from './account-form'
import { roleNames } from './role-names'
import { useDeed } from './use-deed'

interface Colleague {
  readonly id: string
  readonly name: string
  readonly role: Role
  readonly about: string
}

/** Who is in the team, what they may do, and the ways out. */
export function Members({
  members,
  ownId,
}: {
  readonly members: readonly Colleague[]
  readonly ownId: string
}) {
  const { fault, isBusy, go } = useDeed()
  /** Who was asked to be taken out, before it is said again. */
  const [leaving, setLeaving] = useState<string | null>(null)
  return (
    <>
      {fault !== null && <Wrong>{fault}</Wrong>}
      <ul className="divide-y divide-line rounded-lg border border-line bg-card">
        {members.map(({ id, name, role, about }) => (
          <li key={id} className="flex flex-wrap items-center gap-x-3 gap-y-1 px-3 py-2">
            <span className="min-w-48 flex-1">
              {name}
              {id === ownId && ' · you'}
              <span className="quiet block">{about}</span>
            </span>
            <select
              aria-label={`Role of ${name}`}
              className="field !w-32"
              value={role}
              disabled={isBusy}
              onChange={({ target }) => void go(`/api/team/members/${id}`, 'PATCH', { role: target.value })}
            >
              {roles.map((one) => (
                <option key={one} value={one}>
                  {roleNames[one]}
                </option>
              ))}
            </select>
            <button
              type="button"
              className="button w-32"
              disabled={isBusy}
              aria-label={leaving === id ? `Really take out ${name}` : `Take out ${name}`}
              onClick={() => {
                setLeaving(leaving === id ? null : id)
                if (leaving === id) void go(`/api/team/members/${id}`, 'DELETE')
              }}
              onBlur={() => setLeaving(null)}
            >
              {leaving === id ? 'Really?' : 'Take out'}
            </button>
          </li>
        ))}
      </ul>
    </>
  )
}
