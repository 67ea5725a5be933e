'use client'

import { useId, useRef, useState } from 'react'
import { useNumbers, useSession } from '../context'
import { lazyPart } from '../lazy-parts'

const ChecksPanel = lazyPart('ChecksPanel')

const order = { broken: 0, warning: 1, note: 2 } as const

/** The list of broken rules, each with figure, limit and remedy. */
export function Checks() {
  const { numbers } = useNumbers()
  const folded = useSession((s) => s.rightFolded)
  const id = useId()
  const panel = useRef<HTMLElement>(null)
  const [open, setOpen] = useState(false)
  const checks = [...(numbers?.summary.checks ?? [])].sort((a, b) => order[a.severity] - order[b.severity])
  const broken = checks.filter((check) => check.severity === 'broken').length
  return (
    <>
      <button
        type="button"
        className={`button shrink-0 ${broken > 0 ? 'border-clay text-clay' : ''}`}
        aria-expanded={open}
        popoverTarget={id}
      >
        {numbers ? counted(checks.length) : 'Checks …'}
      </button>
      {/* The browser's own popover: Esc and a press elsewhere put it away, and the focus goes back to the button. */}
      <section
        ref={panel}
        id={id}
        popover="auto"
        tabIndex={-1}
        aria-label="Checks"
        className={`fixed inset-auto m-0 max-h-[70vh] overflow-y-auto rounded-lg border border-line bg-card p-3 text-ink shadow-lg ${place(folded)}`}
        onToggle={(event) => setOpen(event.newState === 'open')}
      >
        {open && (
          <ChecksPanel
            checks={checks}
            known={numbers !== undefined}
            onGo={() => panel.current?.hidePopover()}
          />
        )}
      </section>
    </>
  )
}

const counted = (checks: number) =>
  checks === 0 ? 'No checks' : `${checks} ${checks === 1 ? 'check' : 'checks'}`

/** Over the ledger, or under the view buttons where there is none: never on them. */
const place = (folded: boolean) => (folded ? 'top-36 right-4 w-80' : 'top-12 right-1 w-[252px]')
