'use client'

import { useState, type ReactNode } from 'react'
import { sortedSheets } from '@/core/electrical/sheet-list'
import { Fault } from '@/core/model/fault'
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
import { OwnSheetForm, type FormField } from '../catalogue/own-sheet-form'
import { SheetTable, type Column, type Sorting } from '../catalogue/sheet-table'
import { SideBySide, type SheetLine } from '../catalogue/side-by-side'
import { useBench, useSayer, useSite } from '../context'
import { FileButton } from '../fields/file-button'
import { saveFile } from '../save-file'
import { toast } from '../store/session'
import { useOwnDevices } from './own-devices'

const words = later.devices
const common = later.catalogue
const mostCompared = 4

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

/** What a column shows of a sheet, and the figure that it is sorted by; the name has none. */
export interface ShelfColumn<T> extends Column<T, string> {
  readonly of: ((sheet: T) => number | undefined) | null
}

interface Props<K extends DeviceType> {
  readonly type: K
  /** All there are, the job's own first, and those of them that are looked for. */
  readonly all: readonly Devices[K][]
  readonly found: readonly Devices[K][]
  readonly columns: readonly ShelfColumn<Devices[K]>[]
  /** What narrows the list. */
  readonly filters: ReactNode
  /** What some of them would be in this option. */
  readonly here: (sheets: readonly Devices[K][]) => readonly SheetLine[]
}

/** Devices of a type: to look through, sort, compare and choose from, with the job's own among them. */
export function DeviceShelf<K extends DeviceType>({ type, all, found, columns, filters, here }: Props<K>) {
  const { session } = useBench()
  const site = useSite()
  const sayer = useSayer()
  const { ownIds, chosenId, choose, take, save, remove } = useOwnDevices(type)
  const [sort, setSort] = useState<Sorting<string>>({ by: columns[1]?.by ?? '', down: false })
  const [ticked, setTicked] = useState<readonly string[]>([])
  const [open, setOpen] = useState<readonly string[] | null>(null)
  /** The own device that is changed, null for a new one, and what stands in the form at first. */
  const [typed, setTyped] = useState<{ readonly id: string | null; readonly start: SheetTexts } | null>(null)
  const [wrong, setWrong] = useState<string | null>(null)
  const close = () => session.setState({ dialog: null })
  const chosen = (id: string) => {
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
  const textsOf = (sheet: Devices[K]) => deviceTexts(type, sheet, (value) => formFigure(value, site.locale))
  const problem = wrong !== null && (
    <p role="alert" className="my-2 rounded-md bg-clay-soft p-2 text-clay">
      {wrong}
    </p>
  )
  if (typed)
    return (
      <>
        <h3 className="mb-1 font-semibold">{words.formTitle[type]}</h3>
        <OwnSheetForm
          hint={words.formHint}
          saves={words.save[type]}
          fields={fieldsOf(type)}
          start={typed.start}
          columnOf={(path) => deviceColumnOf(type, path)}
          onSave={(texts) => save(typed.id, texts)}
          onDone={() => setTyped(null)}
        />
      </>
    )
  if (open) {
    const sheets = open.flatMap((id) => all.filter((sheet) => sheet.id === id))
    const [only] = sheets.length === 1 ? sheets : []
    const isOwn = only !== undefined && ownIds.includes(only.id)
    const texts = sheets.map((sheet): SheetTexts => ({
      phases: '1',
      ...textsOf(sheet),
      price: money(sheet.price, site),
    }))
    const lines = here(sheets)
    const back = () => {
      setWrong(null)
      setOpen(null)
    }
    return (
      <>
        <div className="mb-3 flex gap-3">
          <button type="button" className="button" onClick={back}>
            {common.back}
          </button>
          {only && (
            <button
              type="button"
              className="button"
              onClick={() => {
                back()
                setTyped({ id: null, start: textsOf(only) })
              }}
            >
              {words.copy}
            </button>
          )}
          {only && isOwn && (
            <>
              <button
                type="button"
                className="button"
                onClick={() => setTyped({ id: only.id, start: textsOf(only) })}
              >
                {common.edit}
              </button>
              <button
                type="button"
                className="button text-clay"
                onClick={() =>
                  void trying(() => {
                    remove(only.id)
                    setTicked(ticked.filter((id) => id !== only.id))
                    setOpen(null)
                  })
                }
              >
                {common.remove}
              </button>
            </>
          )}
        </div>
        {problem}
        <SideBySide
          sheets={sheets}
          chosenId={chosenId}
          onChoose={chosen}
          parts={[
            ...(lines.length > 0 ? [{ title: words.here, lines }] : []),
            {
              title: common.sheet,
              lines: fieldsOf(type)
                .filter(({ column }) => column !== 'name' && texts.some((of) => saysIt(of, column)))
                .map(({ column, label }) => [
                  label,
                  texts.map((of) => (saysIt(of, column) ? (of[column] ?? '') : common.unsaid)),
                ]),
            },
          ]}
        />
      </>
    )
  }
  const by = columns.find((column) => column.by === sort.by)
  return (
    <>
      {filters}
      <div className="mb-1 flex items-baseline gap-3">
        <p role="status" className="font-semibold">
          {sayer.say(words.found[type], { count: found.length })}
        </p>
        <p className="quiet flex-1">{sayer.say(common.compareHint, { most: mostCompared })}</p>
        <button type="button" className="button" disabled={ticked.length < 2} onClick={() => setOpen(ticked)}>
          {sayer.say(common.compareThese, { count: ticked.length })}
        </button>
      </div>
      {problem}
      <SheetTable
        sheets={sortedSheets<Devices[K]>(found, by?.of ?? null, sort.down)}
        columns={columns}
        ownIds={ownIds}
        chosenId={chosenId}
        sort={sort}
        onSort={setSort}
        ticked={ticked}
        mostTicked={mostCompared}
        onTick={setTicked}
        onOpen={(id) => setOpen([id])}
        onChoose={chosen}
      />
      <div className="mt-3 flex gap-3">
        <button type="button" className="button" onClick={() => setTyped({ id: null, start: {} })}>
          {words.add[type]}
        </button>
        <FileButton
          label={common.importCsv}
          accept=".csv,text/csv"
          className="button"
          onTake={([file]) =>
            file &&
            void trying(async () => {
              const count = await take(file)
              toast(session, sayer.say(words.imported, { count }))
            })
          }
        />
        <button
          type="button"
          className="button"
          onClick={() => saveFile(deviceTable(type, all.slice(0, 1)), `${type}.csv`, 'text/csv')}
        >
          {common.template}
        </button>
        {ownIds.length > 0 && (
          <button
            type="button"
            className="button"
            onClick={() =>
              saveFile(
                deviceTable(
                  type,
                  all.filter(({ id }) => ownIds.includes(id)),
                ),
                `${type}.csv`,
                'text/csv',
              )
            }
          >
            {common.exportOwn}
          </button>
        )}
      </div>
    </>
  )
}

const saysIt = (texts: SheetTexts, column: string): boolean => (texts[column] ?? '') !== ''
