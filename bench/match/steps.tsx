'use client'

import { type Tariff } from '@/core/kinds/tariff/tariff'
import { parseNumber } from '@/core/model/numbers'
import { later } from '@/words/en/later'
import { entered, moneySign } from '@/words/format'
import { useBench, useSayer, useSite } from '../context'
import { CellField } from '../fields/cell-field'
import { lineButton } from '../fields/file-button'
import { Pills } from '../fields/pills'
import { houseId } from '../store/documents'
import { RemoveButton } from '../fields/remove-button'

const words = later.tariff
type Tiers = NonNullable<Tariff['tiers']>

/** Steps that energy costs more in, the more of it there is. */
export function Steps({ tariff }: { readonly tariff: Tariff }) {
  const { documents } = useBench()
  const site = useSite()
  const sayer = useSayer()
  const { tiers } = tariff
  const sign = moneySign(site)
  const set = (next: Tiers | null) => documents.set(words.steps, houseId, tariff.id, { tiers: next })
  const number = (text: string) => parseNumber(text, site.locale)
  const change = (form: Tiers, k: number, fields: Partial<Tiers['steps'][number]>) =>
    set({ ...form, steps: form.steps.map((one, i) => (i === k ? { ...one, ...fields } : one)) })
  const add = () => {
    if (!tiers) {
      set({
        per: 'month',
        months: [],
        steps: [
          { upToKwh: 300, addPerKwh: 0 },
          { upToKwh: null, addPerKwh: 0.05 },
        ],
      })
      return
    }
    const below = tiers.steps.at(-2)?.upToKwh ?? 0
    const last = tiers.steps.at(-1)?.addPerKwh ?? 0
    const usual = tiers.per === 'day' ? 10 : 300
    set({
      ...tiers,
      steps: [
        ...tiers.steps.slice(0, -1),
        { upToKwh: below + usual, addPerKwh: last },
        { upToKwh: null, addPerKwh: last },
      ],
    })
  }
  const remove = (form: Tiers, k: number) => {
    const steps = form.steps.filter((_, i) => i !== k)
    // One step without end is none.
    set(steps.length < 2 ? null : { ...form, steps: steps.map((one, i) => endless(one, i, steps.length)) })
  }
  return (
    <section>
      <h3 className="mb-1 font-semibold">{words.steps}</h3>
      {tiers && (
        <Pills
          label={words.steps}
          value={tiers.per}
          choices={[
            ['month', words.perMonth],
            ['day', words.perDay],
          ]}
          onChoose={(per) => set({ ...tiers, per })}
        />
      )}
      {tiers?.steps.map(({ upToKwh, addPerKwh }, k) => (
        <div key={k} className="flex items-start gap-1.5 py-0.5">
          <span className="w-12 leading-7 text-pencil">{sayer.say(words.step, { place: k + 1 })}</span>
          <div className="w-20">
            {upToKwh === null ? (
              <span className="block text-right leading-7 text-pencil">{words.onwards}</span>
            ) : (
              <CellField
                label={sayer.say(words.upTo, { place: k + 1 })}
                shown={entered(upToKwh, site)}
                onType={(text) => change(tiers, k, { upToKwh: number(text) })}
              />
            )}
          </div>
          <span className="w-8 text-[12px] leading-7 text-pencil">kWh</span>
          <div className="w-20">
            <CellField
              label={sayer.say(words.stepAdd, { place: k + 1, sign })}
              shown={entered(addPerKwh, site, 3)}
              onType={(text) => change(tiers, k, { addPerKwh: number(text) })}
            />
          </div>
          <span className="text-[12px] leading-7 whitespace-nowrap text-pencil">+ {sign}/kWh</span>
          <RemoveButton
            name={sayer.say(words.step, { place: k + 1 })}
            tall
            onRemove={() => remove(tiers, k)}
          />
        </div>
      ))}
      <button type="button" className={lineButton} onClick={add}>
        {words.addStep}
      </button>
    </section>
  )
}

const endless = (step: Tiers['steps'][number], at: number, of: number) =>
  at === of - 1 ? { ...step, upToKwh: null } : step
