'use client'

import { type ModuleType } from '@/core/electrical/catalogue'
import { coverId } from '@/core/kinds/cover/cover'
import { theOne } from '@/core/kinds/documents'
import { formatLength } from '@/core/model/units'
import { panelsOf } from '@/core/site/site'
import { modulesFor } from '@/core/stages/world'
import { later } from '@/words/en/later'
import { number } from '@/words/format'
import { useBench, useHouse, useOption, useSayer, useSession, useSite } from '../context'
import { ChoiceField } from '../fields/fields'
import { benchKindOf } from '../kinds/index'
import { changesOf, useModuleChoosing } from './use-module-choosing'

const words = later.moduleChoice

/** The module of all arrays. One of which fewer fit is asked about first, with what no longer fits where. */
export function ModuleChoice() {
  const { documents, session, catalogue, site: standing, siteWith } = useBench()
  const option = useOption()
  const site = useSite()
  const sayer = useSayer()
  const asked = useSession((s) => s.askedModule)
  const fields = later.fields.cover
  const cover = theOne(option, 'cover', coverId)
  const modules = modulesFor({ house: useHouse(), catalogue })
  const sheetOf = (id: string | undefined) => modules.find((m) => m.id === id)
  const module = sheetOf(cover.moduleId)
  const wanted = sheetOf(asked?.option === option ? asked.moduleId : undefined)
  const open = wanted && {
    module: wanted,
    then: siteWith({ ...option, [coverId]: { ...cover, moduleId: wanted.id } }),
  }
  const now = standing()
  const { choose, take, keep } = useModuleChoosing()
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
        choices={modules.map((m) => ({ value: m.id, label: m.name }))}
        onChoose={choose}
      />
      {module && !open && (
        <p className="quiet">
          {module.powerW} W, {formatLength(module.lengthM, site.units, site.locale)} ×{' '}
          {formatLength(module.widthM, site.units, site.locale)}
        </p>
      )}
      <button
        type="button"
        className="cursor-pointer text-[12px] text-verdigris hover:underline"
        onClick={() => session.setState({ dialog: 'modules' })}
      >
        {later.catalogue.open}
      </button>
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
              onClick={keep}
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
