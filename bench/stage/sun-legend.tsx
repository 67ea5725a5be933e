'use client'

import { useSite } from '../context'
import { rampCss } from '@/stage/palette'
import { number } from '@/words/format'

/** What the colours of the sun map mean. */
export function SunLegend({ low, high }: { readonly low: number; readonly high: number }) {
  const site = useSite()
  return (
    <div className="pointer-events-none absolute bottom-3 left-3.5 w-44 rounded-md bg-card/85 px-2.5 py-1.5">
      <p className="quiet">Annual irradiation</p>
      <div className="my-0.5 h-2 rounded-full" style={{ background: rampCss }} />
      <p className="quiet flex justify-between">
        <span>
          {number(low, site)} · {number((low / high) * 100, site)} %
        </span>
        <span>{number(high, site)} kWh/m²</span>
      </p>
    </div>
  )
}
