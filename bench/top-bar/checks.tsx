'use client'

import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react'
import { useEffect } from 'react'
import { type Check } from '@/core/model/ledger'
import { chapterOf } from '../checks'
import { useBench, useNumbers, useSayer, useSession } from '../context'
import { toast } from '../store/session'

const order = { broken: 0, warning: 1, note: 2 } as const
const names = { broken: 'Rule broken', warning: 'Warning', note: 'Note' } as const

/** The list of broken rules, each with figure, limit and remedy. */
export function Checks() {
  const { session } = useBench()
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
        {({ close }) => (
          <>
            {checks.length === 0 && <p>All rules are met.</p>}
            {checks.map((check) => (
              <CheckRow
                key={check.id}
                check={check}
                go={() => {
                  session.setState({ chapter: chapterOf[check.code] })
                  close()
                }}
              />
            ))}
          </>
        )}
      </PopoverPanel>
    </Popover>
  )
}

/** Over the ledger, or under the view buttons where there is none: never on them. */
const place = (folded: boolean) => (folded ? 'top-36 right-4 w-80' : 'top-12 right-1 w-[252px]')

function CheckRow({ check, go }: { readonly check: Check; readonly go: () => void }) {
  const { session, documents } = useBench()
  const sayer = useSayer()
  const { title, message } = sayer.check(check)
  const optionId = useSession((s) => s.optionId)
  const { measured, remedy } = check
  // A row that goes while the pointer is on it hears no more of the pointer.
  useEffect(() => () => session.setState({ lit: [] }), [session])
  return (
    <article
      className="border-b border-line py-2 last:border-0"
      onMouseEnter={() => session.setState({ lit: check.objects })}
      onMouseLeave={() => session.setState({ lit: [] })}
      onFocus={() => session.setState({ lit: check.objects })}
      onBlur={() => session.setState({ lit: [] })}
    >
      <h3 className={`font-semibold ${check.severity === 'broken' ? 'text-clay' : ''}`}>
        <span className="sr-only">{names[check.severity]}: </span>
        {check.severity === 'broken' ? '▲ ' : check.severity === 'warning' ? '△ ' : ''}
        {title}
      </h3>
      <p>{message}</p>
      {measured && (
        <p className="quiet mt-0.5">
          {sayer.written({ value: measured.figure, unit: measured.unit })} · limit{' '}
          {sayer.written({ value: measured.limit, unit: measured.unit })}
        </p>
      )}
      <div className="mt-1 flex gap-3">
        <button
          type="button"
          className="cursor-pointer text-[12px] text-verdigris hover:underline"
          onClick={go}
        >
          Go there
        </button>
        {remedy && (
          <button
            type="button"
            className="cursor-pointer text-[12px] text-verdigris hover:underline"
            onClick={(event) => {
              // The row goes with what it told of; the keyboard stays in the list.
              event.currentTarget.closest('section')?.focus()
              const wrong = documents.mend(remedy, optionId)
              if (wrong) toast(session, `${sayer.remedy(remedy)}: ${sayer.fault(wrong)}`)
            }}
          >
            {sayer.remedy(remedy)}
          </button>
        )}
      </div>
    </article>
  )
}
