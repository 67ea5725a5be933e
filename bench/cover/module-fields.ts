import { moduleColours } from '@/core/model/module-sheet'
import { moduleColumnNames, moduleColumns, type ModuleColumn } from '@/core/readers/module-table'
import { later } from '@/words/en/later'
import { type FormField } from '../catalogue/own-sheet-form'

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

/** The data sheet of a module as fields of a form. */
export const moduleFields = moduleColumnNames.map((column): FormField => {
  const offered = choices[column]
  return {
    column,
    label: words.fields[column],
    needed: moduleColumns[column].needed,
    ...(offered ? { choices: offered } : {}),
  }
})
