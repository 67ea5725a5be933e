'use client'

import { warrantyEnd } from '@/core/battery/life'
import { type BatteryType } from '@/core/electrical/catalogue'
import { type Replacement } from '@/core/kinds/offer/offer'
import { type RunSummary } from '@/core/readers/summary'
import { later } from '@/words/en/later'
import { number } from '@/words/format'
import { useSayer } from '../context'

const words = later.battery

/** What the chosen battery still holds in its last year, and when its warranty is over as it is run. */
export function BatteryLife({
  sheet,
  count,
  aged,
  replacements,
}: {
  readonly sheet: BatteryType
  readonly count: number
  readonly aged: RunSummary['aged']
  readonly replacements: readonly Replacement[]
}) {
  const sayer = useSayer()
  const renewed = replacements.flatMap(({ what, year }) => (what === 'battery' ? [year] : []))
  const lived = aged.slice(0, Math.min(...renewed, aged.length))
  const last = lived.at(-1)
  if (!last || lived.length < 2) return null
  const { warrantyYears, warrantyKwh } = sheet
  const kwh = warrantyKwh === undefined ? undefined : warrantyKwh * count
  const end = warrantyEnd(lived, { years: warrantyYears, kwh })
  return (
    <p className="mt-2">
      {sayer.say(words.life, {
        year: lived.length,
        held: { value: last.held, unit: 'share', digits: 0 },
        ends: end?.by ?? 'none',
        end: number(end?.years ?? 0, sayer.place, end?.by === 'use' ? 1 : 0),
        kwh: { value: kwh ?? 0, unit: 'kWh', digits: 0 },
      })}
    </p>
  )
}
