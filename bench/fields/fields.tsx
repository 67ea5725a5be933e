'use client'

import { useId, type ReactNode } from 'react'
import { formatLength, formatSlope, parseLength, parseSlope } from '@/core/model/units'
import { parseNumber, parsePercent } from '@/core/model/numbers'
import { useBench, useSite } from '../context'
import { entered, moneySign } from '@/words/format'
import { TextField } from './text-field'

interface Of {
  readonly label: ReactNode
  /** The document the object is in. */
  readonly documentId: string
  readonly objectId: string
  readonly value: number
  /** What to set when this was typed. */
  readonly fields: (value: number) => Readonly<Record<string, unknown>>
  readonly name: string
}

function useSet({ documentId, objectId, fields, name }: Of) {
  const { documents } = useBench()
  return (value: number) => documents.set(name, documentId, objectId, fields(value))
}

export function LengthField(props: Of) {
  const set = useSet(props)
  const { units, locale } = useSite()
  return (
    <TextField
      label={props.label}
      shown={formatLength(props.value, units, locale)}
      width={units === 'imperial' ? 'length' : 'figure'}
      onType={(text) => set(parseLength(text, units, locale))}
      hint={units === 'metric' ? '3.5, 350 cm, 11\' 6"' : '11\' 6 1/2", 11.5 ft, 3.5 m'}
    />
  )
}

/** @param brief degrees alone, where there is little room */
export function SlopeField({ brief = false, ...props }: Of & { readonly brief?: boolean }) {
  const set = useSet(props)
  const site = useSite()
  const { units, locale } = site
  return (
    <TextField
      label={props.label}
      shown={brief ? `${entered(props.value, site, 1)}°` : formatSlope(props.value, units, locale)}
      width={brief ? 'figure' : 'words'}
      onType={(text) => set(parseSlope(text.split('·')[0] ?? text, locale))}
      hint="30, 58%, 7/12"
    />
  )
}

export function NumberField({
  unit,
  digits = 0,
  ...props
}: Of & { readonly unit?: string; readonly digits?: number }) {
  const set = useSet(props)
  const site = useSite()
  return (
    <TextField
      label={props.label}
      shown={entered(props.value, site, digits)}
      unit={unit}
      onType={(text) => set(parseNumber(text, site.locale))}
    />
  )
}

export function MoneyField({
  digits = 2,
  per,
  ...props
}: Of & { readonly digits?: number; readonly per?: string }) {
  const set = useSet(props)
  const site = useSite()
  return (
    <TextField
      label={props.label}
      shown={entered(props.value, site, digits)}
      unit={`${moneySign(site)}${per ?? ''}`}
      onType={(text) => set(parseNumber(text, site.locale))}
    />
  )
}

interface OptionalOf extends Omit<Of, 'value' | 'fields'> {
  readonly value: number | null
  /** What stands there while nothing is typed. */
  readonly usual: number
  /** Says what an empty field means. */
  readonly hint: string
  readonly fields: (value: number | null) => Readonly<Record<string, unknown>>
}

/** Sets what was typed; an empty field brings the usual value back. */
function useOptionalSet({ documentId, objectId, fields, name }: OptionalOf) {
  const { documents } = useBench()
  return (text: string, read: (text: string) => number) =>
    documents.set(name, documentId, objectId, fields(text.trim() === '' ? null : read(text)))
}

/** Money that has a usual amount of its own. */
export function OptionalMoneyField(props: OptionalOf) {
  const set = useOptionalSet(props)
  const site = useSite()
  return (
    <TextField
      label={props.label}
      shown={entered(props.value ?? props.usual, site, 0)}
      unit={moneySign(site)}
      hint={props.hint}
      onType={(text) => set(text, (typed) => parseNumber(typed, site.locale))}
    />
  )
}

const percentOf = (share: number) => Number((share * 100).toPrecision(12))

/** A share that has a usual one. */
export function OptionalPercentField(props: OptionalOf) {
  const set = useOptionalSet(props)
  const site = useSite()
  return (
    <TextField
      label={props.label}
      shown={entered(percentOf(props.value ?? props.usual), site, 1)}
      unit="%"
      hint={props.hint}
      onType={(text) => set(text, (typed) => parsePercent(typed, site.locale))}
    />
  )
}

export function PercentField({ digits = 1, ...props }: Of & { readonly digits?: number }) {
  const set = useSet(props)
  const site = useSite()
  return (
    <TextField
      label={props.label}
      shown={entered(percentOf(props.value), site, digits)}
      unit="%"
      onType={(text) => set(parsePercent(text, site.locale))}
    />
  )
}

/** Letters of a choice that have room beside a label. */
const roomBeside = 12

export function ChoiceField<T extends string>({
  label,
  value,
  choices,
  onChoose,
  wide = choices.some(({ label: text }) => text.length > roomBeside),
}: {
  readonly label: ReactNode
  readonly value: T
  readonly choices: readonly { readonly value: T; readonly label: string }[]
  readonly onChoose: (value: T) => void
  /** With the label above; of itself where a choice is too long to stand beside it. */
  readonly wide?: boolean
}) {
  const id = useId()
  return (
    <div className={wide ? 'py-0.5' : 'flex items-center gap-1.5 py-0.5'}>
      <label htmlFor={id} className="min-w-0 flex-1 leading-4 text-pencil">
        {label}
      </label>
      <select
        id={id}
        className={`field cursor-pointer pr-0 ${wide ? 'mt-0.5 w-full' : 'w-[7.6rem] shrink-0'}`}
        value={value}
        onKeyDown={(event) => event.stopPropagation()}
        onChange={(event) => onChoose(event.target.value as T)}
      >
        {choices.map((choice) => (
          <option key={choice.value} value={choice.value}>
            {choice.label}
          </option>
        ))}
      </select>
    </div>
  )
}
