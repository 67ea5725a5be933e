'use client'

import { moduleColours } from '@/core/model/module-sheet'
import { type OwnModule } from '@/core/kinds/own-module/own-module'
import { newId } from '@/core/model/new-id'
import {
  columnOf,
  moduleColumnNames,
  moduleColumns,
  sheetFrom,
  textsOf,
  type ModuleColumn,
} from '@/core/readers/module-table'
import { later } from '@/words/en/later'
import { formFigure } from '../catalogue/form-figure'
import { OwnSheetForm, type FormField } from '../catalogue/own-sheet-form'
import { useBench, useSite } from '../context'
import { houseId } from '../store/documents'

const words = later.catalogue
const yesOrNo = [
  ['no', words.no],
  ['yes', words.yes],
] as const
const choices: Readonly<Partial<Record<ModuleColumn, FormField['choices']>>> = {
  half_cut: yesOrNo,
  plus_only: yesOrNo,
  cell: [
    ['p-type', 'p-type'],
    ['n-type', 'n-type'],
  ],
  look: [['', words.unsaid], ...moduleColours.map((colour) => [colour, words.colours[colour]] as const)],
}
const fields = moduleColumnNames.map((column): FormField => {
  const offered = choices[column]
  return {
    column,
    label: words.fields[column],
    needed: moduleColumns[column].needed,
    ...(offered ? { choices: offered } : {}),
  }
})

/** A module of the job's own, typed in or changed; kept when its figures belong together. */
export function OwnModuleForm({
  module,
  onDone,
}: {
  /** The one to change; null for a new one. */
  readonly module: OwnModule | null
  readonly onDone: () => void
}) {
  const { documents } = useBench()
  const site = useSite()
  return (
    <OwnSheetForm
      hint={words.formHint}
      saves={words.save}
      fields={fields}
      start={module ? textsOf(module, (value) => formFigure(value, site.locale)) : {}}
      columnOf={columnOf}
      onSave={(texts) => {
        const sheet = sheetFrom(texts, site.locale)
        const id = module?.id ?? newId('module', Math.random)
        const { fault } = documents.edit(module ? words.changed : words.added, houseId, (before) => ({
          ...before,
          [id]: { ...sheet, id, kind: 'own-module' },
        }))
        if (fault) throw fault
      }}
      onDone={onDone}
    />
  )
}
