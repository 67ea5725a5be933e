'use client'

import { useRouter } from 'next/navigation'
import { useId, useState } from 'react'
import { roles, type Role } from '@/core/model/roles'
import { Field, typedIn, Wrong } from './account-form'
import { roleHints, roleNames } from './role-names'
import { send } from './send'
import { useDeed } from './use-deed'
import { useReady } from '@/stage/use-ready'

/** Invites somebody; the link is mailed, and shown for whoever hands it over in another way. */
export function Invite() {
  const router = useRouter()
  const roleId = useId()
  const isReady = useReady()
  const [role, setRole] = useState<Role>('designer')
  const [fault, setFault] = useState<string | null>(null)
  const [done, setDone] = useState<{ readonly mail: string; readonly address: string } | null>(null)
  const submitted = async (form: HTMLFormElement) => {
    const typed = typedIn(form)
    setDone(null)
    const sent = await send('/api/team/invitations', 'POST', typed)
    setFault(sent.fault)
    if (sent.fault !== null) return
    setDone({ mail: typed['mail'] ?? '', address: String(sent.value['address']) })
    form.reset()
    setRole('designer')
    router.refresh()
  }
  return (
    <form
      className="max-w-sm"
      onSubmit={(event) => {
        event.preventDefault()
        void submitted(event.currentTarget)
      }}
    >
      <Field name="mail" label="Mail address" type="email" autoComplete="off" most={254} />
      <label htmlFor={roleId} className="mb-1 block font-medium">
        Role
      </label>
      <select
        id={roleId}
        name="role"
        className="field"
        value={role}
        disabled={!isReady}
        aria-describedby={`${roleId}-hint`}
        onChange={({ target }) => setRole(roles.find((one) => one === target.value) ?? 'reader')}
      >
        {roles.map((one) => (
          <option key={one} value={one}>
            {roleNames[one]}
          </option>
        ))}
      </select>
      <p id={`${roleId}-hint`} className="quiet mt-1 mb-3">
        {roleHints[role]}
      </p>
      {fault !== null && <Wrong>{fault}</Wrong>}
      <button type="submit" className="button button-main" disabled={!isReady}>
        Invite
      </button>
      {done && (
        <div role="status" className="mt-3 rounded-lg border border-line bg-card p-3">
          <p>An invitation is on its way to {done.mail}. The same link, to hand over yourself:</p>
          <p className="mt-1 font-mono text-[12px] break-all select-all">{done.address}</p>
        </div>
      )}
    </form>
  )
}

/** Invitations that nobody has taken yet. */
export function Invitations({
  invitations,
}: {
  readonly invitations: readonly { readonly id: string; readonly mail: string; readonly about: string }[]
}) {
  const { fault, isBusy, go } = useDeed()
  return (
    <>
      {fault !== null && <Wrong>{fault}</Wrong>}
      <ul className="divide-y divide-line rounded-lg border border-line bg-card">
        {invitations.map(({ id, mail, about }) => (
          <li key={id} className="flex items-center gap-3 px-3 py-2">
            <span className="min-w-0 flex-1">
              {mail}
              <span className="quiet block">{about}</span>
            </span>
            <button
              type="button"
              className="button"
              disabled={isBusy}
              aria-label={`Withdraw invitation of ${mail}`}
              onClick={() => void go(`/api/team/invitations/${id}`, 'DELETE')}
            >
              Withdraw
            </button>
          </li>
        ))}
      </ul>
    </>
  )
}
