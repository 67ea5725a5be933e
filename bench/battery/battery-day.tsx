'use client'

import { useMemo } from 'react'
import { batteryReasons, type BatteryReason } from '@/core/battery/reasons'
import { type RunSummary } from '@/core/readers/summary'
import { later } from '@/words/en/later'
import { dayName, money } from '@/words/format'
import { useSayer, useSession } from '../context'

const words = later.battery
const clock = (hour: number) => `${String(hour).padStart(2, '0')}:00`

/** The day of the carpet: each hour that the battery does something, and why. */
export function BatteryDay({
  carpet,
  floorKwh,
  capKwh,
}: {
  readonly carpet: RunSummary['carpet']
  readonly floorKwh: number
  readonly capKwh: number
}) {
  const sayer = useSayer()
  const day = useSession((s) => s.day)
  const perHour = 60 / carpet.stepMinutes
  const reasons = useMemo(() => {
    // The day of the clock: under daylight saving it begins an hour before that of standard time.
    const standard = day * 24 * perHour
    const ahead = carpet.clockHour[standard] ?? 0
    const from = standard - (ahead < 12 ? ahead : ahead - 24) * perHour
    const battery = { floorKwh, capKwh, ownKwh: carpet.standbyKwh }
    return batteryReasons(carpet, from, from + 24 * perHour, 1 / perHour, battery)
  }, [carpet, day, perHour, floorKwh, capKwh])
  return (
    <section aria-label={sayer.say(words.day, { day: dayName(day, sayer.place.locale) })}>
      <h3 className="font-semibold">{sayer.say(words.day, { day: dayName(day, sayer.place.locale) })}</h3>
      <p className="quiet mb-1">{words.dayNote}</p>
      {reasons.length === 0 && <p>{words.nothing}</p>}
      <ol>
        {reasons.map((reason) => (
          <li key={reason.interval} className="flex gap-3 border-b border-line/60 py-0.5">
            <span className="w-11 shrink-0 text-pencil">{clock(carpet.clockHour[reason.interval] ?? 0)}</span>
            <span>{saidReason(reason)}</span>
          </li>
        ))}
      </ol>
    </section>
  )

  function saidReason({ deed, kwh, price, later: then }: BatteryReason): string {
    const perKwh = (value: number) => `${money(value, sayer.place, 3)}/kWh`
    return sayer.say(later.batteryDeeds[deed], {
      kwh: { value: kwh, unit: 'kWh', digits: 2 },
      now: perKwh(price),
      later: then ? (then.sold ? 'earns' : 'spares') : 'none',
      hour: then ? clock(carpet.clockHour[then.interval] ?? 0) : '',
      then: then ? perKwh(then.price) : '',
    })
  }
}
