import { type ReactNode } from 'react'
import Link from 'next/link'

/** A page about accounts: narrow where one thing is typed, wide where there are lists. */
export function Frame({
  title,
  isWide = false,
  isSignedIn = false,
  children,
}: {
  readonly title: string
  readonly isWide?: boolean
  readonly isSignedIn?: boolean
  readonly children: ReactNode
}) {
  return (
    <main className={`mx-auto px-6 py-8 ${isWide ? 'max-w-3xl' : 'max-w-sm pt-[12vh]'}`}>
      {isSignedIn && (
        <nav aria-label="Pages" className="mb-4">
          <Link href="/" prefetch={false} className="underline">
            All jobs
          </Link>
        </nav>
      )}
      <h1 className="mb-5 font-display text-[26px]">{title}</h1>
      {children}
    </main>
  )
}

/** A part of such a page. */
export function Part({
  title,
  about,
  children,
}: {
  readonly title: string
  readonly about?: string
  readonly children: ReactNode
}) {
  return (
    <section aria-label={title} className="mb-7 border-t border-line pt-4">
      <h2 className="text-[16px] font-semibold">{title}</h2>
      {about !== undefined && <p className="quiet mt-0.5 mb-2 max-w-prose">{about}</p>}
      <div className="mt-3">{children}</div>
    </section>
  )
}
