'use client'

import { useState } from 'react'
import { listModules, type ModuleFigure, type ModuleFilter } from '@/core/electrical/module-list'
import { moduleColours } from '@/core/model/module-sheet'
import { coverId } from '@/core/kinds/cover/cover'
import { theOne } from '@/core/kinds/documents'
import { type OwnModule } from '@/core/kinds/own-module/own-module'
import { Fault } from '@/core/model/fault'
import { parseNumber } from '@/core/model/numbers'
import { formatLength, parseLength } from '@/core/model/units'
import { moduleTable } from '@/core/readers/module-table'
import { later } from '@/words/en/later'
import { number } from '@/words/format'
import { useBench, useOption, useSayer, useSite } from '../context'
import { ChoiceField } from '../fields/fields'
import { FileButton } from '../fields/file-button'
import { TextField } from '../fields/text-field'
import { saveFile } from '../save-file'
import { SheetTable } from '../catalogue/sheet-table'
import { Sheet } from '../sheet'
import { toast } from '../store/session'
import { moduleColumnsAt } from './module-columns'
import { ModuleSheets } from './module-sheets'
import { OwnModuleForm } from './own-module-form'
import { useOwnModules } from './own-modules'
import { useModuleChoosing } from './use-module-choosing'

const words = later.catalogue
const mostCompared = 4
const everything: ModuleFilter = { text: '', colour: 'any', leastW: 0, mostLengthM: Infinity }

/** The catalogue of modules: to look through, sort, compare and choose from. */
export function ModulesSheet() {
  const { session } = useBench()
  const { modules, own, take: takeTable, remove } = useOwnModules()
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
  /** The own module that is changed, null for a new one. */
  const [typed, setTyped] = useState<{ readonly module: OwnModule | null } | null>(null)
  const [wrong, setWrong] = useState<string | null>(null)
  const close = () => session.setState({ dialog: null })
  const chosenId = theOne(option, 'cover', coverId).moduleId
  const found = listModules(modules, filter, sort.by, sort.down)
  const set = (changed: Partial<ModuleFilter>) => {
    setFilter({ ...filter, ...changed })
    return null
  }
  const take = (id: string) => {
    close()
    choose(id)
  }
  /** What a fault says stands on the sheet; what it was about is as it was. */
  const trying = async (does: () => Promise<void> | void) => {
    setWrong(null)
    try {
      await does()
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      setWrong(sayer.fault(error))
    }
  }
  const problem = wrong !== null && (
    <p role="alert" className="my-2 rounded-md bg-clay-soft p-2 text-clay">
      {wrong}
    </p>
  )
  if (typed)
    return (
      <Sheet title={words.formTitle} onClose={close}>
        <OwnModuleForm module={typed.module} onDone={() => setTyped(null)} />
      </Sheet>
    )
  const shown = open?.length === 1 ? own.find(({ id }) => id === open[0]) : undefined
  if (open)
    return (
      <Sheet title={open.length === 1 ? words.sheet : words.title} onClose={close}>
        <div className="mb-3 flex gap-3">
          <button
            type="button"
            className="button"
            onClick={() => {
              setWrong(null)
              setOpen(null)
            }}
          >
            {words.back}
          </button>
          {shown && (
            <>
              <button type="button" className="button" onClick={() => setTyped({ module: shown })}>
                {words.edit}
              </button>
              <button
                type="button"
                className="button text-clay"
                onClick={() =>
                  void trying(() => {
                    remove(shown.id)
                    setTicked(ticked.filter((id) => id !== shown.id))
                    setOpen(null)
                  })
                }
              >
                {words.remove}
              </button>
            </>
          )}
        </div>
        {problem}
        <ModuleSheets
          modules={open.flatMap((id) => modules.filter((module) => module.id === id))}
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
      {problem}
      <SheetTable
        sheets={found}
        columns={moduleColumnsAt(site)}
        ownIds={own.map(({ id }) => id)}
        chosenId={chosenId}
        sort={sort}
        onSort={setSort}
        ticked={ticked}
        mostTicked={mostCompared}
        onTick={setTicked}
        onOpen={(id) => setOpen([id])}
        onChoose={take}
      />
      <div className="mt-3 flex gap-3">
        <button type="button" className="button" onClick={() => setTyped({ module: null })}>
          {words.add}
        </button>
        <FileButton
          label={words.importCsv}
          accept=".csv,text/csv"
          className="button"
          onTake={([file]) =>
            file &&
            void trying(async () => {
              const count = await takeTable(file)
              toast(session, sayer.say(words.imported, { count }))
            })
          }
        />
        <button
          type="button"
          className="button"
          onClick={() => saveFile(moduleTable(modules.slice(0, 1)), 'modules.csv', 'text/csv')}
        >
          {words.template}
        </button>
        {own.length > 0 && (
          <button
            type="button"
            className="button"
            onClick={() => saveFile(moduleTable(own), 'modules.csv', 'text/csv')}
          >
            {words.exportOwn}
          </button>
        )}
      </div>
    </Sheet>
  )
}
