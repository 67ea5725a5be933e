'use client'

import { useEffect } from 'react'
import { type Check, type CheckCode } from '@/core/model/ledger'
import { higherM } from '@/core/readers/height-worth'
import { later } from '@/words/en/later'
import { chapterOf } from '../checks'
import { saidCheck, saidRemedy } from '@/words/said-check'
import { useBench, useSayer, useSession } from '../context'
import { useHeightCosts } from '../shade/height-cost'
import { useKeepWays } from '../cover/use-keep-ways'
import { toast } from '../store/session'

/** Of the inverter’s size: what every other one would bring is the answer. */
const ofInverterSize: ReadonlySet<CheckCode> = new Set(['dc-ac-low', 'dc-ac-high', 'clipping'])

/** Of ways over the roof: walkways in the best places give them. */
const ofPathways: ReadonlySet<CheckCode> = new Set(['pathway-beside', 'pathways-few'])

const names = { broken: 'Rule broken', warning: 'Warning', note: 'Note' } as const

/** Checks one below the other, each with figure, limit and remedy. */
export function ChecksPanel({
  checks,
  known,
  onGo,
}: {
  readonly checks: readonly Check[]
  /** Whether they have been checked at all. */
  readonly known: boolean
  /** Somebody goes to the chapter of one. */
  readonly onGo: () => void
}) {
  const { session } = useBench()
  const { costs, fresh } = useHeightCosts()
  const keepWays = useKeepWays()
  const presets = checks.some(isPreset)
  useEffect(() => {
    if (!presets) return
    session.setState({ checking: true })
    return () => session.setState({ checking: false })
  }, [session, presets])
  const deedFor = (code: CheckCode): Deed | null =>
    ofPathways.has(code)
      ? { label: later.layWanted.keepWays, go: keepWays }
      : ofInverterSize.has(code)
        ? {
            label: later.inverters.open,
            go: () => {
              session.setState({ dialog: 'inverters' })
              onGo()
            },
          }
        : null
  const costOf = (check: Check) =>
    isPreset(check) ? costs.find(({ id }) => check.objects.includes(id)) : undefined
  // Of the heights to be checked those first that may cost most.
  const dearest = checks
    .filter(isPreset)
    .sort((a, b) => (costOf(b)?.kwh ?? 0) - (costOf(a)?.kwh ?? 0))
    .values()
  const listed = checks.map((check) => (isPreset(check) ? (dearest.next().value ?? check) : check))
  return (
    <>
      {checks.length === 0 && (
        <p>{known ? 'All rules are met.' : 'The rules are checked as soon as the year is computed.'}</p>
      )}
      {listed.map((check) => (
        <CheckRow
          key={check.id}
          check={check}
          cost={fresh ? costOf(check)?.cost : undefined}
          go={() => {
            session.setState({ chapter: chapterOf(check.code) })
            onGo()
          }}
          deed={deedFor(check.code)}
        />
      ))}
    </>
  )
}

interface Deed {
  readonly label: string
  readonly go: () => void
}

/** A row goes with what it told of; the keyboard stays in the list. */
const stay = (button: HTMLButtonElement) => {
  button.closest('section')?.focus()
}

const isPreset = ({ code }: Check) => code === 'preset-height'

function CheckRow({
  check,
  cost,
  go,
  deed,
}: {
  readonly check: Check
  /** What a height that is not checked may cost, once that is known. */
  readonly cost: string | undefined
  readonly go: () => void
  /** What can be done about it beyond setting a field of an object. */
  readonly deed: Deed | null
}) {
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
      {cost !== undefined && (
        <p className="quiet mt-0.5">
          {sayer.say(later.shade.higherCosts, { higher: { value: higherM, unit: 'm' }, cost })}
        </p>
      )}
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
        {deed && (
          <button
            type="button"
            className="cursor-pointer text-[12px] text-verdigris hover:underline"
            onClick={(event) => {
              stay(event.currentTarget)
              deed.go()
            }}
          >
            {deed.label}
          </button>
        )}
        {remedy && (
          <button
            type="button"
            className="cursor-pointer text-[12px] text-verdigris hover:underline"
            onClick={(event) => {
              stay(event.currentTarget)
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
