'use client'

import { useRouter } from 'next/navigation'
import { useId, useState, type ReactNode } from 'react'
import { send } from './send'
import { useReady } from '@/stage/use-ready'

/** A field of a form, by the name that the server knows it by. */
export interface FormField {
  readonly name: string
  readonly label: string
  readonly type: 'text' | 'email' | 'password' | 'color'
  readonly autoComplete: string
  readonly value?: string
  readonly hint?: string
  /** Characters at the most. */
  readonly most: number
  readonly isOptional?: boolean
}

export function Field({ name, label, hint, most, value, isOptional = false, ...rest }: FormField) {
  const id = useId()
  return (
    <div className="mb-3">
      <label htmlFor={id} className="mb-1 block font-medium">
        {label}
      </label>
      <input
        id={id}
        name={name}
        className={
          rest.type === 'color'
            ? 'h-8 w-16 cursor-pointer rounded-md border border-line bg-card p-0.5'
            : 'field'
        }
        maxLength={most}
        required={!isOptional}
        defaultValue={value}
        aria-describedby={hint === undefined ? undefined : `${id}-hint`}
        {...rest}
      />
      {hint !== undefined && (
        <p id={`${id}-hint`} className="quiet mt-1">
          {hint}
        </p>
      )}
    </div>
  )
}

/** Why something could not be done. */
export const Wrong = ({ children }: { readonly children: string }) => (
  <p role="alert" className="mb-3 rounded-md bg-clay-soft p-2 text-clay">
    {children}
  </p>
)

/** What was typed, by the names of the fields. */
export const typedIn = (form: HTMLFormElement): Record<string, string> =>
  Object.fromEntries(
    [...new FormData(form)].flatMap(([name, value]) => (typeof value === 'string' ? [[name, value]] : [])),
  )

/** Goes on to a page that is asked for anew, with all that belongs to it, as whoever has just signed in or out. */
export const goAnew = (path: string): void => window.location.assign(path)

/** A form that is sent to one place and leads on when all went well. */
export function AccountForm({
  url,
  method = 'POST',
  fields,
  submit,
  goTo = null,
  said = null,
  isGrave = false,
  children,
}: {
  readonly url: string
  readonly method?: string
  readonly fields: readonly FormField[]
  readonly submit: string
  /** Where it leads; null where one stays, and fields that began empty are so again. */
  readonly goTo?: string | null
  /** Said where one stays. */
  readonly said?: string | null
  /** What cannot be taken back does not invite to be pressed. */
  readonly isGrave?: boolean
  readonly children?: ReactNode
}) {
  const router = useRouter()
  const [fault, setFault] = useState<string | null>(null)
  const [isDone, setDone] = useState(false)
  const [isBusy, setBusy] = useState(false)
  const isReady = useReady()
  const submitted = async (form: HTMLFormElement) => {
    setBusy(true)
    setDone(false)
    const sent = await send(url, method, typedIn(form))
    setBusy(false)
    setFault(sent.fault)
    if (sent.fault !== null) return
    if (goTo !== null) {
      goAnew(goTo)
      return
    }
    // What is there already stays as it was typed.
    if (fields.every(({ value }) => value === undefined)) form.reset()
    setDone(true)
    router.refresh()
  }
  return (
    <form
      aria-label={submit}
      onSubmit={(event) => {
        event.preventDefault()
        void submitted(event.currentTarget)
      }}
    >
      {fields.map((field) => (
        <Field key={field.name} {...field} />
      ))}
      {fault !== null && <Wrong>{fault}</Wrong>}
      <p role="status" className={isDone && said !== null ? 'mb-3 rounded-md bg-verdigris-soft p-2' : ''}>
        {isDone ? said : null}
      </p>
      <div className="flex items-center gap-3">
        <button
          type="submit"
          className={`button ${isGrave ? 'text-clay' : 'button-main'}`}
          disabled={isBusy || !isReady}
        >
          {submit}
        </button>
        {children}
      </div>
    </form>
  )
}
