'use client'

import { useRouter } from 'next/navigation'
import { useState, type ReactNode } from 'react'
import { Field, typedIn, Wrong } from './account-form'
import { passwordField } from './fields'
import { send } from './send'
import { useReady } from '@/stage/use-ready'

const textsIn = (value: unknown): string[] =>
  Array.isArray(value) ? value.filter((one) => typeof one === 'string') : []

/** Spare codes, told once. */
function SpareCodes({ codes }: { readonly codes: readonly string[] }) {
  return (
    <div role="status" className="mb-3 rounded-lg border border-line bg-card p-3">
      <p className="font-medium">
        The second factor is on. Keep these spare codes: they are shown this once.
      </p>
      <p className="quiet mb-2">Each signs you in one time, on the day your authenticator is lost.</p>
      <ul className="grid grid-cols-2 gap-x-6 font-mono text-[14px]">
        {codes.map((code) => (
          <li key={code}>{code}</li>
        ))}
      </ul>
    </div>
  )
}

/** Turns the second factor on with a key that is shown, or off. */
export function SecondFactor({
  isOn,
  spareLeft,
  codeKey,
  picture,
}: {
  readonly isOn: boolean
  readonly spareLeft: number
  /** A new key, in base 32. */
  readonly codeKey: string
  /** The key as a square that an authenticator reads. */
  readonly picture: ReactNode
}) {
  const isReady = useReady()
  const router = useRouter()
  const [fault, setFault] = useState<string | null>(null)
  const [spare, setSpare] = useState<readonly string[]>([])
  // The key that one has begun with, whatever the page is given when it is shown anew.
  const [key, setKey] = useState(codeKey)
  const [square, setSquare] = useState(picture)
  const submitted = async (form: HTMLFormElement) => {
    const sent = isOn
      ? await send('/api/account/code', 'DELETE', typedIn(form))
      : await send('/api/account/code', 'PUT', { ...typedIn(form), key })
    setFault(sent.fault)
    if (sent.fault !== null) return
    if (isOn) {
      // Whoever turns it on again does so with another key.
      setKey(codeKey)
      setSquare(picture)
    }
    setSpare(textsIn(sent.value['spareCodes']))
    form.reset()
    router.refresh()
  }
  return (
    <>
      {isOn && spare.length > 0 && <SpareCodes codes={spare} />}
      <form
        key={isOn ? 'off' : 'on'}
        aria-label={isOn ? 'Turn second factor off' : 'Turn second factor on'}
        onSubmit={(event) => {
          event.preventDefault()
          void submitted(event.currentTarget)
        }}
      >
        {isOn ? (
          <p className="mb-3">
            It is on. {spareLeft === 1 ? '1 spare code is' : `${spareLeft} spare codes are`} left.
          </p>
        ) : (
          <div className="mb-3 flex flex-wrap items-start gap-4">
            {square}
            <p className="min-w-48 flex-1">
              Read this with an authenticator, or type its key there:
              <span className="mt-1 block font-mono break-all select-all">
                {key.match(/.{1,4}/g)?.join(' ')}
              </span>
            </p>
          </div>
        )}
        <div className="max-w-sm">
          {!isOn && (
            <Field
              name="code"
              label="Code"
              type="text"
              autoComplete="one-time-code"
              most={20}
              hint="The six digits that the authenticator shows now."
            />
          )}
          <Field {...passwordField} />
          {fault !== null && <Wrong>{fault}</Wrong>}
          <button type="submit" className={`button ${isOn ? '' : 'button-main'}`} disabled={!isReady}>
            {isOn ? 'Turn it off' : 'Turn it on'}
          </button>
        </div>
      </form>
    </>
  )
}
