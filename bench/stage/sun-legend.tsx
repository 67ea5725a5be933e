'use client'

import { useState } from 'react'
import { later } from '@/words/en/later'
import { rampCss } from '@/stage/palette'
import { number } from '@/words/format'
import { useBench, useSession, useSite } from '../context'

const words = later.shade

/** What the colours of the sun map mean, and whether it is written on the modules. @param best kWh/m² a year of the sunniest place in the open */
export function SunLegend({ best }: { readonly best: number }) {
  const { session } = useBench()
  const site = useSite()
  const labels = useSession((s) => s.accessLabels)
  const [share, setShare] = useState(false)
  const at = (part: number) => number(share ? part * 100 : part * best, site)
  return (
    <div className="pointer-events-auto w-48 rounded-md bg-card/85 px-2.5 py-1.5">
      <div className="flex items-baseline justify-between">
        <p className="quiet">{words.annual}</p>
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
        <span>0</span>
        <span>{at(0.5)}</span>
        <span>{at(1)}</span>
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
