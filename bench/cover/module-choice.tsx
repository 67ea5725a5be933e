'use client'

import { useState } from 'react'
import { type ModuleType } from '@/core/electrical/catalogue'
import { coverId } from '@/core/kinds/cover/cover'
import { theOne, type Objects } from '@/core/kinds/documents'
import { formatLength } from '@/core/model/units'
import { panelsOf, type Site } from '@/core/site/site'
import { later } from '@/words/en/later'
import { number } from '@/words/format'
import { useBench, useOption, useSayer, useSession, useSite, useWords } from '../context'
import { ChoiceField } from '../fields/fields'
import { benchKindOf } from '../kinds/index'

const words = later.moduleChoice

/** Another module that was chosen, of which less fits somewhere; asked about for one state of the option. */
interface Asked {
  readonly option: Objects
  readonly module: ModuleType
  readonly then: Site
}

/** The module of all arrays. One of which fewer fit is asked about first, with what no longer fits where. */
export function ModuleChoice() {
  const { documents, catalogue, site: standing, siteWith } = useBench()
  const option = useOption()
  const site = useSite()
  const sayer = useSayer()
  const optionId = useSession((s) => s.optionId)
  const { fields } = useWords().kinds.cover
  const [asked, setAsked] = useState<Asked | null>(null)
  const cover = theOne(option, 'cover', coverId)
  const module = catalogue.modules.find((m) => m.id === cover.moduleId)
  const open = asked?.option === option ? asked : null
  const now = standing()

  const take = (moduleId: string) => {
    setAsked(null)
    documents.set('Module', optionId, coverId, { moduleId })
  }
  const choose = (moduleId: string) => {
    const chosen = catalogue.modules.find((m) => m.id === moduleId)
    if (!chosen || moduleId === cover.moduleId) return setAsked(null)
    const then = siteWith({ ...option, [coverId]: { ...cover, moduleId } })
    if (changesOf(now, then).some(({ before, after }) => after < before))
      setAsked({ option, module: chosen, then })
    else take(moduleId)
  }
  const titleOf = (id: string) => {
    const array = option[id]
    return array ? benchKindOf(array).title(array, sayer, now, documents.house) : id
  }
  const power = (count: number, { powerW }: ModuleType) => `${number((count * powerW) / 1000, site, 2)} kW`
  return (
    <>
      <ChoiceField
        label={fields.moduleId}
        value={open?.module.id ?? cover.moduleId}
        choices={catalogue.modules.map((m) => ({ value: m.id, label: m.name }))}
        onChoose={choose}
      />
      {module && !open && (
        <p className="quiet">
          {module.powerW} W, {formatLength(module.lengthM, site.units, site.locale)} ×{' '}
          {formatLength(module.widthM, site.units, site.locale)}
        </p>
      )}
      {open && module && (
        <div
          role="group"
          aria-label={sayer.say(words.fewer, { module: open.module.name })}
          className="rounded-md border border-clay p-2"
        >
          <p role="status">{sayer.say(words.fewer, { module: open.module.name })}</p>
          <dl className="my-1">
            {changesOf(now, open.then).map(({ id, before, after }) => (
              <div key={id} className="flex justify-between gap-2">
                <dt>{titleOf(id)}</dt>
                <dd className={after < before ? 'text-clay' : ''}>
                  {sayer.say(words.was, { before, after })}
                </dd>
              </div>
            ))}
          </dl>
          <p className="quiet">
            {sayer.say(words.sum, {
              before: panelsOf(now).length,
              powerBefore: power(panelsOf(now).length, module),
              after: panelsOf(open.then).length,
              powerAfter: power(panelsOf(open.then).length, open.module),
            })}
          </p>
          <div className="mt-1 flex flex-col items-start gap-1">
            <button
              type="button"
              className="cursor-pointer text-[12px] text-verdigris hover:underline"
              onClick={() => setAsked(null)}
            >
              {sayer.say(words.keep, { module: module.name })}
            </button>
            <button
              type="button"
              className="cursor-pointer text-[12px] text-clay hover:underline"
              onClick={() => take(open.module.id)}
            >
              {words.take}
            </button>
          </div>
        </div>
      )}
    </>
  )
}

/** How many modules each array has and would have. */
function changesOf(now: Site, then: Site): { id: string; before: number; after: number }[] {
  return now.arrays.map(({ id, panels }) => ({
    id,
    before: panels.length,
    after: then.arrays.find((array) => array.id === id)?.panels.length ?? 0,
  }))
}
