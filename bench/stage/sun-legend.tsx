'use client'

import { useState } from 'react'
import { later } from '@/words/en/later'
import { rampCss } from '@/stage/palette'
import { monthNames, number } from '@/words/format'
import { useBench, useSession, useSite } from '../context'

const words = later.shade

/** What the colours of the sun map mean, and whether it is written on the modules. @param best kWh/m² a year of the sunniest place in the open */
export function SunLegend({ best }: { readonly best: number }) {
  const { session } = useBench()
  const site = useSite()
  const span = useSession((s) => s.sunSpan)
  const labels = useSession((s) => s.accessLabels)
  const [share, setShare] = useState(false)
  const at = (part: number) => number(share ? part * 100 : part * best, site)
  return (
    <div className="pointer-events-auto w-48 rounded-md bg-card/85 px-2.5 py-1.5">
      <div className="flex items-baseline justify-between">
        <select
          aria-label={words.span}
          className="cursor-pointer bg-transparent text-[12px] text-pencil"
          value={String(span)}
          onKeyDown={(event) => event.stopPropagation()}
          onChange={({ target: { value } }) =>
            session.setState({ sunSpan: value === 'year' ? value : Number(value) })
          }
        >
          <option value="year">{words.wholeYear}</option>
          {monthNames('en').map((name, month) => (
            <option key={name} value={month}>
              {name}
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
          <option value="kwh">kWh/m²</option>
          <option value="share">{words.ofBest}</option>
        </select>
      </div>
      <div className="my-0.5 h-2 rounded-full" style={{ background: rampCss }} />
      <p className="quiet flex justify-between">
        {best > 0 ? [0, 0.5, 1].map((part) => <span key={part}>{at(part)}</span>) : words.computingMap}
      </p>
      <p className="quiet">{words.toBest}</p>
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
