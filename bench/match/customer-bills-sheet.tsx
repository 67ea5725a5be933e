'use client'

import { useMemo } from 'react'
import { theOne } from '@/core/kinds/documents'
import { loadId, mostBills, type CustomerBill, type Load } from '@/core/kinds/load/load'
import { tariffNowId } from '@/core/kinds/tariff/tariff'
import { type Fault } from '@/core/model/fault'
import { dayCount, dayOfCount } from '@/core/model/day'
import {
  billedYearOf,
  consumptionFrom,
  customerBills,
  type CustomerBills,
} from '@/core/readers/customer-bills'
import { later } from '@/words/en/later'
import { moneySign } from '@/words/format'
import { useBench, useHouse, useSayer, useSite } from '../context'
import { Sheet } from '../sheet'
import { houseId } from '../store/documents'
import { BillRow } from './bill-row'
import { BillsSum } from './bills-sum'

const words = later.customerBills
const head = 'py-1 text-right font-normal text-pencil'

/** What the utility has billed so far: the year it comes to, and how it stands to the tariff. */
export function CustomerBillsSheet() {
  const { session } = useBench()
  const { load, found, edit } = useCustomerBills()
  const sayer = useSayer()
  const { bills } = load
  return (
    <Sheet title={words.title} onClose={() => session.setState({ dialog: null })}>
      <p className="quiet mb-2">{words.hint}</p>
      {bills.length > 0 && (
        <table className="w-full max-w-[44rem]">
          <thead>
            <tr className="border-b border-line">
              <th className="py-1 text-left font-normal text-pencil">{words.from}</th>
              <th className="py-1 text-left font-normal text-pencil">{words.to}</th>
              <th className={head}>{words.kwh}</th>
              <th className={head}>{sayer.say(words.moneyHead, { sign: moneySign(sayer.place) })}</th>
              <th className={head}>{words.tariff}</th>
              <th className={head}>{words.difference}</th>
              <td />
            </tr>
          </thead>
          <tbody>
            {bills.map((bill, place) => (
              <BillRow
                key={place}
                bill={bill}
                place={place}
                checked={found?.bills.find(({ index }) => index === place)}
                onSet={(fields) =>
                  edit((all) => all.map((own, k) => (k === place ? { ...own, ...fields } : own)))
                }
                onRemove={() => edit((all) => all.filter((_, k) => k !== place))}
              />
            ))}
          </tbody>
        </table>
      )}
      <button
        type="button"
        className="button mt-2"
        disabled={bills.length >= mostBills}
        title={bills.length >= mostBills ? sayer.say(words.full, { most: mostBills }) : undefined}
        onClick={() => edit((all) => [...all, nextBill(all)])}
      >
        {words.add}
      </button>
      {found && <BillsSum load={load} found={found} onTake={() => edit((all) => all, true)} />}
    </Sheet>
  )
}

type Change = (bills: readonly CustomerBill[]) => readonly CustomerBill[]

/** The bills, what they come to, and what sets them: consumption follows, unless a meter says it. */
function useCustomerBills(): {
  readonly load: Load
  readonly found: CustomerBills | null
  readonly edit: (change: Change, takes?: boolean) => Fault | null
} {
  const { documents } = useBench()
  const house = useHouse()
  const { timeZone, latitudeDeg } = useSite()
  const load = theOne(house, 'load', loadId)
  const tariff = theOne(house, 'tariff', tariffNowId)
  const found = useMemo(
    () => customerBills(load, tariff, { timeZone, latitudeDeg }),
    [load, tariff, timeZone, latitudeDeg],
  )
  const edit = (change: Change, takes = false) =>
    documents.edit(words.step, houseId, (before) => {
      const own = theOne(before, 'load', loadId)
      const next = { ...own, bills: [...change(own.bills)] }
      const year = takes || own.shape !== 'meter' ? billedYearOf(next, { timeZone, latitudeDeg }) : null
      return { ...before, [loadId]: { ...next, ...(year && consumptionFrom(year)) } }
    }).fault
  return { load, found, edit }
}

/** The days after the last bill, as many as that has; a month of last year where there is none. */
function nextBill(bills: readonly CustomerBill[]): CustomerBill {
  const empty = { kwh: null, money: null }
  const last = bills.reduce<CustomerBill | null>(
    (found, bill) => (found && found.to >= bill.to ? found : bill),
    null,
  )
  if (!last) {
    const year = new Date().getFullYear() - 1
    return { from: `${year}-01-01`, to: `${year}-01-31`, ...empty }
  }
  const from = dayCount(last.to) + 1
  return { from: dayOfCount(from), to: dayOfCount(endAfter(last, from)), ...empty }
}

/** A bill of a whole month is followed by one of the next; others by as many days. */
function endAfter({ from, to }: CustomerBill, next: number): number {
  const isMonth =
    from.endsWith('-01') && dayOfCount(next).endsWith('-01') && from.slice(0, 7) === to.slice(0, 7)
  if (!isMonth) return next + dayCount(to) - dayCount(from)
  const [year, month] = dayOfCount(next).split('-').map(Number) as [number, number]
  return dayCount(month === 12 ? `${year + 1}-01-01` : `${year}-${String(month + 1).padStart(2, '0')}-01`) - 1
}
