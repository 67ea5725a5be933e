'use client'

import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/react'
import { useEffect, useRef, type ChangeEvent } from 'react'
import { type AddressFound } from '@/services/world'

/** What the field is, with its list or without. */
export interface AddressInput {
  readonly id: string
  readonly autoComplete: string
  readonly className: string
  readonly placeholder: string
  readonly value: string
  readonly 'aria-describedby': string | undefined
  readonly onChange: (event: ChangeEvent<HTMLInputElement>) => void
}

/** The address field with the list of what fits; takes the place of the plain one while the hand is in it. */
export function AddressChoices({
  input,
  list,
  onChoose,
}: {
  readonly input: AddressInput
  readonly list: readonly AddressFound[]
  readonly onChoose: (choice: AddressFound) => void
}) {
  const field = useRef<HTMLInputElement>(null)
  useEffect(() => {
    const { current } = field
    current?.focus()
    current?.setSelectionRange(current.value.length, current.value.length)
  }, [])
  return (
    <Combobox immediate value={null} onChange={(choice: AddressFound | null) => choice && onChoose(choice)}>
      <ComboboxInput ref={field} {...input} displayValue={() => input.value} />
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
  )
}
