import { fitDiode } from '../energy/fit-diode'
import { type ModuleType } from '../electrical/catalogue'
import { ownModuleSchema, type OwnModule } from '../kinds/own-module/own-module'
import { Fault } from '../model/fault'
import { faultOf } from '../model/rules'
import {
  flagIn,
  neededIn,
  numbersIn,
  saidIn,
  sheetsFromTable,
  tableOfSheets,
  textsOfNumbers,
  toldOfColumn,
  type SheetColumn,
} from './sheet-columns'

/** Columns of a table of modules; one that must be filled in is `needed`. `factor` leads from its unit to the sheet's. */
export const moduleColumns = {
  name: { needed: true },
  maker: { needed: false },
  power_w: { needed: true, of: 'powerW', factor: 1 },
  length_m: { needed: true, of: 'lengthM', factor: 1, length: true },
  width_m: { needed: true, of: 'widthM', factor: 1, length: true },
  thickness_m: { needed: false, of: 'thicknessM', factor: 1, length: true },
  weight_kg: { needed: false, of: 'weightKg', factor: 1 },
  voc_v: { needed: true, of: 'vocV', factor: 1 },
  vmp_v: { needed: true, of: 'vmpV', factor: 1 },
  isc_a: { needed: true, of: 'iscA', factor: 1 },
  imp_a: { needed: true, of: 'impA', factor: 1 },
  power_pct_per_c: { needed: true, of: 'powerPerK', factor: 0.01 },
  voc_pct_per_c: { needed: true, of: 'vocPerK', factor: 0.01 },
  isc_pct_per_c: { needed: true, of: 'iscPerK', factor: 0.01 },
  degradation_pct: { needed: false, of: 'degradation', factor: 0.01 },
  cells: { needed: false, of: 'cells', factor: 1 },
  bypass_diodes: { needed: false, of: 'strips', factor: 1 },
  half_cut: { needed: false },
  cell: { needed: false },
  plus_only: { needed: false },
  look: { needed: false },
  price: { needed: true, of: 'price', factor: 1 },
} as const satisfies Readonly<Record<string, SheetColumn>>
export type ModuleColumn = keyof typeof moduleColumns
export const moduleColumnNames = Object.keys(moduleColumns) as readonly ModuleColumn[]

export type ModuleTexts = Readonly<Partial<Record<ModuleColumn, string>>>
export type OwnSheet = Omit<OwnModule, 'id' | 'kind'>

/** Of what a table does not say: the usual. */
const usual = {
  maker: '',
  strips: 3,
  halves: 1,
  cell: 'p-type',
  sortedUp: false,
  degradation: 0.005,
} as const

/** How far Vmp times Imp may be from the rated power. */
const powerShare = 0.03

/**
 * A data sheet from what stands in a table's row or in a form.
 * @throws Fault `sheet-cell` with the column; `bad-object` with the sheet's field as its path; `module-power` and
 * `sheet-contradicts` where its figures do not belong together
 */
export function sheetFrom(texts: ModuleTexts, locale: string): OwnSheet {
  const said = (column: ModuleColumn) => saidIn(texts, column)
  const sheet = {
    ...usual,
    name: neededIn(texts, 'name'),
    ...numbersIn(moduleColumns, texts, locale),
    maker: said('maker'),
    halves: flagIn(texts, 'half_cut') ? 2 : 1,
    sortedUp: flagIn(texts, 'plus_only'),
    ...(said('cell') === '' ? {} : { cell: said('cell') }),
    ...(said('look') === '' ? {} : { colour: said('look').replaceAll(' ', '-') }),
  }
  const parsed = ownModuleSchema.safeParse({ ...sheet, id: 'x', kind: 'own-module' })
  if (!parsed.success) {
    const fault = faultOf(parsed.error, 'bad-object')
    throw toldOfColumn(fault, columnOf(fault.path))
  }
  const { id: _id, kind: _kind, ...own } = parsed.data
  checkFigures(own)
  return own
}

function checkFigures(sheet: OwnSheet): void {
  const product = sheet.vmpV * sheet.impA
  if (Math.abs(product / sheet.powerW - 1) > powerShare)
    throw new Fault('module-power', {
      product: { value: product, unit: 'W', digits: 0 },
      power: { value: sheet.powerW, unit: 'W', digits: 0 },
    })
  // What behaves like no module is refused here, not when somebody lays it.
  fitDiode(sheet)
}

const otherFields: Readonly<Record<string, ModuleColumn>> = {
  colour: 'look',
  halves: 'half_cut',
  sortedUp: 'plus_only',
}

/** The column that a fault is about, by the fault's path: a column or a field of the sheet; null where it is neither. */
export const columnOf = (path: string): ModuleColumn | null =>
  moduleColumnNames.find((name) => {
    const column = moduleColumns[name]
    return name === path || ('of' in column && column.of === path)
  }) ??
  otherFields[path] ??
  null

/**
 * Data sheets from a table with a heading line; columns in any order, by their names.
 * @throws Fault as `sheetsFromTable`
 */
export const readModuleTable = (text: string): OwnSheet[] => sheetsFromTable(moduleColumns, text, sheetFrom)

/** What a sheet says, as a row of such a table. @param write a number as it is to be read again */
export const textsOf = (sheet: Omit<ModuleType, 'id'>, write?: (value: number) => string): ModuleTexts => ({
  ...textsOfNumbers(moduleColumns, sheet, write),
  name: sheet.name,
  maker: sheet.maker,
  half_cut: sheet.halves === 2 ? 'yes' : 'no',
  cell: sheet.cell,
  plus_only: sheet.sortedUp ? 'yes' : 'no',
  ...(sheet.colour === undefined ? {} : { look: sheet.colour }),
})

/** Data sheets as a table that `readModuleTable` takes. */
export const moduleTable = (sheets: readonly Omit<ModuleType, 'id'>[]): string =>
  tableOfSheets(
    moduleColumns,
    sheets.map((sheet) => textsOf(sheet)),
  )
