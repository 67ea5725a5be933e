'use client'

import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/react'
import { useRouter } from 'next/navigation'
import { useEffect, useState } from 'react'
import { overHttp } from '@/services/ask'
import { addressesFor, addressesNear, type AddressFound } from '@/services/world'
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
export function NewJob() {
  const router = useRouter()
  const [query, setQuery] = useState('')
  const [choices, setChoices] = useState<Choices>({ query: '', list: [], isNear: false })
  const [fault, setFault] = useState<string | null>(null)
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
    const answer = await createJob(address)
    if ('fault' in answer) setFault(answer.fault)
    else router.push(`/jobs/${answer.id}`)
  }
  const list = query.trim().length >= 2 ? choices.list : []
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
        <Combobox
          value={null}
          onChange={(choice: AddressFound | null) => {
            if (!choice) return
            setQuery(choice.label)
            void begin(choice.label)
          }}
        >
          <ComboboxInput
            id="new-address"
            autoComplete="off"
            className="field h-9 text-[14px]"
            placeholder="For example 7 Tern Street, Pellworth"
            value={query}
            displayValue={() => query}
            aria-describedby={fault ? 'new-address-fault' : undefined}
            onChange={(event) => {
              setQuery(event.target.value)
              setFault(null)
            }}
          />
          <ComboboxOptions
            anchor="bottom start"
            modal={false}
            className="z-50 w-[26rem] rounded-md border border-line bg-card py-1 shadow-lg empty:hidden"
          >
            {list.map((choice) => (
              <ComboboxOption
                key={choice.label}
                value={choice}
                className="cursor-pointer px-3 py-1.5 data-focus:bg-verdigris-soft"
              >
                {choice.label}
              </ComboboxOption>
            ))}
          </ComboboxOptions>
        </Combobox>
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
