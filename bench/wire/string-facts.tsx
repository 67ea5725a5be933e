'use client'

import { type ModuleType } from '@/core/electrical/catalogue'
import { type RunSummary } from '@/core/readers/summary'
import { later } from '@/words/en/later'
import { useNumbers, useSayer } from '../context'

/** What a string gives in the year, and what it is made of. */
export function StringFacts({
  name,
  string: { panelIds, kwh, mismatchKwh },
  module,
}: {
  /** Inverter, input and place on it; left out where it hangs on none. */
  readonly name: string | undefined
  readonly string: RunSummary['strings'][number]
  readonly module: Pick<ModuleType, 'powerW' | 'impA'>
}) {
  const { numbers } = useNumbers()
  const sayer = useSayer()
  const ids = new Set(panelIds)
  const seen = (numbers?.summary.panels ?? []).flatMap(({ id, sunAccess }) =>
    ids.has(id) ? [sunAccess] : [],
  )
  const access = seen.reduce((sum, one) => sum + one, 0) / Math.max(1, seen.length)
  return (
    <p className="quiet px-2">
      {sayer.say(later.wiring.facts, {
        named: name === undefined ? 'no' : 'yes',
        name: name ?? '',
        // Modules with electronics of their own have no current in common.
        electronics: numbers?.summary.electronics ?? 'none',
        power: sayer.written({ value: (panelIds.length * module.powerW) / 1000, unit: 'kW', digits: 2 }),
        current: sayer.written({ value: module.impA, unit: 'A', digits: 1 }),
        access: sayer.written({ value: access, unit: 'share', digits: 0 }),
        kwh: sayer.written({ value: kwh, unit: 'kWh', digits: 0 }),
        mismatch: sayer.written({ value: mismatchKwh, unit: 'kWh', digits: 0 }),
      })}
    </p>
  )
}
