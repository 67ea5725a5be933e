'use client'

export default function ErrorPage({ reset }: { readonly reset: () => void }) {
  return (
    <main className="mx-auto max-w-lg px-6 py-20">
      <h1 className="font-display text-[24px]">This page could not be shown.</h1>
      <p className="mt-2 text-pencil">
        The server or its database may be away for a moment. Edits you made are kept in this browser and are
        saved when it is back.
      </p>
      <button type="button" className="button mt-4" onClick={reset}>
        Try again
      </button>
    </main>
  )
}
