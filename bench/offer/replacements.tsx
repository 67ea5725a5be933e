'use client'

import { replaced, type Replacement } from '@/core/kinds/offer/offer'
import { later } from '@/words/en/later'
import { CellField } from '../fields/cell-field'
import { lineButton } from '../fields/file-button'
import { RemoveButton } from '../fields/remove-button'
import { FigureCell, PercentOrNone } from './typed'
import { changedAt, useOffer, without } from './use-offer'

const words = later.money
const { fields } = later
const head = 'py-0.5 pr-1.5 text-left text-[12px] font-normal text-pencil'

/** How a battery ages, and what is bought anew, when and for how much. */
export function Replacements() {
  const { offer, set } = useOffer()
  const { replacements } = offer
  const setAll = (next: readonly Replacement[]) => set(words.replacements, { replacements: next })
  return (
    <section>
      <h3 className="mb-1 font-semibold">{words.replacements}</h3>
      <PercentOrNone
        label={fields.offer.batteryFade}
        hint={words.fadeHint}
        value={offer.batteryFade}
        onSet={(batteryFade) => set(fields.offer.batteryFade, { batteryFade })}
      />
      {offer.batteryFade === null && <p className="quiet">{words.fadeHint}</p>}
      {replacements.length > 0 && (
        <table className="w-full">
          <thead>
            <tr>
              {[words.name, words.what, words.inYear, words.cost].map((text) => (
                <th key={text} scope="col" className={head}>
                  {text}
                </th>
              ))}
              <td />
            </tr>
          </thead>
          <tbody>
            {replacements.map((one, k) => (
              <Line
                key={k}
                one={one}
                onChange={(changed) => setAll(changedAt(replacements, k, changed))}
                onRemove={() => setAll(without(replacements, k))}
              />
            ))}
          </tbody>
        </table>
      )}
      <button
        type="button"
        className={lineButton}
        onClick={() =>
          setAll([...replacements, { name: words.newReplacement, what: 'inverter', year: 12, cost: null }])
        }
      >
        {words.addReplacement}
      </button>
    </section>
  )
}

function Line({
  one,
  onChange,
  onRemove,
}: {
  readonly one: Replacement
  readonly onChange: (fields: Partial<Replacement>) => ReturnType<ReturnType<typeof useOffer>['set']>
  readonly onRemove: () => void
}) {
  const { name, what, year, cost } = one
  return (
    <tr className="align-top">
      <td className="py-0.5 pr-1.5">
        <CellField label={words.name} shown={name} left onType={(text) => onChange({ name: text })} />
      </td>
      <td className="py-0.5 pr-1.5">
        <select
          aria-label={`${name}: ${words.what}`}
          className="field cursor-pointer pr-0"
          value={what}
          onKeyDown={(event) => event.stopPropagation()}
          onChange={({ target }) => {
            const chosen = replaced.find((other) => other === target.value)
            // What something else costs is not known here.
            if (chosen) onChange({ what: chosen, cost: chosen === 'other' ? (cost ?? 0) : cost })
          }}
        >
          {replaced.map((other) => (
            <option key={other} value={other}>
              {words.replaced[other]}
            </option>
          ))}
        </select>
      </td>
      <td className="w-14 py-0.5 pr-1.5">
        <FigureCell
          label={`${name}: ${words.inYear}`}
          value={year}
          onSet={(value) => onChange({ year: value ?? year })}
        />
      </td>
      <td className="w-20 py-0.5" title={what === 'other' ? undefined : words.costHint}>
        <FigureCell
          label={`${name}: ${words.cost}`}
          value={cost}
          placeholder={what === 'other' ? undefined : words.today}
          onSet={(value) => onChange({ cost: value })}
        />
      </td>
      <td>
        <RemoveButton name={name} tall onRemove={onRemove} />
      </td>
    </tr>
  )
}
