'use client'

import { useState } from 'react'
import { listModules, type ModuleFigure, type ModuleFilter } from '@/core/electrical/module-list'
import { moduleColours } from '@/core/electrical/catalogue'
import { coverId } from '@/core/kinds/cover/cover'
import { theOne } from '@/core/kinds/documents'
import { parseNumber } from '@/core/model/numbers'
import { formatLength, parseLength } from '@/core/model/units'
import { later } from '@/words/en/later'
import { number } from '@/words/format'
import { useBench, useOption, useSayer, useSite } from '../context'
import { ChoiceField } from '../fields/fields'
import { TextField } from '../fields/text-field'
import { Sheet } from '../sheet'
import { ModuleSheets } from './module-sheets'
import { ModuleTable } from './module-table'
import { useModuleChoosing } from './use-module-choosing'

const words = later.catalogue
const mostCompared = 4
const everything: ModuleFilter = { text: '', colour: 'any', leastW: 0, mostLengthM: Infinity }

/** The catalogue of modules: to look through, sort, compare and choose from. */
export function ModulesSheet() {
  const { session, catalogue } = useBench()
  const option = useOption()
  const site = useSite()
  const sayer = useSayer()
  const { choose } = useModuleChoosing()
  const [filter, setFilter] = useState(everything)
  const [sort, setSort] = useState<{ readonly by: ModuleFigure; readonly down: boolean }>({
    by: 'powerW',
    down: true,
  })
  const [ticked, setTicked] = useState<readonly string[]>([])
  const [open, setOpen] = useState<readonly string[] | null>(null)
  const close = () => session.setState({ dialog: null })
  const chosenId = theOne(option, 'cover', coverId).moduleId
  const found = listModules(catalogue.modules, filter, sort.by, sort.down)
  const set = (changed: Partial<ModuleFilter>) => {
    setFilter({ ...filter, ...changed })
    return null
  }
  const take = (id: string) => {
    close()
    choose(id)
  }
  if (open)
    return (
      <Sheet title={open.length === 1 ? words.sheet : words.title} onClose={close}>
        <button type="button" className="button mb-3" onClick={() => setOpen(null)}>
          {words.back}
        </button>
        <ModuleSheets
          modules={open.flatMap((id) => catalogue.modules.filter((module) => module.id === id))}
          chosenId={chosenId}
          onChoose={take}
        />
      </Sheet>
    )
  return (
    <Sheet title={words.title} onClose={close}>
      <div className="mb-2 grid grid-cols-2 items-end gap-x-6 sm:grid-cols-4">
        <label className="block">
          <span className="text-pencil">{words.search}</span>
          <input
            type="search"
            className="field mt-0.5 w-full"
            value={filter.text}
            onChange={(event) => set({ text: event.target.value })}
          />
        </label>
        <ChoiceField
          label={words.colour}
          value={filter.colour}
          choices={(['any', ...moduleColours] as const).map((colour) => ({
            value: colour,
            label: colour === 'any' ? words.any : words.colours[colour],
          }))}
          wide
          onChoose={(colour) => set({ colour })}
        />
        <TextField
          label={words.least}
          unit="W"
          shown={filter.leastW === 0 ? '' : number(filter.leastW, site)}
          onType={(text) => set({ leastW: text.trim() === '' ? 0 : parseNumber(text, site.locale) })}
        />
        <TextField
          label={words.longest}
          width={site.units === 'imperial' ? 'length' : 'figure'}
          shown={
            filter.mostLengthM === Infinity ? '' : formatLength(filter.mostLengthM, site.units, site.locale)
          }
          onType={(text) =>
            set({ mostLengthM: text.trim() === '' ? Infinity : parseLength(text, site.units, site.locale) })
          }
        />
      </div>
      <div className="mb-1 flex items-baseline gap-3">
        <p role="status" className="font-semibold">
          {sayer.say(words.found, { count: found.length })}
        </p>
        <p className="quiet flex-1">{sayer.say(words.compareHint, { most: mostCompared })}</p>
        <button type="button" className="button" disabled={ticked.length < 2} onClick={() => setOpen(ticked)}>
          {sayer.say(words.compareThese, { count: ticked.length })}
        </button>
      </div>
      <ModuleTable
        modules={found}
        chosenId={chosenId}
        sort={sort}
        onSort={setSort}
        ticked={ticked}
        mostTicked={mostCompared}
        onTick={setTicked}
        onOpen={(id) => setOpen([id])}
        onChoose={take}
      />
    </Sheet>
  )
}
