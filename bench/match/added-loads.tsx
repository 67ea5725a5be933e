'use client'

import { carChargings, loadId, type AddedLoad, type Load } from '@/core/kinds/load/load'
import { newId } from '@/core/model/new-id'
import { parseNumber } from '@/core/model/numbers'
import { later } from '@/words/en/later'
import { entered } from '@/words/format'
import { useBench, useSayer, useSite } from '../context'
import { ChoiceField } from '../fields/fields'
import { TextField } from '../fields/text-field'
import { houseId } from '../store/documents'
import { toast } from '../store/session'
import { readHours } from './read-hours'
import { readMonths, shownMonths } from './read-months'
import { RemoveButton } from '../fields/remove-button'

const words = later.load
type What = AddedLoad['what']
type Of<W extends What> = Extract<AddedLoad, { what: W }>

/** What each begins with. */
const usual: { readonly [W in What]: Omit<Of<W>, 'id' | 'name' | 'on'> } = {
  car: { what: 'car', kwhPerYear: 2500, chargerKw: 7.2, fromHour: 18, toHour: 7, charging: 'at-once' },
  heating: { what: 'heating', kwhPerYear: 3500, baseC: 15 },
  cooling: { what: 'cooling', kwhPerYear: 1200, baseC: 22 },
  hours: { what: 'hours', kwhPerYear: 600, fromHour: 9, toHour: 17, months: [] },
}

/** What will come beside today's consumption; each can be left out to see its effect. */
export function AddedLoads({ load }: { readonly load: Load }) {
  const { documents, session } = useBench()
  const sayer = useSayer()
  const set = (added: readonly AddedLoad[]) => documents.set(words.coming, houseId, loadId, { added })
  const add = (what: What) => {
    const one = {
      ...usual[what],
      id: newId(what, Math.random),
      name: words.kinds[what],
      on: true,
    } as AddedLoad
    const wrong = set([...load.added, one])
    if (wrong) toast(session, sayer.fault(wrong))
  }
  return (
    <section aria-label={words.coming} className="mt-2 border-t border-line pt-1.5">
      <h3 className="font-semibold">{words.coming}</h3>
      {load.added.length > 0 && <p className="quiet">{words.comingHint}</p>}
      {load.added.map((one) => (
        <Added
          key={one.id}
          one={one}
          onChange={(fields) =>
            set(load.added.map((other) => (other.id === one.id ? { ...other, ...fields } : other)))
          }
          onRemove={() => set(load.added.filter(({ id }) => id !== one.id))}
        />
      ))}
      <ChoiceField
        label={words.add}
        value=""
        choices={[
          { value: '', label: '–' },
          ...(Object.keys(words.kinds) as What[]).map((value) => ({ value, label: words.kinds[value] })),
        ]}
        onChoose={(what: What | '') => {
          if (what !== '') add(what)
        }}
      />
    </section>
  )
}

function Added({
  one,
  onChange,
  onRemove,
}: {
  readonly one: AddedLoad
  readonly onChange: (
    fields: Readonly<Record<string, unknown>>,
  ) => ReturnType<ReturnType<typeof useBench>['documents']['set']>
  readonly onRemove: () => void
}) {
  const site = useSite()
  const sayer = useSayer()
  const { name } = one
  const number = (text: string) => parseNumber(text, site.locale)
  return (
    <fieldset className="mt-1 rounded-md border border-line px-2 pb-1">
      <legend className="flex items-center gap-1 px-1 text-[12px] text-pencil">
        <input
          type="checkbox"
          checked={one.on}
          aria-label={sayer.say(words.counts, { name })}
          onChange={(event) => onChange({ on: event.target.checked })}
        />
        {name}
        <RemoveButton name={name} onRemove={onRemove} />
      </legend>
      <TextField label={words.name} shown={name} width="name" onType={(text) => onChange({ name: text })} />
      <TextField
        label={words.kwhPerYear}
        unit="kWh"
        shown={entered(one.kwhPerYear, site)}
        onType={(text) => onChange({ kwhPerYear: number(text) })}
      />
      {one.what === 'car' && (
        <>
          <TextField
            label={words.charger}
            unit="kW"
            shown={entered(one.chargerKw, site, 1)}
            onType={(text) => onChange({ chargerKw: number(text) })}
          />
          <ChoiceField
            label={words.charging}
            value={one.charging}
            wide
            choices={carChargings.map((value) => ({
              value,
              label: words.chargings[value],
            }))}
            onChoose={(charging) => onChange({ charging })}
          />
          {one.charging === 'on-surplus' && <p className="quiet">{words.surplusHint}</p>}
        </>
      )}
      {(one.what === 'car' || one.what === 'hours') && (
        <TextField
          label={one.what === 'car' ? words.athome : words.hours}
          hint={words.hoursHint}
          shown={`${one.fromHour}–${one.toHour}`}
          onType={(text) => onChange(readHours(text))}
        />
      )}
      {one.what === 'hours' && (
        <TextField
          label={words.months}
          hint={words.monthsHint}
          shown={shownMonths(one.months)}
          onType={(text) => onChange({ months: readMonths(text) })}
        />
      )}
      {(one.what === 'heating' || one.what === 'cooling') && (
        <TextField
          label={one.what === 'heating' ? words.below : words.above}
          unit="°C"
          shown={entered(one.baseC, site)}
          onType={(text) => onChange({ baseC: number(text) })}
        />
      )}
    </fieldset>
  )
}
