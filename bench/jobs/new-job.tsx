'use client'

import { useRouter } from 'next/navigation'
import { useEffect, useState, type ComponentType } from 'react'
import { overHttp } from '@/services/ask'
import { addressesFor, addressesNear, type AddressFound } from '@/services/world'
import { type AddressChoices, type AddressInput } from './address-choices'
import { createJob } from './requests'

const world = overHttp('/world')

interface Choices {
  readonly query: string
  readonly list: readonly AddressFound[]
  /** None matches: these are the nearest there are. */
  readonly isNear: boolean
}

async function choicesFor(query: string, signal: AbortSignal): Promise<Choices> {
  const list = await addressesFor(world, query, signal)
  if (list.length > 0) return { query, list, isNear: false }
  return { query, list: await addressesNear(world, query, signal), isNear: true }
}

/** A new job begins with an address. */
export function NewJob({
  templates,
}: {
  readonly templates: readonly { readonly id: string; readonly name: string; readonly isDefault: boolean }[]
}) {
  const router = useRouter()
  const [templateId, setTemplateId] = useState(templates.find(({ isDefault }) => isDefault)?.id ?? '')
  const [query, setQuery] = useState('')
  const [choices, setChoices] = useState<Choices>({ query: '', list: [], isNear: false })
  const [fault, setFault] = useState<string | null>(null)
  const [{ Choices }, setParts] = useState<{
    readonly Choices: ComponentType<Parameters<typeof AddressChoices>[0]> | null
  }>({ Choices: null })
  useEffect(() => {
    if (query.trim().length < 2) return
    const controller = new AbortController()
    const wait = setTimeout(() => {
      choicesFor(query, controller.signal).then(
        setChoices,
        () =>
          !controller.signal.aborted &&
          setFault('The address service does not answer. Try again in a moment.'),
      )
    }, 120)
    return () => {
      clearTimeout(wait)
      controller.abort()
    }
  }, [query])
  const begin = async (address: string) => {
    const answer = await createJob(address, templateId)
    if ('fault' in answer) setFault(answer.fault)
    else router.push(`/jobs/${answer.id}`)
  }
  const list = query.trim().length >= 2 ? choices.list : []
  const input: AddressInput = {
    id: 'new-address',
    autoComplete: 'off',
    className: 'field h-9 text-[14px]',
    placeholder: 'For example 7 Tern Street, Pellworth',
    value: query,
    'aria-describedby': fault ? 'new-address-fault' : undefined,
    onChange: (event) => {
      setQuery(event.target.value)
      setFault(null)
    },
  }
  return (
    <section aria-label="New job" className="rounded-lg border border-line bg-card p-4">
      <label htmlFor="new-address" className="mb-1 block font-semibold">
        New job: where is the house?
      </label>
      <form
        className="flex gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          void begin(query)
        }}
      >
        {Choices ? (
          <Choices
            input={input}
            list={list}
            onChoose={({ label }) => {
              setQuery(label)
              void begin(label)
            }}
          />
        ) : (
          <input
            {...input}
            onFocus={() => {
              // Whoever only looks at the jobs does not wait for it; without it the field still takes an address.
              void import('./address-choices').then(
                (found) => setParts({ Choices: found.AddressChoices }),
                () => undefined,
              )
            }}
          />
        )}
        {templates.length > 0 && (
          <select
            aria-label="Start from"
            title="Equipment, losses, prices, ways to pay and texts that the new job starts with"
            className="field h-9 w-40 shrink-0 sm:w-64"
            value={templateId}
            onChange={({ target }) => setTemplateId(target.value)}
          >
            <option value="">What is usual there</option>
            {templates.map(({ id, name }) => (
              <option key={id} value={id}>
                As in {name}
              </option>
            ))}
          </select>
        )}
        <button type="submit" className="button button-main h-9" disabled={query.trim() === ''}>
          Create job
        </button>
      </form>
      {choices.isNear && choices.query === query && query.trim().length >= 3 && !fault && (
        <p role="status" className="mt-1.5">
          No such address.{' '}
          {list.length > 0 ? 'The nearest are in the list.' : 'Nothing like it is known either.'}
        </p>
      )}
      <p className="quiet mt-1.5">
        The made-up towns are Pellworth, Tarrowee and Valdecorva. Coordinates near them are addresses, too.
      </p>
      {fault && (
        <p id="new-address-fault" role="alert" className="mt-1 text-clay">
          {fault}
        </p>
      )}
    </section>
  )
}
