'use client'

import { useEffect } from 'react'
import { type Check } from '@/core/model/ledger'
import { chapterOf } from '../checks'
import { saidCheck, saidRemedy } from '@/words/said-check'
import { useBench, useSayer, useSession } from '../context'
import { toast } from '../store/session'

const names = { broken: 'Rule broken', warning: 'Warning', note: 'Note' } as const

/** Checks one below the other, each with figure, limit and remedy. */
export function ChecksPanel({
  checks,
  onGo,
}: {
  readonly checks: readonly Check[]
  /** Somebody goes to the chapter of one. */
  readonly onGo: () => void
}) {
  const { session } = useBench()
  return (
    <>
      {checks.length === 0 && <p>All rules are met.</p>}
      {checks.map((check) => (
        <CheckRow
          key={check.id}
          check={check}
          go={() => {
            session.setState({ chapter: chapterOf(check.code) })
            onGo()
          }}
        />
      ))}
    </>
  )
}

function CheckRow({ check, go }: { readonly check: Check; readonly go: () => void }) {
  const { session, documents } = useBench()
  const sayer = useSayer()
  const { title, message } = saidCheck(sayer, check)
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
              if (wrong) toast(session, `${saidRemedy(remedy)}: ${sayer.fault(wrong)}`)
            }}
          >
            {saidRemedy(remedy)}
          </button>
        )}
      </div>
    </article>
  )
}
