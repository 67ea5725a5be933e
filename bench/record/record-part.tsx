import { type ReactNode } from 'react'

/** A part of the record with its heading, what is done there, and what to do while it is empty. */
export function RecordPart({
  title,
  action,
  empty,
  children,
}: {
  readonly title: string
  readonly action: ReactNode
  /** Said while there is nothing in the list; null where there is. */
  readonly empty: string | null
  readonly children: ReactNode
}) {
  return (
    <section aria-label={title} className="mt-4">
      <div className="flex items-center gap-3 border-b border-line pb-1">
        <h3 className="flex-1 font-semibold">{title}</h3>
        {action}
      </div>
      {empty !== null && <p className="quiet mt-2">{empty}</p>}
      {children}
    </section>
  )
}
