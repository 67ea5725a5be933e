'use client'

import { useSite } from '../context'
import { rampCss } from '@/stage/palette'
import { number } from '@/words/format'

/** What the colours of the sun map mean. @param best kWh/m² a year of the sunniest place in the open */
export function SunLegend({ best }: { readonly best: number }) {
  const site = useSite()
  return (
    <div className="w-44 rounded-md bg-card/85 px-2.5 py-1.5">
      <p className="quiet">Annual irradiation, kWh/m²</p>
      <div className="my-0.5 h-2 rounded-full" style={{ background: rampCss }} />
      <p className="quiet flex justify-between">
        <span>0</span>
        <span>{number(best / 2, site)}</span>
        <span>{number(best, site)}</span>
      </p>
      <p className="quiet">0 to the best plane without shade</p>
    </div>
  )
}
