'use client'

import { type Fault } from '@/core/model/fault'
import { parseNumber, parsePercent } from '@/core/model/numbers'
import { entered, moneySign } from '@/words/format'
import { useSite } from '../context'
import { CellField } from '../fields/cell-field'
import { TextField } from '../fields/text-field'

interface Of<T> {
  readonly label: string
  readonly value: T
  readonly onSet: (value: T) => Fault | null
}

/** Fields of something that is a part of an object: their owner sets it as a whole. */
export function Money({
  label,
  value,
  digits = 0,
  onSet,
}: Of<number> & { readonly digits?: number | undefined }) {
  const site = useSite()
  return (
    <TextField
      label={label}
      unit={moneySign(site)}
      shown={entered(value, site, digits)}
      onType={(text) => onSet(parseNumber(text, site.locale))}
    />
  )
}

export function MoneyOrNone({ label, value, hint, onSet }: Of<number | null> & { readonly hint: string }) {
  const site = useSite()
  return (
    <TextField
      label={label}
      unit={moneySign(site)}
      hint={hint}
      shown={value === null ? '' : entered(value, site)}
      onType={(text) => onSet(text.trim() === '' ? null : parseNumber(text, site.locale))}
    />
  )
}

export const percentOf = (share: number): number => Number((share * 100).toPrecision(12))

export function Percent({ label, value, digits = 1, onSet }: Of<number> & { readonly digits?: number }) {
  const site = useSite()
  return (
    <TextField
      label={label}
      unit="%"
      shown={entered(percentOf(value), site, digits)}
      onType={(text) => onSet(parsePercent(text, site.locale))}
    />
  )
}

/** A share that may be left empty. */
export function PercentOrNone({ label, value, hint, onSet }: Of<number | null> & { readonly hint: string }) {
  const site = useSite()
  return (
    <TextField
      label={label}
      unit="%"
      hint={hint}
      shown={value === null ? '' : entered(percentOf(value), site, 1)}
      onType={(text) => onSet(text.trim() === '' ? null : parsePercent(text, site.locale))}
    />
  )
}

export function Count({ label, value, unit, onSet }: Of<number> & { readonly unit: string }) {
  const site = useSite()
  return (
    <TextField
      label={label}
      unit={unit}
      shown={entered(value, site)}
      onType={(text) => onSet(parseNumber(text, site.locale))}
    />
  )
}

/** A figure in a cell of a table; an empty one is null where that may be. */
export function FigureCell({
  label,
  value,
  digits = 0,
  percent = false,
  placeholder,
  onSet,
}: {
  readonly label: string
  readonly value: number | null
  readonly digits?: number
  readonly percent?: boolean
  /** What an empty one means; without it a figure is needed. */
  readonly placeholder?: string | undefined
  readonly onSet: (value: number | null) => Fault | null
}) {
  const site = useSite()
  const read = percent ? parsePercent : parseNumber
  return (
    <CellField
      label={label}
      placeholder={placeholder}
      shown={value === null ? '' : entered(percent ? percentOf(value) : value, site, digits)}
      onType={(text) =>
        onSet(placeholder !== undefined && text.trim() === '' ? null : read(text, site.locale))
      }
    />
  )
}
