'use client'

import Link from 'next/link'
import { useState } from 'react'
import { Field, goAnew, typedIn, Wrong } from './account-form'
import { send } from './send'
import { useReady } from '@/stage/use-ready'

/** Mail address and password, and the code of a second factor where the account has one. */
export function SignInForm({ goTo }: { readonly goTo: string }) {
  const [fault, setFault] = useState<string | null>(null)
  const [needsCode, setNeedsCode] = useState(false)
  const [isBusy, setBusy] = useState(false)
  const isReady = useReady()
  const submitted = async (form: HTMLFormElement) => {
    setBusy(true)
    const sent = await send('/api/sign-in', 'POST', { code: '', ...typedIn(form) })
    if (sent.fault === null) {
      goAnew(goTo)
      return
    }
    setBusy(false)
    if (sent.code === 'code-needed') setNeedsCode(true)
    setFault(sent.code === 'code-needed' ? null : sent.fault)
  }
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault()
        void submitted(event.currentTarget)
      }}
    >
      <Field name="mail" label="Mail address" type="email" autoComplete="username" most={254} />
      <Field name="password" label="Password" type="password" autoComplete="current-password" most={200} />
      {needsCode && (
        <Field
          name="code"
          label="Code"
          type="text"
          autoComplete="one-time-code"
          most={20}
          hint="Six digits from your authenticator, or one of your spare codes."
        />
      )}
      {fault !== null && <Wrong>{fault}</Wrong>}
      <div className="flex items-center gap-3">
        <button type="submit" className="button button-main" disabled={isBusy || !isReady}>
          Sign in
        </button>
        <Link href="/forgotten" className="underline">
          Password forgotten?
        </Link>
      </div>
    </form>
  )
}
