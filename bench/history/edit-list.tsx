'use client'

import { useMemo, useRef, useState } from 'react'
import { useStore } from 'zustand'
import { ofKind } from '@/core/kinds/documents'
import { momentName } from '@/words/format'
import { later } from '@/words/en/later'
import { useBench, useSayer, useSite } from '../context'
import { houseId } from '../store/documents'
import { type PastEdit, type Reel } from './reel'
import { idsOf, saidEdit } from './said-edit'

/** Of a row, px; and rows drawn beyond the edges of what is seen. */
const rowPx = 64
const spare = 6

/** Every edit by whom and when, the newest first; a press shows the job as it was after it. */
export function EditList({ reel }: { readonly reel: Reel }) {
  const words = later.history
  const sayer = useSayer()
  const { locale } = useSite()
  const { session, documents } = useBench()
  const { edits, back, reach, reading, torn } = useStore(reel.store)
  const [by, setBy] = useState('')
  const [top, setTop] = useState(0)
  const box = useRef<HTMLDivElement>(null)
  const people = useMemo(() => [...new Set(edits.map((edit) => edit.by))].sort(), [edits])
  const rows = useMemo(
    () => edits.map((edit, index) => ({ edit, index })).filter(({ edit }) => by === '' || edit.by === by),
    [edits, by],
  )
  const ends = !reading && !torn && reach === edits.length
  const height = 900
  const from = Math.max(0, Math.floor(top / rowPx) - spare)
  const shown = rows.slice(from, from + Math.ceil(height / rowPx) + 2 * spare)
  const place = (edit: PastEdit) => {
    if (edit.documentId === houseId) return words.house
    const [offer] = [documents.document(edit.documentId), edit.change.removed, edit.change.added].flatMap(
      (objects) => ofKind(objects, 'offer'),
    )
    return offer ? sayer.say(words.option, { name: offer.name }) : ''
  }
  const go = (index: number, ids: readonly string[]) => {
    reel.go(index)
    session.setState({ lit: ids })
  }
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
      <div
        ref={box}
        className="min-h-0 flex-1 overflow-y-auto"
        tabIndex={-1}
        onScroll={(event) => setTop(event.currentTarget.scrollTop)}
      >
        <ol className="relative" style={{ height: (rows.length + (ends ? 1 : 0)) * rowPx }}>
          {shown.map(({ edit, index }, n) => (
            <Row
              key={edit.id}
              at={from + n}
              current={back === index}
              disabled={index > reach}
              title={saidEdit(edit.change, sayer)}
              quiet={[momentName(edit.at, locale), [edit.by, place(edit)].filter(Boolean).join(' · ')]}
              onGo={() => go(index, idsOf(edit.change))}
            />
          ))}
          {ends && from + shown.length >= rows.length && (
            <Row
              at={rows.length}
              current={back === edits.length && edits.length > 0}
              title={words.begin}
              quiet={[]}
              onGo={() => go(edits.length, [])}
            />
          )}
        </ol>
      </div>
    </section>
  )
}

function Row({
  at,
  current,
  disabled = false,
  title,
  quiet,
  onGo,
}: {
  readonly at: number
  readonly current: boolean
  readonly disabled?: boolean
  readonly title: string
  readonly quiet: readonly string[]
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
