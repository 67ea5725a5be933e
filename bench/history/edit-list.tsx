'use client'

import { memo, useEffect, useMemo, useRef, useState } from 'react'
import { useStore } from 'zustand'
import { ofKind } from '@/core/kinds/documents'
import { momentName } from '@/words/format'
import { later } from '@/words/en/later'
import { type Sayer } from '@/words/sayer'
import { useBench, useSayer, useSite } from '../context'
import { houseId } from '../store/documents'
import { editGroups } from './edit-groups'
import { type PastEdit, type Reel } from './reel'
import { idsOf, saidEdit } from './said-edit'

/** Of a row, px; and rows drawn beyond the edges of what is seen, which is never higher than this. */
const rowPx = 64
const spare = 4
const highestPx = 1600

/** Every edit by whom and when, the newest first, those of one hand to one thing in a line; a press shows the job as it was after it. */
export function EditList({ reel }: { readonly reel: Reel }) {
  const words = later.history
  const sayer = useSayer()
  const { locale } = useSite()
  const { session } = useBench()
  const { edits, back, reach, reading, torn } = useStore(reel.store)
  const [by, setBy] = useState('')
  const people = useMemo(() => [...new Set(edits.map((edit) => edit.by))].sort(), [edits])
  const rows = useMemo(() => editGroups(edits, by), [edits, by])
  const ends = edits.length > 0 && !reading && !torn && reach === edits.length
  const { box, from, to, onScroll } = useSeen(
    back === edits.length ? rows.length : rows.findIndex(({ index, count }) => index + count > back),
  )
  const go = useMemo(
    () => (index: number, ids: readonly string[]) => {
      reel.go(index)
      session.setState({ lit: ids })
    },
    [reel, session],
  )
  return (
    <section
      aria-label={words.edits}
      className="fixed top-12 bottom-[124px] left-0 z-30 flex w-[220px] flex-col border-r border-line bg-card max-[900px]:hidden [@media(max-height:520px)]:hidden"
    >
      <div className="border-b border-line p-3 pb-2">
        <h2 className="font-semibold">{words.title}</h2>
        {people.length > 1 && (
          <label className="mt-1 flex items-center gap-2 text-[12px] text-pencil">
            {words.by}
            <select
              className="field min-w-0 flex-1"
              value={by}
              onChange={(event) => setBy(event.target.value)}
            >
              <option value="">{words.everybody}</option>
              {people.map((name) => (
                <option key={name}>{name}</option>
              ))}
            </select>
          </label>
        )}
      </div>
      <div ref={box} className="min-h-0 flex-1 overflow-y-auto" tabIndex={-1} onScroll={onScroll}>
        <ol className="relative" style={{ height: (rows.length + (ends ? 1 : 0)) * rowPx }}>
          {rows.slice(from, to).map(({ edit, index, count }, n) => (
            <EditRow
              key={edit.id}
              edit={edit}
              index={index}
              count={count}
              at={from + n}
              current={back >= index && back < index + count}
              disabled={index > reach}
              sayer={sayer}
              locale={locale}
              go={go}
            />
          ))}
          {ends && to >= rows.length && (
            <Row
              at={rows.length}
              current={back === edits.length}
              disabled={false}
              lines={[words.begin]}
              onGo={() => go(edits.length, [])}
            />
          )}
        </ol>
      </div>
    </section>
  )
}

/** The rows that are in sight; the current one always is when it changes. */
function useSeen(current: number) {
  const box = useRef<HTMLDivElement>(null)
  const [top, setTop] = useState(0)
  useEffect(() => {
    const scroller = box.current
    if (!scroller || current < 0) return
    const { scrollTop, clientHeight } = scroller
    const [high, low] = [current * rowPx, (current + 1) * rowPx]
    if (high < scrollTop) scroller.scrollTop = high
    else if (low > scrollTop + clientHeight) scroller.scrollTop = low - clientHeight
  }, [current])
  const from = Math.max(0, Math.floor(top / rowPx) - spare)
  return {
    box,
    from,
    to: from + Math.ceil(highestPx / rowPx) + spare,
    onScroll: () => setTop(box.current?.scrollTop ?? 0),
  }
}

/** Rows stay as they are while the film goes by. */
const EditRow = memo(function EditRow({
  edit,
  index,
  count,
  sayer,
  locale,
  go,
  ...row
}: {
  readonly edit: PastEdit
  readonly index: number
  readonly count: number
  readonly at: number
  readonly current: boolean
  readonly disabled: boolean
  readonly sayer: Sayer
  readonly locale: string
  readonly go: (index: number, ids: readonly string[]) => void
}) {
  const where = usePlace(edit, sayer)
  const said = saidEdit(edit.change, sayer)
  const lines = [
    count > 1 ? sayer.say(later.history.times, { what: said, count }) : said,
    momentName(edit.at, locale),
    [edit.by, where].filter(Boolean).join(' · '),
  ]
  return <Row {...row} lines={lines} onGo={() => go(index, idsOf(edit.change))} />
})

/** The house, or the option by its name of now, or of then where it is gone. */
function usePlace({ documentId, change }: PastEdit, sayer: Sayer): string {
  const words = later.history
  const { documents } = useBench()
  if (documentId === houseId) return words.house
  const [offer] = [documents.document(documentId), change.removed, change.added].flatMap((objects) =>
    ofKind(objects, 'offer'),
  )
  return offer ? sayer.say(words.option, { name: offer.name }) : ''
}

function Row({
  at,
  current,
  disabled,
  lines: [title, ...quiet],
  onGo,
}: {
  readonly at: number
  readonly current: boolean
  readonly disabled: boolean
  readonly lines: readonly string[]
  readonly onGo: () => void
}) {
  return (
    <li className="absolute inset-x-0" style={{ top: at * rowPx, height: rowPx }}>
      <button
        type="button"
        aria-current={current ? 'step' : undefined}
        disabled={disabled}
        title={[title, ...quiet].join(' · ')}
        onClick={onGo}
        className={`block h-full w-full cursor-pointer border-b border-line px-3 text-left leading-tight ${current ? 'bg-fold' : 'hover:bg-fold'}`}
      >
        <span className="block truncate">{title}</span>
        {quiet.map((line) => (
          <span key={line} className="quiet block truncate text-[12px]">
            {line}
          </span>
        ))}
      </button>
    </li>
  )
}
