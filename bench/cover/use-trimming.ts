'use client'

import { trimmed } from '@/core/kinds/removed'
import { useEffect, useRef, useState } from 'react'
import { type Objects } from '@/core/kinds/documents'
import { fewestWith, keptOf, type TrimPanel, type TrimRule } from '@/core/readers/trim-to'
import { type RunSummary } from '@/core/readers/summary'
import { later } from '@/words/en/later'
import { useBench, useHouse, useNumbers, useOption, useSayer, useSession } from '../context'
import { LiveNumbers } from '../live/live-numbers'
import { type Step } from '../store/documents'
import { toast } from '../store/session'

/** What trimming began with: all modules laid then, and the documents as they were. */
interface Begun {
  readonly house: Objects
  readonly option: Objects
  /** The option as trimming left it last. */
  readonly left: Objects
  /** How many it left; null for all. */
  readonly kept: number | null
  /** The figures of all of them; null until they are known. */
  readonly summary: RunSummary | null
}

const beginWith = (house: Objects, option: Objects): Begun => ({
  ...{ house, option, left: option, kept: null, summary: null },
})

/** A yield that is trimmed to, and the most modules that are known to fall short of it. */
interface Aim {
  readonly kwh: number
  readonly short: number
}

export const lineOf = (summary: RunSummary | null | undefined, id: string): number =>
  summary?.ledger.find((line) => line.id === id)?.value ?? 0

export interface Trimming {
  /** The option with all its modules, and their figures. */
  readonly option: Objects
  readonly summary: RunSummary
  readonly panels: readonly TrimPanel[]
  /** How many are kept as it stands. */
  readonly kept: number
  readonly rule: TrimRule
  readonly setRule: (rule: TrimRule) => void
  /** Shows a number as it would be, until `settle`. */
  readonly show: (kept: number) => void
  readonly settle: () => void
  readonly trimTo: (kept: number) => void
  /** Trims to the fewest modules that make so much a year, kWh; all of them where only they do. */
  readonly trimToYield: (kwh: number) => void
}

/**
 * Dropping modules, the least useful first: however often in a row, it is one step to undo. Any other edit of the
 * option or the house begins it anew with what is laid then. Null while the figures of what is laid are not known.
 */
export function useTrimming(): Trimming | null {
  const { documents, live, session } = useBench()
  const sayer = useSayer()
  const [house, option] = [useHouse(), useOption()]
  const optionId = useSession((s) => s.optionId)
  const { numbers, fresh } = useNumbers()
  const [rule, setRule] = useState<TrimRule>({ by: 'access', unbroken: false })
  const [begun, setBegun] = useState(() => beginWith(house, option))
  const [aim, setAim] = useState<Aim | null>(null)
  const step = useRef<Step | null>(null)
  /** Whether the gesture under way is this one. */
  const showing = useRef(false)

  if (begun.left !== option || begun.house !== house) {
    setBegun(beginWith(house, option))
    setAim(null)
  } else if (begun.summary === null && fresh && numbers && begun.option === option)
    setBegun({ ...begun, summary: numbers.summary })

  const { summary } = begun
  const panels = summary?.panels ?? []
  const show = (kept: number, by: TrimRule = rule) => {
    if (!documents.isInGesture) {
      // What was trimmed before is taken back first, so that all of it is one step.
      if (step.current && begun.left !== begun.option) documents.takeBack(step.current)
      step.current = null
      documents.begin()
      showing.current = true
    }
    const next =
      kept >= panels.length ? begun.option : trimmed(begun.option, panels, keptOf(panels, kept, by))
    documents.preview(optionId, () => next)
    setBegun({ ...begun, left: next, kept })
  }
  const settle = () => {
    if (!showing.current) return
    showing.current = false
    const { step: done, fault } = documents.commit(later.trim.title)
    step.current = done
    if (fault) toast(session, sayer.fault(fault))
  }
  const keep = (kept: number, by: TrimRule = rule) => {
    show(kept, by)
    settle()
  }
  // A count is chosen by the light on the modules; what strings and inverter make of it is known a moment later.
  useEffect(() => {
    if (aim === null || begun.kept === null || begun.left !== option) return undefined
    const { kept } = begun
    return live.store.subscribe(({ byOption, stationKey }) => {
      const known = byOption[optionId]
      if (!known || !LiveNumbers.fits(known, documents.house, option, stationKey)) return
      const enough = lineOf(known.summary, 'yield') >= aim.kwh || kept >= panels.length
      // One less is tried until it falls short, and one more until it is enough.
      if (enough && kept - 1 <= aim.short) setAim(null)
      else {
        if (!enough) setAim({ ...aim, short: kept })
        keep(enough ? kept - 1 : kept + 1)
      }
    })
  })

  if (!summary || panels.length === 0) return null
  const kept = begun.kept ?? panels.length
  return {
    option: begun.option,
    summary,
    panels,
    kept,
    rule,
    setRule: (next) => {
      setRule(next)
      if (kept < panels.length) keep(kept, next)
    },
    show: (count) => {
      setAim(null)
      show(count)
    },
    settle,
    trimTo: (count) => {
      setAim(null)
      keep(count)
    },
    trimToYield: (kwh) => {
      setAim({ kwh, short: 0 })
      keep(fewestWith(panels, kwh / Math.max(1e-9, lineOf(summary, 'yield')), rule))
    },
  }
}
