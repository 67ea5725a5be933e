import { monthName, monthsUpTo } from './months'

interface MonthOfOffers {
  readonly month: string
  readonly sent: number
  readonly seen: number
  readonly accepted: number
  readonly days: number | null
}

const share = (part: number, of: number): string => (of === 0 ? '–' : `${Math.round((part / of) * 100)} %`)

/** Offers by month, with a bar of how many were sent, seen within it, and accepted within that. */
export function OfferMonths({
  offers,
  today,
  months,
}: {
  readonly offers: readonly MonthOfOffers[]
  readonly today: string
  readonly months: number
}) {
  if (offers.length === 0)
    return <p className="text-pencil">No offers were sent in the last {months} months.</p>
  const most = Math.max(...offers.map(({ sent }) => sent))
  const rows = monthsUpTo(today, months).map(
    (month) =>
      offers.find((one) => one.month === month) ?? { month, sent: 0, seen: 0, accepted: 0, days: null },
  )
  const width = (count: number) => ({ width: `${(count / most) * 100}%` })
  return (
    <table className="w-full text-left">
      <thead>
        <tr className="border-b border-line">
          <th className="py-1.5 font-medium">Month</th>
          <th className="py-1.5 text-right font-medium">Sent</th>
          <th className="py-1.5 text-right font-medium">Seen</th>
          <th className="py-1.5 text-right font-medium">Accepted</th>
          <th className="py-1.5 text-right font-medium">Of those sent</th>
          <th className="py-1.5 text-right font-medium">Days to yes</th>
          <th className="w-1/4 py-1.5 pl-4 font-medium">
            <span className="quiet">sent, seen, accepted</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ month, sent, seen, accepted, days }) => (
          <tr key={month} className="border-b border-line">
            <td className="py-1">{monthName(month)}</td>
            <td className="py-1 text-right">{sent}</td>
            <td className="py-1 text-right">{seen}</td>
            <td className="py-1 text-right">{accepted}</td>
            <td className="py-1 text-right">{share(accepted, sent)}</td>
            <td className="py-1 text-right">{days === null ? '–' : days.toFixed(1)}</td>
            <td className="py-1 pl-4" aria-hidden>
              <div className="relative h-3">
                <div className="absolute inset-y-0 left-0 rounded-sm bg-fold" style={width(sent)} />
                <div className="absolute inset-y-0 left-0 rounded-sm bg-verdigris-soft" style={width(seen)} />
                <div className="absolute inset-y-0 left-0 rounded-sm bg-verdigris" style={width(accepted)} />
              </div>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
