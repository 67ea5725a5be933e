'use client'

import { type ReactNode } from 'react'
import { useBench } from '../context'

/** The box of a card: what it is about, its measures, and how to delete it. */
export function Frame({
  title,
  kind,
  children,
  actions = [],
  onDelete,
}: {
  readonly title: string
  readonly kind: string
  readonly children: ReactNode
  /** What else can be done with the whole of it. */
  readonly actions?: readonly { readonly label: string; readonly hint: string; readonly run: () => void }[]
  readonly onDelete?: () => void
}) {
  const { session } = useBench()
  return (
    <aside
      aria-label={`${title}, ${kind}`}
      className="max-h-full w-56 overflow-y-auto rounded-lg border border-line bg-card px-3 py-2 shadow-md"
    >
      <div className="mb-1 flex cursor-grab touch-none items-baseline gap-2" data-card-head>
        <h3 className="min-w-0 flex-1 truncate text-[14px] font-semibold">{title}</h3>
        <span className="quiet">{kind}</span>
        <button
          type="button"
          aria-label="Close the card"
          className="cursor-pointer px-1 text-pencil hover:text-ink"
          onClick={() => session.setState({ selection: null })}
        >
          ×
        </button>
      </div>
      {children}
      {onDelete && (
        <div className="mt-1.5 flex flex-wrap gap-x-2.5 text-[12px]">
          {actions.map(({ label, hint, run }) => (
            <button
              key={label}
              type="button"
              title={hint}
              className="cursor-pointer text-verdigris hover:underline"
              onClick={run}
            >
              {label}
            </button>
          ))}
          <button type="button" className="cursor-pointer text-clay hover:underline" onClick={onDelete}>
            Delete
          </button>
        </div>
      )}
    </aside>
  )
}

/** A measure that follows from others. */
export function Fact({
  label,
  value,
  unit = '',
}: {
  readonly label: string
  readonly value: string
  readonly unit?: string
}) {
  return (
    <div className="flex items-baseline gap-2 py-0.5">
      <span className="flex-1 text-pencil">{label}</span>
      <span className="font-semibold">
        {value} <span className="text-[12px] font-normal text-pencil">{unit}</span>
      </span>
    </div>
  )
}
