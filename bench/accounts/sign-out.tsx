'use client'

import { useState } from 'react'
import { goAnew, Wrong } from './account-form'
import { send } from './send'

/** Ends this sign-in. */
export function SignOut() {
  const [fault, setFault] = useState<string | null>(null)
  const out = async () => {
    const sent = await send('/api/sign-out', 'POST', {})
    if (sent.fault === null) goAnew('/sign-in')
    else setFault(sent.fault)
  }
  return (
    <>
      {fault !== null && <Wrong>{fault}</Wrong>}
      <button type="button" className="button" onClick={() => void out()}>
        Sign out
      </button>
    </>
  )
}
