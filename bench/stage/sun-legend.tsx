'use client'

import { useState } from 'react'
import { isSunTime, sunTimes, type SunSpan } from '@/core/energy/sun-span'
import { later } from '@/words/en/later'
import { rampCss } from '@/stage/palette'
import { monthNames, number } from '@/words/format'
import { useBench, useSession, useSite } from '../context'

const words = later.shade

const spanOf = (value: string): SunSpan =>
  value === 'year' ? value : (sunTimes.find((time) => time === value) ?? Number(value))

/** What the colours of the sun map mean, and whether it is written on the modules. @param best what the sunniest place has in the open, kWh/m² or hours a day */
export function SunLegend({ best }: { readonly best: number }) {
  const { session } = useBench()
  const site = useSite()
  const span = useSession((s) => s.sunSpan)
  const labels = useSession((s) => s.accessLabels)
  const [share, setShare] = useState(false)
  const timed = isSunTime(span)
  // Of hours either what the sun is there, or what is missing to the best plane.
  const at = (part: number) => {
    if (!timed) return number(share ? part * 100 : part * best, site)
    return number(share ? (1 - part) * best : part * best, site, 1)
  }
  return (
    <div className="pointer-events-auto w-56 rounded-md bg-card/85 px-2.5 py-1.5">
      <div className="flex items-baseline justify-between">
        <select
          aria-label={words.span}
          className="cursor-pointer bg-transparent text-[12px] text-pencil"
          value={String(span)}
          onKeyDown={(event) => event.stopPropagation()}
          onChange={({ target: { value } }) => session.setState({ sunSpan: spanOf(value) })}
        >
          <option value="year">{words.wholeYear}</option>
          {monthNames('en').map((name, month) => (
            <option key={name} value={month}>
              {name}
            </option>
          ))}
          {sunTimes.map((time) => (
            <option key={time} value={time}>
              {words.sunTimes[time]}
            </option>
          ))}
        </select>
        <select
          aria-label={words.legendUnit}
          className="cursor-pointer bg-transparent text-[12px] text-pencil"
          value={share ? 'share' : 'kwh'}
          onKeyDown={(event) => event.stopPropagation()}
          onChange={(event) => setShare(event.target.value === 'share')}
        >
          <option value="kwh">{timed ? words.hoursOfSun : 'kWh/m²'}</option>
          <option value="share">{timed ? words.hoursOfShade : words.ofBest}</option>
        </select>
      </div>
      <div className="my-0.5 h-2 rounded-full" style={{ background: rampCss }} />
      <p className="quiet flex justify-between">
        {best > 0 ? [0, 0.5, 1].map((part) => <span key={part}>{at(part)}</span>) : words.computingMap}
      </p>
      <p className="quiet">{timed && share ? words.missing : words.toBest}</p>
      <label className="mt-0.5 flex items-center gap-1.5 text-[12px] text-pencil">
        <input
          type="checkbox"
          className="accent-verdigris"
          checked={labels}
          onChange={(event) => session.setState({ accessLabels: event.target.checked })}
        />
        {words.onModules}
      </label>
    </div>
  )
}
