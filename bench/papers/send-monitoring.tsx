'use client'

import { useState } from 'react'
import { monitoredOf } from '@/core/exports/monitoring'
import { Fault } from '@/core/model/fault'
import { type PaperFacts } from '@/core/readers/papered'
import { registerSystem } from '@/services/monitoring'
import { later } from '@/words/en/later'
import { useNumbers, useSayer } from '../context'

const words = later.papers

type Sent =
  | { readonly at: 'idle' | 'sending' }
  | { readonly at: 'sent'; readonly id: string }
  | { readonly at: 'wrong'; readonly fault: Fault }

/** Tells the monitoring service of the system as it is. */
export function SendMonitoring({ facts, fresh }: { readonly facts: PaperFacts; readonly fresh: boolean }) {
  const { numbers } = useNumbers()
  const sayer = useSayer()
  const [sent, setSent] = useState<Sent>({ at: 'idle' })
  const [of, setOf] = useState(facts)
  // What was told was the design as it was then.
  const state: Sent = of.house === facts.house && of.option === facts.option ? sent : { at: 'idle' }
  const send = async () => {
    if (!numbers) return
    setOf(facts)
    setSent({ at: 'sending' })
    try {
      const { yieldKwh } = numbers.summary.monthly
      const id = await registerSystem(
        '/world',
        monitoredOf(facts, yieldKwh, (one) => sayer.name(one)),
      )
      setSent({ at: 'sent', id })
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      setSent({ at: 'wrong', fault: error })
    }
  }
  return (
    <div className="mt-3 flex flex-wrap items-center gap-3">
      <button
        type="button"
        className="button"
        disabled={!fresh || state.at === 'sending'}
        onClick={() => void send()}
      >
        {words.sendMonitoring}
      </button>
      <p
        role={state.at === 'wrong' ? 'alert' : 'status'}
        className={state.at === 'wrong' ? 'text-clay' : 'quiet'}
      >
        {state.at === 'sending' && words.sending}
        {state.at === 'sent' && sayer.say(words.sent, { id: state.id })}
        {state.at === 'wrong' && sayer.fault(state.fault)}
      </p>
    </div>
  )
}
