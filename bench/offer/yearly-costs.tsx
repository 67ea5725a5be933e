'use client'

import { later } from '@/words/en/later'
import { moneySign } from '@/words/format'
import { useSayer, useSite } from '../context'
import { CellField } from '../fields/cell-field'
import { lineButton } from '../fields/file-button'
import { RemoveButton } from '../fields/remove-button'
import { FigureCell, Money, Percent } from './typed'
import { changedAt, useOffer, without } from './use-offer'

const words = later.money
const { fields } = later

/** What a system asks every year. */
export function YearlyCosts() {
  const { offer, set } = useOffer()
  const site = useSite()
  const sayer = useSayer()
  const { costs } = offer
  const setCosts = (next: typeof costs) => set(words.yearly, { costs: next })
  return (
    <section>
      <h3 className="mb-1 font-semibold">{words.yearly}</h3>
      <Money
        label={fields.offer.upkeepPerYear}
        value={offer.upkeepPerYear}
        onSet={(upkeepPerYear) => set(fields.offer.upkeepPerYear, { upkeepPerYear })}
      />
      <Percent
        label={fields.offer.upkeepGrowth}
        value={offer.upkeepGrowth}
        onSet={(upkeepGrowth) => set(fields.offer.upkeepGrowth, { upkeepGrowth })}
      />
      {costs.map(({ name, perYear, growth }, k) => (
        <div key={k} className="flex items-start gap-1.5 py-0.5">
          <div className="min-w-0 flex-1">
            <CellField
              label={words.name}
              shown={name}
              left
              onType={(text) => setCosts(changedAt(costs, k, { name: text }))}
            />
          </div>
          <div className="w-20">
            <FigureCell
              label={`${name}, ${words.perYear}`}
              value={perYear}
              onSet={(value) => setCosts(changedAt(costs, k, { perYear: value ?? 0 }))}
            />
          </div>
          <span className="text-[12px] leading-7 text-pencil">{moneySign(site)}</span>
          <div className="w-16">
            <FigureCell
              label={`${name}, ${words.growth}`}
              value={growth}
              digits={1}
              percent
              onSet={(value) => setCosts(changedAt(costs, k, { growth: value ?? 0 }))}
            />
          </div>
          <span className="text-[12px] leading-7 text-pencil">%</span>
          <RemoveButton name={name} tall onRemove={() => setCosts(without(costs, k))} />
        </div>
      ))}
      <button
        type="button"
        className={lineButton}
        onClick={() => setCosts([...costs, { name: words.newCost, perYear: 120, growth: 0.03 }])}
      >
        {words.addCost}
      </button>
      <div className="mt-2">
        <Percent
          label={fields.offer.escalation}
          value={offer.escalation}
          onSet={(escalation) => set(fields.offer.escalation, { escalation })}
        />
        <Percent
          label={fields.offer.exportGrowth}
          value={offer.exportGrowth}
          onSet={(exportGrowth) => set(fields.offer.exportGrowth, { exportGrowth })}
        />
      </div>
      <p className="quiet">{sayer.say(words.flowNote, { currency: site.currency })}</p>
    </section>
  )
}
