'use client'

import { useState } from 'react'
import { listModules, type ModuleFilter } from '@/core/electrical/module-list'
import { moduleColours } from '@/core/model/module-sheet'
import { coverId } from '@/core/kinds/cover/cover'
import { theOne } from '@/core/kinds/documents'
import { parseNumber } from '@/core/model/numbers'
import { formatLength, parseLength } from '@/core/model/units'
import { columnOf, moduleTable, textsOf } from '@/core/readers/module-table'
import { later } from '@/words/en/later'
import { number } from '@/words/format'
import { formFigure } from '../catalogue/form-figure'
import { SheetShelf } from '../catalogue/sheet-shelf'
import { useBench, useOption, useSite } from '../context'
import { ChoiceField } from '../fields/fields'
import { TextField } from '../fields/text-field'
import { Sheet } from '../sheet'
import { moduleColumnsAt } from './module-columns'
import { moduleFields } from './module-fields'
import { useModuleParts } from './module-parts'
import { useOwnModules } from './own-modules'
import { useModuleChoosing } from './use-module-choosing'

const words = later.catalogue
const everything: ModuleFilter = { text: '', colour: 'any', leastW: 0, mostLengthM: Infinity }

/** The catalogue of modules: to look through, sort, compare and choose from. */
export function ModulesSheet() {
  const { session } = useBench()
  const { modules, own, take, save, remove } = useOwnModules()
  const option = useOption()
  const site = useSite()
  const { choose } = useModuleChoosing()
  const parts = useModuleParts()
  const [filter, setFilter] = useState(everything)
  return (
    <Sheet title={words.title} onClose={() => session.setState({ dialog: null })}>
      <SheetShelf
        all={modules}
        list={(by, down) => listModules(modules, filter, by, down)}
        columns={moduleColumnsAt(site)}
        sortedBy={{ by: 'powerW', down: true }}
        filters={<Filters filter={filter} onChange={setFilter} />}
        found={words.found}
        parts={parts}
        ownIds={own.map(({ id }) => id)}
        chosenId={theOne(option, 'cover', coverId).moduleId}
        onChoose={choose}
        onRemove={remove}
        add={words.add}
        form={{
          title: words.formTitle,
          hint: words.formHint,
          saves: words.save,
          fields: moduleFields,
          textsOf: (module) => textsOf(module, (value) => formFigure(value, site.locale)),
          columnOf,
          save,
        }}
        table={{ file: 'modules.csv', take, write: moduleTable, imported: words.imported }}
      />
    </Sheet>
  )
}

function Filters({
  filter,
  onChange,
}: {
  readonly filter: ModuleFilter
  readonly onChange: (filter: ModuleFilter) => void
}) {
  const site = useSite()
  const set = (changed: Partial<ModuleFilter>) => {
    onChange({ ...filter, ...changed })
    return null
  }
  return (
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
  )
}
