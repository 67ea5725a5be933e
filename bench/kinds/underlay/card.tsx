'use client'

import { useStore } from 'zustand'
import { formatLength } from '@/core/model/units'
import { ofKind } from '@/core/kinds/documents'
import { parseNumber } from '@/core/model/numbers'
import { seasons, type Underlay } from '@/core/kinds/underlay/underlay'
import { entered } from '@/words/format'
import { later } from '@/words/en/later'
import { Fact } from '../../card/frame'
import { useBench, useHouse, useSayer, useSite } from '../../context'
import { ChoiceField, PercentField } from '../../fields/fields'
import { TextField } from '../../fields/text-field'
import { houseId } from '../../store/documents'
import { keptFiles } from '../../underlays/kept-files'
import { NameField } from '../name-field'

/** How large it is, how it is turned, how strongly it shows, what of it. */
export function UnderlayCard({ object: underlay }: { readonly object: Underlay }) {
  const { documents, tools } = useBench()
  const site = useSite()
  const sayer = useSayer()
  const file = useStore(keptFiles, (files) => files[underlay.fileId])
  const { seasons: seasonWords } = later
  const words = later.underlays
  const fields = later.fields.underlay
  const of = { documentId: houseId, objectId: underlay.id }
  const set = (label: string, changed: Partial<Underlay>) =>
    documents.set(label, houseId, underlay.id, changed)
  const metres = (units: number) => formatLength(units * underlay.metresPerUnit, site.units, site.locale)
  return (
    <>
      <NameField documentId={houseId} id={underlay.id} name={underlay.name} />
      {file?.is === 'missing' && (
        <p role="alert" className="my-1 text-[12px] text-clay">
          {sayer.fault(file.fault)}
        </p>
      )}
      {file?.is === 'waiting' && <p className="quiet">{words.waiting}</p>}
      <Fact label={words.size} value={`${metres(underlay.width)} × ${metres(underlay.height)}`} />
      <button type="button" className="button my-1 w-full" onClick={() => tools.take('calibrate')}>
        {words.calibrate}
      </button>
      <TextField
        label={fields.rotationDeg}
        shown={entered(0 - underlay.rotationDeg, site, 1)}
        unit="°"
        hint={words.turnHint}
        onType={(text) =>
          set(fields.rotationDeg, { rotationDeg: 0 - parseNumber(text.replace('°', ''), site.locale) })
        }
      />
      <PercentField
        {...of}
        digits={0}
        label={fields.strength}
        name={fields.strength}
        value={underlay.strength}
        fields={(strength) => ({ strength })}
      />
      <OrderButtons underlay={underlay} />
      {underlay.content === 'picture' && (
        <ChoiceField
          label={fields.season}
          value={underlay.season}
          choices={seasons.map((value) => ({ value, label: seasonWords[value] }))}
          onChoose={(season) => set(fields.season, { season })}
        />
      )}
      {file?.is === 'drawing' && (
        <Layers underlay={underlay} names={file.drawing.layers.map(({ name }) => name)} />
      )}
    </>
  )
}

/** Which of several lies on top. */
function OrderButtons({ underlay }: { readonly underlay: Underlay }) {
  const { documents } = useBench()
  const words = later.underlays
  const house = useHouse()
  const all = ofKind(house, 'underlay').sort((a, b) => a.order - b.order)
  if (all.length < 2) return null
  /** All of them in their new order: the lowest first. */
  const put = (where: 'top' | 'bottom') => {
    const others = all.filter(({ id }) => id !== underlay.id)
    const order = where === 'top' ? [...others, underlay] : [underlay, ...others]
    documents.edit(words.order, houseId, (before) =>
      order.reduce((after, one, i) => ({ ...after, [one.id]: { ...one, order: i } }), before),
    )
  }
  return (
    <div className="flex items-baseline gap-2.5 py-0.5 text-[12px]">
      <span className="flex-1 text-[14px] text-pencil">{words.order}</span>
      {(['top', 'bottom'] as const).map((where) => (
        <button
          key={where}
          type="button"
          className="cursor-pointer text-verdigris hover:underline"
          onClick={() => put(where)}
        >
          {words[where]}
        </button>
      ))}
    </div>
  )
}

/** Which layers of a drawing are shown. */
function Layers({ underlay, names }: { readonly underlay: Underlay; readonly names: readonly string[] }) {
  const { documents } = useBench()
  const fields = later.fields.underlay
  const hidden = new Set(underlay.hiddenLayers)
  const toggle = (name: string) => {
    const hiddenLayers = hidden.has(name)
      ? underlay.hiddenLayers.filter((other) => other !== name)
      : [...underlay.hiddenLayers, name]
    documents.set(fields.hiddenLayers, houseId, underlay.id, { hiddenLayers })
  }
  return (
    <fieldset className="mt-1">
      <legend className="quiet">{fields.hiddenLayers}</legend>
      <ul className="max-h-40 overflow-y-auto">
        {names.map((name) => (
          <li key={name}>
            <label className="flex cursor-pointer items-center gap-2 py-0.5">
              <input
                type="checkbox"
                className="accent-verdigris"
                checked={!hidden.has(name)}
                onChange={() => toggle(name)}
              />
              <span className="min-w-0 flex-1 truncate">{name}</span>
            </label>
          </li>
        ))}
      </ul>
    </fieldset>
  )
}
