'use client'

import { type Reading } from '@/core/kinds/reading/reading'
import { formatLength } from '@/core/model/units'
import { type SunFrom } from '@/core/shade/sun-from'
import { later } from '@/words/en/later'
import { number } from '@/words/format'
import { useSayer, useSite } from '../context'
import { type LookFrom } from '../store/session'

/** Where the sun path is seen from that no module stands at, and how much sun reaches that point. */
export function SeenFrom({
  from,
  reached,
  measured,
  reading,
}: {
  readonly from: LookFrom
  /** Past all that is drawn. */
  readonly reached: SunFrom
  /** Over the horizon that was measured there. */
  readonly measured: SunFrom | null
  readonly reading: Reading | null
}) {
  const site = useSite()
  const sayer = useSayer()
  const height = formatLength(from.at[2], site.units, site.locale)
  const hours = (value: number) => number(value, site)
  const share = (value: number) => `${number((100 * value) / Math.max(1, reached.openHours), site, 0)} %`
  const open = hours(reached.openHours)
  if (!reading || !measured)
    return `${sayer.say(later.shade.pathAt, { on: from.normal ? 'roof' : 'other', height })}. ${sayer.say(
      later.shade.sunLeft,
      { left: hours(reached.leftHours), open, share: share(reached.leftHours) },
    )}`
  return `${sayer.say(later.readings.seen, { name: reading.name, height })}. ${sayer.say(
    later.readings.sunLeft,
    {
      open,
      model: hours(reached.leftHours),
      modelShare: share(reached.leftHours),
      measured: hours(measured.leftHours),
      measuredShare: share(measured.leftHours),
    },
  )}`
}
