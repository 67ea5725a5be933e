'use client'

import { useId, useState } from 'react'
import { useReady } from '@/stage/use-ready'
import { Wrong } from './account-form'
import { logoOf } from './logo'
import { useDeed } from './use-deed'

/** Chooses the team's logo, or takes it away. */
export function LogoChoice({ hasLogo }: { readonly hasLogo: boolean }) {
  const id = useId()
  const isReady = useReady()
  const { fault, isBusy, go } = useDeed()
  const [broken, setBroken] = useState<string | null>(null)
  const [said, setSaid] = useState('')
  const done = async (what: string, deed: Promise<boolean>) => {
    setSaid('')
    if (await deed) setSaid(what)
  }
  const choose = async (file: File) => {
    setSaid('')
    const logo = await logoOf(file)
    setBroken(logo instanceof Blob ? null : logo.fault)
    if (logo instanceof Blob) await done('The logo is kept.', go('/api/letterhead/logo', 'PUT', logo))
  }
  const wrong = broken ?? fault
  return (
    <div className="mt-5">
      <label htmlFor={id} className="mb-1 block font-medium">
        Logo
      </label>
      {wrong !== null && <Wrong>{wrong}</Wrong>}
      <div className="flex items-center gap-3">
        <input
          id={id}
          type="file"
          accept="image/png,image/jpeg,image/webp,image/svg+xml"
          className="min-w-0 flex-1"
          disabled={isBusy || !isReady}
          aria-describedby={`${id}-hint`}
          onChange={({ currentTarget }) => {
            const file = currentTarget.files?.[0]
            if (file) void choose(file)
            currentTarget.value = ''
          }}
        />
        {hasLogo && (
          <button
            type="button"
            className="button"
            disabled={isBusy}
            onClick={() => {
              setBroken(null)
              void done('The logo is removed.', go('/api/letterhead/logo', 'DELETE'))
            }}
          >
            Remove logo
          </button>
        )}
      </div>
      <p id={`${id}-hint`} className="quiet mt-1">
        A picture. What you choose is kept at once, as large as it is shown, and without what cameras write
        into their files.
      </p>
      <p role="status" className={said === '' ? '' : 'mt-2 rounded-md bg-verdigris-soft p-2'}>
        {said}
      </p>
    </div>
  )
}
