'use client'

import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react'
import { useNumbers, useSession } from '../context'
import { lazyPart } from '../lazy-parts'

const ChecksPanel = lazyPart('ChecksPanel')

const order = { broken: 0, warning: 1, note: 2 } as const

/** The list of broken rules, each with figure, limit and remedy. */
export function Checks() {
  const { numbers } = useNumbers()
  const folded = useSession((s) => s.rightFolded)
  const checks = [...(numbers?.summary.checks ?? [])].sort((a, b) => order[a.severity] - order[b.severity])
  const broken = checks.filter((check) => check.severity === 'broken').length
  return (
    <Popover className="relative shrink-0">
      <PopoverButton className={`button ${broken > 0 ? 'border-clay text-clay' : ''}`}>
        {checks.length === 0 ? 'No checks' : `${checks.length} ${checks.length === 1 ? 'check' : 'checks'}`}
      </PopoverButton>
      <PopoverPanel
        as="section"
        aria-label="Checks"
        className={`fixed z-40 max-h-[70vh] overflow-y-auto rounded-lg border border-line bg-card p-3 shadow-lg ${place(folded)}`}
      >
        {({ close }) => <ChecksPanel checks={checks} onGo={close} />}
      </PopoverPanel>
    </Popover>
  )
}

/** Over the ledger, or under the view buttons where there is none: never on them. */
const place = (folded: boolean) => (folded ? 'top-36 right-4 w-80' : 'top-12 right-1 w-[252px]')
