'use client'

import Link from 'next/link'
import { Fragment } from 'react'
import { useStore } from 'zustand'
import { useBench, useSession, useSite } from '../context'
import { lazyPart } from '../lazy-parts'
import { SaveState } from '../saving/save-state'
import { Checks } from './checks'
import { OptionTabs } from './option-tabs'

const OthersPanel = lazyPart('OthersPanel')

/** What else there is to know of a job. */
const talks = [
  ['history', 'History'],
  ['comments', 'Comments'],
] as const

/** Job, saving, undo, options, checks, and the way to the offer. */
export function TopBar({ name }: { readonly name: string }) {
  const { documents, session, line } = useBench()
  const othersHere = useStore(line.store, (s) => s.present.length > 0)
  const comments = useStore(line.store, (s) => s.comments.open)
  const site = useSite()
  const canUndo = useStore(documents.store, (s) => s.done.length > 0)
  const canRedo = useStore(documents.store, (s) => s.undone.length > 0)
  const { leftFolded, rightFolded } = useSession((s) => s)
  return (
    <header className="flex min-w-0 items-center gap-2 border-b border-line bg-card px-3">
      <Link href="/" aria-label="All jobs" title="All jobs" className="shrink-0 rounded p-1 hover:bg-fold">
        <svg
          width="22"
          height="22"
          viewBox="0 0 24 24"
          aria-hidden
          className="fill-none stroke-ink stroke-[1.8]"
        >
          <path d="M3 21 V11 L9 3 L15 11 V21 M15 14 H21 V21 M9 3 L18 3 L21 8" strokeLinejoin="round" />
        </svg>
      </Link>
      <button
        type="button"
        className="cursor-pointer rounded px-1 text-pencil hover:bg-fold"
        aria-pressed={leftFolded}
        aria-label="Fold the outline"
        title="Fold the outline ([)"
        onClick={() => session.setState({ leftFolded: !leftFolded })}
      >
        {leftFolded ? '⟩' : '⟨'}
      </button>
      <div className="min-w-0 shrink leading-tight">
        <h1 className="truncate text-[14px] font-semibold">{name}</h1>
        <p className="quiet truncate">
          {site.address} · <SaveState />
          {talks.map(([dialog, label]) => (
            <Fragment key={dialog}>
              {' · '}
              <button
                type="button"
                className="cursor-pointer underline"
                onClick={() => session.setState({ dialog })}
              >
                {label}
                {dialog === 'comments' && comments > 0 && ` (${comments})`}
              </button>
            </Fragment>
          ))}
        </p>
      </div>
      <div className="flex shrink-0 gap-0.5">
        <button
          type="button"
          className="button h-7 px-2"
          disabled={!canUndo}
          aria-label="Undo"
          title="Undo (Ctrl-Z)"
          onClick={() => documents.undo()}
        >
          ↶
        </button>
        <button
          type="button"
          className="button h-7 px-2"
          disabled={!canRedo}
          aria-label="Redo"
          title="Redo (Ctrl-Shift-Z)"
          onClick={() => documents.redo()}
        >
          ↷
        </button>
      </div>
      {othersHere && <OthersPanel />}
      <OptionTabs />
      <Checks />
      <button
        type="button"
        className="button button-main shrink-0"
        onClick={() => session.setState({ chapter: 'offer' })}
      >
        Offer
      </button>
      <button
        type="button"
        className="cursor-pointer rounded px-1 text-pencil hover:bg-fold"
        aria-pressed={rightFolded}
        aria-label="Fold the ledger"
        title="Fold the ledger (])"
        onClick={() => session.setState({ rightFolded: !rightFolded })}
      >
        {rightFolded ? '⟨' : '⟩'}
      </button>
    </header>
  )
}
