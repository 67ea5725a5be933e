'use client'

import { useState, type ReactNode } from 'react'
import { Fault } from '@/core/model/fault'
import { type SheetTexts } from '@/core/readers/sheet-columns'
import { later } from '@/words/en/later'
import { useBench, useSayer } from '../context'
import { FileButton } from '../fields/file-button'
import { saveFile } from '../save-file'
import { toast } from '../store/session'
import { OwnSheetForm, type FormField } from './own-sheet-form'
import { SheetTable, type Column, type Sorting } from './sheet-table'
import { SideBySide, type SheetLine } from './side-by-side'

const words = later.catalogue
const mostCompared = 4

interface Sheet {
  readonly id: string
  readonly name: string
}

/** How a shelf's own sheets are typed in. */
export interface ShelfForm<T> {
  readonly title: string
  readonly hint: string
  /** On the button that keeps one. */
  readonly saves: string
  readonly fields: readonly FormField[]
  readonly textsOf: (sheet: T) => SheetTexts
  /** The column that a fault is about, by its path. */
  readonly columnOf: (path: string) => string | null
  /** Keeps what was typed in the place of one, or of null as a new one. @throws Fault of the sheet */
  readonly save: (id: string | null, texts: SheetTexts) => void
}

/** How they are read from a table, and written as one. */
export interface ShelfTable<T> {
  readonly file: string
  /** @returns how many there were @throws Fault of the table */
  readonly take: (file: File) => Promise<number>
  readonly write: (sheets: readonly T[]) => string
  /** Says how many came. */
  readonly imported: string
}

interface Props<T extends Sheet, F extends string> {
  /** All there are, the job's own first. */
  readonly all: readonly T[]
  /** Those that are looked for, by a column. */
  readonly list: (by: F, down: boolean) => readonly T[]
  readonly columns: readonly Column<T, F>[]
  readonly sortedBy: Sorting<F>
  /** What narrows the list, and says how many there are. */
  readonly filters: ReactNode
  readonly found: string
  /** What some of them say, beside each other. */
  readonly parts: (
    sheets: readonly T[],
  ) => readonly { readonly title: string; readonly lines: readonly SheetLine[] }[]
  readonly ownIds: readonly string[]
  readonly chosenId: string | null
  readonly onChoose: (id: string) => void
  /** @throws Fault of one that is in use */
  readonly onRemove: (id: string) => void
  /** On the button for a new one. */
  readonly add: string
  readonly form: ShelfForm<T>
  readonly table: ShelfTable<T>
}

/** Data sheets of a sort: to look through, sort, compare and choose from, with the job's own among them. */
export function SheetShelf<T extends Sheet, F extends string>(props: Props<T, F>) {
  const { all, columns, filters, parts, ownIds, chosenId, onRemove, form, table } = props
  const { session } = useBench()
  const sayer = useSayer()
  const [sort, setSort] = useState(props.sortedBy)
  const [ticked, setTicked] = useState<readonly string[]>([])
  const [open, setOpen] = useState<readonly string[] | null>(null)
  /** The own sheet that is changed, null for a new one, and what stands in the form at first. */
  const [typed, setTyped] = useState<{ readonly id: string | null; readonly start: SheetTexts } | null>(null)
  const [wrong, setWrong] = useState<string | null>(null)
  const choose = (id: string) => {
    session.setState({ dialog: null })
    props.onChoose(id)
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
      <>
        <h3 className="mb-1 font-semibold">{form.title}</h3>
        <OwnSheetForm
          hint={form.hint}
          saves={form.saves}
          fields={form.fields}
          start={typed.start}
          columnOf={form.columnOf}
          onSave={(texts) => form.save(typed.id, texts)}
          onDone={() => setTyped(null)}
        />
      </>
    )
  if (open) {
    const sheets = open.flatMap((id) => all.filter((sheet) => sheet.id === id))
    return (
      <>
        <SheetDeeds
          only={sheets.length === 1 ? sheets[0] : undefined}
          ownIds={ownIds}
          onBack={() => {
            setWrong(null)
            setOpen(null)
          }}
          onCopy={(sheet) => {
            setOpen(null)
            setTyped({ id: null, start: form.textsOf(sheet) })
          }}
          onEdit={(sheet) => setTyped({ id: sheet.id, start: form.textsOf(sheet) })}
          onRemove={({ id }) =>
            void trying(() => {
              onRemove(id)
              setTicked(ticked.filter((other) => other !== id))
              setOpen(null)
            })
          }
        />
        {problem}
        <SideBySide sheets={sheets} chosenId={chosenId} onChoose={choose} parts={parts(sheets)} />
      </>
    )
  }
  const found = props.list(sort.by, sort.down)
  const save = (sheets: readonly T[]) => saveFile(table.write(sheets), table.file, 'text/csv')
  return (
    <>
      {filters}
      <div className="mb-1 flex items-baseline gap-3">
        <p role="status" className="font-semibold">
          {sayer.say(props.found, { count: found.length })}
        </p>
        <p className="quiet flex-1">{sayer.say(words.compareHint, { most: mostCompared })}</p>
        <button type="button" className="button" disabled={ticked.length < 2} onClick={() => setOpen(ticked)}>
          {sayer.say(words.compareThese, { count: ticked.length })}
        </button>
      </div>
      {problem}
      <SheetTable
        sheets={found}
        columns={columns}
        ownIds={ownIds}
        chosenId={chosenId}
        sort={sort}
        onSort={setSort}
        ticked={ticked}
        mostTicked={mostCompared}
        onTick={setTicked}
        onOpen={(id) => setOpen([id])}
        onChoose={choose}
      />
      <div className="mt-3 flex gap-3">
        <button type="button" className="button" onClick={() => setTyped({ id: null, start: {} })}>
          {props.add}
        </button>
        <FileButton
          label={words.importCsv}
          accept=".csv,text/csv"
          className="button"
          onTake={([file]) =>
            file &&
            void trying(async () => {
              const count = await table.take(file)
              toast(session, sayer.say(table.imported, { count }))
            })
          }
        />
        <button type="button" className="button" onClick={() => save(all.slice(0, 1))}>
          {words.template}
        </button>
        {ownIds.length > 0 && (
          <button
            type="button"
            className="button"
            onClick={() => save(all.filter(({ id }) => ownIds.includes(id)))}
          >
            {words.exportOwn}
          </button>
        )}
      </div>
    </>
  )
}

/** What can be done with the sheets that are open: one alone is copied, and an own one changed and deleted. */
function SheetDeeds<T extends Sheet>({
  only,
  ownIds,
  onBack,
  onCopy,
  onEdit,
  onRemove,
}: {
  readonly only: T | undefined
  readonly ownIds: readonly string[]
  readonly onBack: () => void
  readonly onCopy: (sheet: T) => void
  readonly onEdit: (sheet: T) => void
  readonly onRemove: (sheet: T) => void
}) {
  return (
    <div className="mb-3 flex gap-3">
      <button type="button" className="button" onClick={onBack}>
        {words.back}
      </button>
      {only && (
        <button type="button" className="button" onClick={() => onCopy(only)}>
          {words.copy}
        </button>
      )}
      {only && ownIds.includes(only.id) && (
        <>
          <button type="button" className="button" onClick={() => onEdit(only)}>
            {words.edit}
          </button>
          <button type="button" className="button text-clay" onClick={() => onRemove(only)}>
            {words.remove}
          </button>
        </>
      )}
    </div>
  )
}
