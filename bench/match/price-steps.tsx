'use client'

import { type Tariff } from '@/core/kinds/tariff/tariff'
import { modelYear } from '@/core/model/model-year'
import { parseNumber } from '@/core/model/numbers'
import { later } from '@/words/en/later'
import { entered } from '@/words/format'
import { useBench, useSayer, useSite } from '../context'
import { CellField } from '../fields/cell-field'
import { lineButton } from '../fields/file-button'
import { RemoveButton } from '../fields/remove-button'
import { houseId } from '../store/documents'

const words = later.tariff
const usualFactor = 1.03

/** Years from which on everything costs as many times what the tariff states. */
export function PriceSteps({ tariff }: { readonly tariff: Tariff }) {
  const { documents } = useBench()
  const site = useSite()
  const sayer = useSayer()
  const { priceSteps } = tariff
  const set = (next: Tariff['priceSteps']) =>
    documents.set(words.priceSteps, houseId, tariff.id, { priceSteps: [...next] })
  const change = (k: number, fields: Partial<Tariff['priceSteps'][number]>) =>
    set(priceSteps.map((one, i) => (i === k ? { ...one, ...fields } : one)))
  const add = () => {
    const last = priceSteps.reduce<Tariff['priceSteps'][number] | null>(
      (found, step) => (found && found.year >= step.year ? found : step),
      null,
    )
    const factor = Number(((last?.factor ?? 1) * usualFactor).toFixed(4))
    return set([...priceSteps, { year: (last?.year ?? modelYear) + 1, factor }])
  }
  return (
    <section>
      <h3 className="mb-1 font-semibold">{words.priceSteps}</h3>
      <p className="quiet mb-1">{words.priceStepsHint}</p>
      {priceSteps.map(({ year, factor }, k) => (
        <div key={k} className="flex items-start gap-1.5 py-0.5">
          <span className="w-10 leading-7 text-pencil">{words.priceStepFrom}</span>
          <div className="w-20">
            <CellField
              label={sayer.say(words.priceStepYear, { place: k + 1 })}
              shown={String(year)}
              onType={(text) => change(k, { year: parseNumber(text, site.locale) })}
            />
          </div>
          <div className="w-20">
            <CellField
              label={sayer.say(words.priceStepFactor, { place: k + 1 })}
              shown={entered(factor, site, 2)}
              onType={(text) => change(k, { factor: parseNumber(text, site.locale) })}
            />
          </div>
          <span className="leading-7 text-pencil">{words.priceStepTimes}</span>
          <RemoveButton
            name={`${words.priceStepFrom} ${year}`}
            tall
            onRemove={() => set(priceSteps.filter((_, i) => i !== k))}
          />
        </div>
      ))}
      <button type="button" className={lineButton} onClick={add}>
        {words.addPriceStep}
      </button>
    </section>
  )
}
