'use client'

import { alterationId, type Alteration } from '@/core/kinds/alteration/alteration'
import { ofKind, type Objects } from '@/core/kinds/documents'
import { kindOf, type AnyObject } from '@/core/kinds/index'
import { highestTreeM, lowestTreeM } from '@/core/kinds/tree/tree'
import { parseNumber } from '@/core/model/numbers'
import { formatLength, parseLength } from '@/core/model/units'
import { later } from '@/words/en/later'
import { entered } from '@/words/format'
import { useBench, useOption, useSayer, useSession, useSite } from '../context'
import { TextField } from '../fields/text-field'
import { toast } from '../store/session'

const words = later.shade

/** Of its height, what a first trim leaves; and for how long a tree grows at first. */
const trimShare = 0.6
const firstYears = 10

/** How the option on the screen has a thing of the house: as it stands, gone, trimmed or grown. */
export function AsInOption({ object }: { readonly object: AnyObject }) {
  const { documents, session } = useBench()
  const sayer = useSayer()
  const site = useSite()
  const option = useOption()
  const optionId = useSession((s) => s.optionId)
  const now = ofKind(option, 'alteration').findLast(({ of }) => of === object.id)
  const id = now?.id ?? alterationId(object.id)
  const name = sayer.name(object.id)
  const ways = kindOf(object).standing?.altered?.ways ?? []
  const label = sayer.say(words.whatIf, { name })
  const edit = (recipe: (before: Objects) => Objects) => {
    const { fault } = documents.edit(label, optionId, recipe)
    if (fault) toast(session, sayer.fault(fault))
  }
  const choose = (what: Alteration['what'] | '') =>
    edit((before) => {
      const others = Object.fromEntries(
        Object.entries(before).filter(([, one]) => one.kind !== 'alteration' || one.of !== object.id),
      )
      return what === '' ? others : { ...others, [id]: { ...(now ?? fresh(object)), what } }
    })
  const set = (name: string, fields: Partial<Alteration>) => documents.set(name, optionId, id, fields)
  return (
    <div className="flex flex-wrap items-center gap-x-3">
      <select
        aria-label={label}
        className="field w-[8.4rem] cursor-pointer pr-0"
        value={now?.what ?? ''}
        onKeyDown={(event) => event.stopPropagation()}
        onChange={(event) => choose(event.target.value as Alteration['what'] | '')}
      >
        <option value="">{words.asItStands}</option>
        {ways.map((way) => (
          <option key={way} value={way}>
            {words[way]}
          </option>
        ))}
      </select>
      {now?.what === 'trimmed' && (
        <TextField
          label={<span className="sr-only">{sayer.say(words.trimTo, { name })}</span>}
          shown={formatLength(now.heightM, site.units, site.locale)}
          width="length"
          onType={(text) => set(words.trimmed, { heightM: parseLength(text, site.units, site.locale) })}
        />
      )}
      {now?.what === 'grown' && (
        <TextField
          label={<span className="sr-only">{sayer.say(words.growFor, { name })}</span>}
          shown={entered(now.years, site)}
          unit={words.years}
          width="short"
          onType={(text) => set(words.grown, { years: parseNumber(text, site.locale) })}
        />
      )}
    </div>
  )
}

/** What is offered first: a trim well below its top, ten years of growth. */
function fresh(object: AnyObject): Alteration {
  const heightM = 'heightM' in object ? object.heightM : highestTreeM
  const trimmed = Math.round(heightM * trimShare * 10) / 10
  return {
    id: alterationId(object.id),
    kind: 'alteration',
    of: object.id,
    what: 'gone',
    heightM: Math.max(lowestTreeM, Math.min(highestTreeM, trimmed)),
    years: firstYears,
  }
}
