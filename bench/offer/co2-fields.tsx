'use client'

import { type Offer } from '@/core/kinds/offer/offer'
import { parseNumber } from '@/core/model/numbers'
import { later } from '@/words/en/later'
import { entered } from '@/words/format'
import { useSite } from '../context'
import { TextField } from '../fields/text-field'
import { useOffer } from './use-offer'

const words = later.page
type GridCo2 = NonNullable<Offer['gridCo2']>

/** What a kWh from the grid emits, as whom and of which year. */
export function Co2Fields() {
  const { offer, set } = useOffer()
  const { locale } = useSite()
  const { gridCo2 } = offer
  const begin = () =>
    set(words.co2, { gridCo2: { kgPerKwh: 0, year: new Date().getFullYear() - 1, source: '' } })
  if (gridCo2 === null)
    return (
      <p className="quiet flex items-center gap-3 pl-6">
        {words.co2None}
        <button type="button" className="button" onClick={begin}>
          {words.co2Add}
        </button>
      </p>
    )
  const change = (fields: Partial<GridCo2>) => set(words.co2, { gridCo2: { ...gridCo2, ...fields } })
  return (
    <div className="flex flex-wrap items-end gap-x-6 pl-6">
      <div className="w-64">
        <TextField
          label={words.co2Each}
          shown={entered(gridCo2.kgPerKwh, { locale }, 3)}
          width="words"
          onType={(text) => change({ kgPerKwh: parseNumber(text, locale) })}
        />
      </div>
      <div className="w-48">
        <TextField
          label={words.co2Year}
          shown={String(gridCo2.year)}
          width="words"
          onType={(text) => change({ year: parseNumber(text, locale) })}
        />
      </div>
      <div className="w-72">
        <TextField
          label={words.co2Source}
          shown={gridCo2.source}
          width="name"
          onType={(text) => change({ source: text.trim() })}
        />
      </div>
      <button type="button" className="button" onClick={() => set(words.co2, { gridCo2: null })}>
        {words.co2Forget}
      </button>
    </div>
  )
}
