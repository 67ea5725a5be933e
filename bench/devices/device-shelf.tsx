'use client'

import { type ReactNode } from 'react'
import { sortedSheets } from '@/core/electrical/sheet-list'
import {
  deviceColumnOf,
  deviceColumns,
  deviceTable,
  deviceTexts,
  type Devices,
  type DeviceType,
} from '@/core/readers/device-table'
import { type SheetTexts } from '@/core/readers/sheet-columns'
import { later } from '@/words/en/later'
import { money } from '@/words/format'
import { formFigure } from '../catalogue/form-figure'
import { type FormField } from '../catalogue/own-sheet-form'
import { SheetShelf } from '../catalogue/sheet-shelf'
import { type Column } from '../catalogue/sheet-table'
import { type SheetLine } from '../catalogue/side-by-side'
import { useSite } from '../context'
import { useOwnDevices } from './own-devices'

const words = later.devices
const common = later.catalogue

const choices: Readonly<Partial<Record<string, FormField['choices']>>> = {
  phases: [
    ['', words.onePhase],
    ['3', words.threePhases],
  ],
  step_down: [
    ['no', common.no],
    ['yes', common.yes],
  ],
}
const labelOf = (column: string): string =>
  (words.fields as Readonly<Partial<Record<string, string>>>)[column] ?? column
const fieldsOf = (type: DeviceType): readonly FormField[] =>
  Object.entries(deviceColumns[type]).map(([column, { needed }]) => {
    const offered = choices[column]
    return { column, label: labelOf(column), needed, ...(offered ? { choices: offered } : {}) }
  })
const says = (texts: SheetTexts, column: string): boolean => (texts[column] ?? '') !== ''

/** What a column shows of a sheet, and the figure that it is sorted by; the name has none. */
export interface ShelfColumn<T> extends Column<T, string> {
  readonly of: ((sheet: T) => number | undefined) | null
}

/** Devices of a type: to look through, sort, compare and choose from, with the job's own among them. */
export function DeviceShelf<K extends DeviceType>({
  type,
  all,
  found,
  columns,
  filters,
  here,
}: {
  readonly type: K
  /** All there are, the job's own first, and those of them that are looked for. */
  readonly all: readonly Devices[K][]
  readonly found: readonly Devices[K][]
  readonly columns: readonly ShelfColumn<Devices[K]>[]
  /** What narrows the list. */
  readonly filters: ReactNode
  /** What some of them would be in this option. */
  readonly here: (sheets: readonly Devices[K][]) => readonly SheetLine[]
}) {
  const site = useSite()
  const { ownIds, chosenId, choose, take, save, remove } = useOwnDevices(type)
  const fields = fieldsOf(type)
  const textsOf = (sheet: Devices[K]) => deviceTexts(type, sheet, (value) => formFigure(value, site.locale))
  /** What at least one of them says, line by line. */
  const linesOf = (sheets: readonly Devices[K][]): SheetLine[] => {
    const texts = sheets.map((sheet): SheetTexts => ({
      phases: '1',
      ...textsOf(sheet),
      price: money(sheet.price, site),
    }))
    return fields
      .filter(({ column }) => column !== 'name' && texts.some((of) => says(of, column)))
      .map(({ column, label }) => [
        label,
        texts.map((of) => (says(of, column) ? (of[column] ?? '') : common.unsaid)),
      ])
  }
  return (
    <SheetShelf
      all={all}
      list={(by, down) =>
        sortedSheets<Devices[K]>(found, columns.find((column) => column.by === by)?.of ?? null, down)
      }
      columns={columns}
      sortedBy={{ by: columns[1]?.by ?? '', down: false }}
      filters={filters}
      found={words.found[type]}
      parts={(sheets) => {
        const lines = here(sheets)
        return [
          ...(lines.length > 0 ? [{ title: words.here, lines }] : []),
          { title: common.sheet, lines: linesOf(sheets) },
        ]
      }}
      ownIds={ownIds}
      chosenId={chosenId}
      onChoose={choose}
      onRemove={remove}
      add={words.add[type]}
      form={{
        title: words.formTitle[type],
        hint: words.formHint,
        saves: words.save[type],
        fields,
        textsOf,
        columnOf: (path) => deviceColumnOf(type, path),
        save,
      }}
      table={{
        file: `${type}.csv`,
        take,
        write: (sheets) => deviceTable(type, sheets),
        imported: words.imported,
      }}
    />
  )
}
