'use client'

import { later } from '@/words/en/later'
import { useSayer } from '../context'

const words = later.catalogue

interface Sheet {
  readonly id: string
  readonly name: string
}

/** What a list is sorted by. */
export interface Sorting<F extends string> {
  readonly by: F
  readonly down: boolean
}

export interface Column<T, F extends string> {
  readonly by: F
  readonly label: string
  readonly written: (sheet: T) => string
}

/** Data sheets one below the other, sorted by the column whose head was pressed; the first column is the name. */
export function SheetTable<T extends Sheet, F extends string>({
  sheets,
  columns,
  ownIds,
  chosenId,
  sort,
  onSort,
  ticked,
  mostTicked,
  onTick,
  onOpen,
  onChoose,
}: {
  readonly sheets: readonly T[]
  readonly columns: readonly Column<T, F>[]
  /** Those that the job has brought itself. */
  readonly ownIds: readonly string[]
  readonly chosenId: string | null
  readonly sort: Sorting<F>
  readonly onSort: (sort: Sorting<F>) => void
  readonly ticked: readonly string[]
  readonly mostTicked: number
  readonly onTick: (ids: readonly string[]) => void
  readonly onOpen: (id: string) => void
  readonly onChoose: (id: string) => void
}) {
  const sayer = useSayer()
  const tick = (id: string, on: boolean) =>
    onTick(on ? [...ticked, id] : ticked.filter((other) => other !== id))
  return (
    <table className="w-full text-[13px]">
      <thead>
        <tr className="border-b border-line text-left">
          <td className="w-6" />
          {columns.map(({ by, label }, k) => (
            <th
              key={by}
              aria-sort={sort.by === by ? (sort.down ? 'descending' : 'ascending') : 'none'}
              className={`font-normal ${k === 0 ? '' : 'text-right'}`}
            >
              <button
                type="button"
                className="cursor-pointer py-1 text-pencil hover:text-ink"
                onClick={() => onSort({ by, down: sort.by === by ? !sort.down : k > 0 })}
              >
                {label}
                <span aria-hidden>{sort.by === by ? (sort.down ? ' ↓' : ' ↑') : ''}</span>
              </button>
            </th>
          ))}
          <td />
        </tr>
      </thead>
      <tbody>
        {sheets.map((sheet) => (
          <tr
            key={sheet.id}
            className={`border-b border-line/60 ${sheet.id === chosenId ? 'bg-verdigris-soft' : ''}`}
          >
            <td>
              <input
                type="checkbox"
                aria-label={sayer.say(words.compare, { name: sheet.name })}
                checked={ticked.includes(sheet.id)}
                disabled={!ticked.includes(sheet.id) && ticked.length >= mostTicked}
                onChange={(event) => tick(sheet.id, event.target.checked)}
              />
            </td>
            {columns.map(({ by, written }, k) =>
              k === 0 ? (
                <td key={by} className="py-1">
                  <button
                    type="button"
                    className="cursor-pointer text-left hover:underline"
                    onClick={() => onOpen(sheet.id)}
                  >
                    {written(sheet)}
                  </button>
                  {ownIds.includes(sheet.id) && <span className="quiet ml-1">{words.own}</span>}
                </td>
              ) : (
                <td key={by} className="text-right whitespace-nowrap">
                  {written(sheet)}
                </td>
              ),
            )}
            <td className="pl-2 text-right">
              <Choose sheet={sheet} chosenId={chosenId} onChoose={onChoose} />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

/** Says that a sheet is the chosen one, or chooses it. */
export function Choose({
  sheet: { id, name },
  chosenId,
  onChoose,
}: {
  readonly sheet: Sheet
  readonly chosenId: string | null
  readonly onChoose: (id: string) => void
}) {
  const sayer = useSayer()
  return id === chosenId ? (
    <span className="font-normal text-pencil">{words.chosen}</span>
  ) : (
    <button
      type="button"
      aria-label={sayer.say(words.chooseThis, { name })}
      className="cursor-pointer font-normal text-verdigris hover:underline"
      onClick={() => onChoose(id)}
    >
      {words.choose}
    </button>
  )
}
