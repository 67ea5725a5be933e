'use client'

import { type CustomerBill } from '@/core/kinds/load/load'
import { dayCount, dayOfCount } from '@/core/model/day'
import { type Fault } from '@/core/model/fault'
import { parseNumber } from '@/core/model/numbers'
import { type CheckedBill } from '@/core/readers/customer-bills'
import { later } from '@/words/en/later'
import { entered, number } from '@/words/format'
import { useSayer, useSite } from '../context'
import { CellField } from '../fields/cell-field'
import { DayField } from '../fields/day-field'
import { RemoveButton } from '../fields/remove-button'

const words = later.customerBills

/** A bill: its days, its energy and its amount, beside what the tariff asks for the same. */
export function BillRow({
  bill,
  place,
  checked,
  onSet,
  onRemove,
}: {
  readonly bill: CustomerBill
  /** 0 for the first. */
  readonly place: number
  readonly checked: CheckedBill | undefined
  /** @returns what is wrong, or null */
  readonly onSet: (fields: Partial<CustomerBill>) => Fault | null
  readonly onRemove: () => void
}) {
  const site = useSite()
  const sayer = useSayer()
  const label = (what: string) => sayer.say(words.cell, { what, place: place + 1 })
  const { from, to, kwh, money } = bill
  const typed = (text: string) => (text.trim() === '' ? null : parseNumber(text, site.locale))
  /** A first day behind the last one takes it along. */
  const begin = (day: string) =>
    onSet({ from: day, to: day > to ? dayOfCount(dayCount(day) + dayCount(to) - dayCount(from)) : to })
  return (
    <tr className="border-b border-line/60 align-top">
      <td className="pr-2">
        <DayField
          bare
          label={label(words.from)}
          value={from}
          onSet={(day) => (day === null ? null : begin(day))}
        />
      </td>
      <td className="pr-2">
        <DayField
          bare
          label={label(words.to)}
          value={to}
          onSet={(day) => (day === null ? null : onSet({ to: day }))}
        />
      </td>
      <td className="w-24 py-0.5 pr-2">
        <CellField
          label={label(words.kwh)}
          shown={kwh === null ? '' : entered(kwh, site)}
          onType={(text) => onSet({ kwh: typed(text) })}
        />
      </td>
      <td className="w-24 py-0.5 pr-2">
        <CellField
          label={label(words.money)}
          shown={money === null ? '' : entered(money, site, 2)}
          onType={(text) => onSet({ money: typed(text) })}
        />
      </td>
      <td className="py-1.5 text-right whitespace-nowrap">{checked && number(checked.computed, site, 2)}</td>
      <td className="py-1.5 pl-3 text-right whitespace-nowrap">
        {checked &&
          checked.money !== null &&
          signed(checked.money - checked.computed, (value) => number(value, site, 2))}
      </td>
      <td className="py-1 text-right">
        <RemoveButton name={sayer.say(words.bill, { place: place + 1 })} onRemove={onRemove} />
      </td>
    </tr>
  )
}

const signed = (value: number, write: (value: number) => string): string =>
  `${value >= 0.005 ? '+' : ''}${write(Math.abs(value) < 0.005 ? 0 : value)}`
