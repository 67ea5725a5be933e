'use client'

import { type BillLine, type FormBill } from '@/core/tariff/bill-lines'
import { billLines } from '@/words/en/bill-lines'
import { later } from '@/words/en/later'
import { monthNames, number } from '@/words/format'
import { useBench, useNumbers, useSayer } from '../context'
import { Sheet } from '../sheet'

const words = later.bills
const cell = 'py-0.5 pl-1.5 text-right whitespace-nowrap'

/** Twelve bills as they are now and with solar, line by line. */
export function BillsSheet() {
  const { session } = useBench()
  const { numbers, fresh } = useNumbers()
  const sayer = useSayer()
  const bills = numbers?.summary.bills
  return (
    <Sheet title={words.title} onClose={() => session.setState({ dialog: null })}>
      <p className="quiet mb-2">{sayer.say(words.note, { currency: sayer.place.currency })}</p>
      {bills && (
        <div className={fresh ? '' : 'opacity-60'}>
          <Bills title={words.now} bill={bills.before} />
          <Bills title={words.then} bill={bills.after} less={bills.before} />
        </div>
      )}
    </Sheet>
  )
}

/** One row to each line of the bills: what it is, and its amount in each month. */
interface Row {
  readonly key: string
  readonly line: BillLine
  readonly amounts: number[]
}

/** In the order of a bill: what holds in all other hours comes after the named ones. */
function rowsOf({ months }: FormBill): Row[] {
  const rows = new Map<string, Row>()
  months.forEach(({ lines }, month) => {
    const seen = new Map<string, number>()
    for (const line of lines) {
      const name = `${line.code} ${line.name}`
      // Lines of one name in a month are of different prices.
      const nth = seen.get(name) ?? 0
      seen.set(name, nth + 1)
      const key = `${name} ${nth}`
      const row = rows.get(key) ?? { key, line, amounts: new Array<number>(12).fill(0) }
      row.amounts[month] = line.amount
      rows.set(key, row)
    }
  })
  const place = ({ line: { code, name } }: Row) =>
    2 * Object.keys(billLines).indexOf(code) + (code === 'energy' && name === '' ? 1 : 0)
  return [...rows.values()].sort((a, b) => place(a) - place(b))
}

function Bills({
  title,
  bill,
  less,
}: {
  readonly title: string
  readonly bill: FormBill
  readonly less?: FormBill
}) {
  const sayer = useSayer()
  const { place } = sayer
  const named = ({ code, name }: BillLine): string => {
    if (code === 'tier') return sayer.say(words.tier, { place: name })
    return name !== '' ? name : code === 'energy' ? words.energy : billLines[code]
  }
  const sum = (amounts: readonly number[]) => amounts.reduce((all, amount) => all + amount, 0)
  const totals = bill.months.map(({ total }) => total)
  const saved = less?.months.map(({ total }, month) => total - (totals[month] ?? 0))
  const figures = (amounts: readonly number[]) => (
    <>
      {amounts.map((amount, month) => (
        <td key={month} className={cell}>
          {amount === 0 ? '–' : number(amount, place, 2)}
        </td>
      ))}
      <td className={`${cell} font-semibold`}>{number(sum(amounts), place, 2)}</td>
    </>
  )
  return (
    <div className="mb-4 overflow-x-auto">
      <table className="w-full text-[12px]">
        <caption className="pb-1 text-left text-[13px] font-semibold">{title}</caption>
        <thead>
          <tr className="border-b border-line">
            <th className="py-0.5 text-left font-normal text-pencil">{words.line}</th>
            {monthNames(place.locale).map((month) => (
              <th key={month} scope="col" className={`${cell} font-normal text-pencil`}>
                {month}
              </th>
            ))}
            <th scope="col" className={`${cell} font-normal text-pencil`}>
              {words.year}
            </th>
          </tr>
        </thead>
        <tbody>
          {rowsOf(bill).map(({ key, line, amounts }) => (
            <tr key={key} className="border-b border-line/60">
              <th scope="row" className="py-0.5 text-left font-normal">
                {named(line)}
              </th>
              {figures(amounts)}
            </tr>
          ))}
          <tr className="font-semibold">
            <th scope="row" className="py-0.5 text-left">
              {words.total}
            </th>
            {figures(totals)}
          </tr>
          {saved && (
            <tr className="text-verdigris">
              <th scope="row" className="py-0.5 text-left font-normal">
                {words.saved}
              </th>
              {figures(saved)}
            </tr>
          )}
        </tbody>
      </table>
    </div>
  )
}
