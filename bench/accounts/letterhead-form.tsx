'use client'

import { useRouter } from 'next/navigation'
import { useId, useState } from 'react'
import { letterheadMost, type LetterheadShown } from '@/core/papers/letterhead'
import { useReady } from '@/stage/use-ready'
import { Field, typedIn, Wrong, type FormField } from './account-form'
import { logoOf } from './logo'
import { send } from './send'

const fields: readonly (FormField & { readonly name: keyof typeof letterheadMost })[] = [
  { name: 'name', label: 'Name', type: 'text', autoComplete: 'organization', most: letterheadMost.name },
  {
    name: 'licence',
    label: 'Licence number',
    type: 'text',
    autoComplete: 'off',
    most: letterheadMost.licence,
    isOptional: true,
  },
  {
    name: 'postal',
    label: 'Address',
    type: 'text',
    autoComplete: 'street-address',
    most: letterheadMost.postal,
    isOptional: true,
  },
  {
    name: 'phone',
    label: 'Telephone',
    type: 'text',
    autoComplete: 'tel',
    most: letterheadMost.phone,
    isOptional: true,
  },
  {
    name: 'mail',
    label: 'Mail address',
    type: 'email',
    autoComplete: 'email',
    most: letterheadMost.mail,
    isOptional: true,
  },
  {
    name: 'web',
    label: 'Website',
    type: 'text',
    autoComplete: 'url',
    most: letterheadMost.web,
    isOptional: true,
  },
]

/** Texts, colour and logo of the team's letterhead. */
export function LetterheadForm({ kept }: { readonly kept: LetterheadShown }) {
  const router = useRouter()
  const [colourId, logoId] = [useId(), useId()]
  const isReady = useReady()
  const [fault, setFault] = useState<string | null>(null)
  const [said, setSaid] = useState('')
  const [isBusy, setBusy] = useState(false)
  /** Does one thing, tells how it went, and shows the page anew. */
  const go = async (done: string, work: () => Promise<string | null>) => {
    setBusy(true)
    setSaid('')
    const wrong = await work()
    setBusy(false)
    setFault(wrong)
    if (wrong !== null) return
    setSaid(done)
    router.refresh()
  }
  const saveTexts = (form: HTMLFormElement) =>
    go('The letterhead is kept.', async () => (await send('/api/letterhead', 'PUT', typedIn(form))).fault)
  const saveLogo = (file: File) =>
    go('The logo is kept.', async () => {
      const logo = await logoOf(file)
      return logo instanceof Blob ? (await send('/api/letterhead/logo', 'PUT', logo)).fault : logo.fault
    })
  return (
    <>
      <form
        aria-label="Letterhead"
        className="max-w-lg"
        onSubmit={(event) => {
          event.preventDefault()
          void saveTexts(event.currentTarget)
        }}
      >
        {fields.map((field) => (
          <Field key={field.name} {...field} value={kept[field.name]} />
        ))}
        <label htmlFor={colourId} className="mb-1 block font-medium">
          Colour
        </label>
        <input
          id={colourId}
          name="colour"
          type="color"
          className="h-8 w-16 cursor-pointer rounded-md border border-line bg-card p-0.5"
          defaultValue={kept.colour}
          aria-describedby={`${colourId}-hint`}
        />
        <p id={`${colourId}-hint`} className="quiet mt-1 mb-3">
          Of headings and rules on the customer’s page and its PDF. It must be dark enough to be read on
          paper.
        </p>
        {fault !== null && <Wrong>{fault}</Wrong>}
        <p role="status" className={said === '' ? '' : 'mb-3 rounded-md bg-verdigris-soft p-2'}>
          {said}
        </p>
        <button type="submit" className="button button-main" disabled={isBusy || !isReady}>
          Save letterhead
        </button>
      </form>
      <div className="mt-5 max-w-lg">
        <label htmlFor={logoId} className="mb-1 block font-medium">
          Logo
        </label>
        <div className="flex items-center gap-3">
          <input
            id={logoId}
            type="file"
            accept="image/png,image/jpeg,image/webp,image/svg+xml"
            className="min-w-0 flex-1"
            disabled={isBusy || !isReady}
            aria-describedby={`${logoId}-hint`}
            onChange={({ currentTarget }) => {
              const file = currentTarget.files?.[0]
              currentTarget.value = ''
              if (file) void saveLogo(file)
            }}
          />
          {kept.logo !== null && (
            <button
              type="button"
              className="button"
              disabled={isBusy}
              onClick={() =>
                void go(
                  'The logo is removed.',
                  async () => (await send('/api/letterhead/logo', 'DELETE')).fault,
                )
              }
            >
              Remove logo
            </button>
          )}
        </div>
        <p id={`${logoId}-hint`} className="quiet mt-1">
          A picture. What you choose is kept at once, as large as it is shown, and without what cameras write
          into their files.
        </p>
      </div>
    </>
  )
}
