import { type ProposalWords } from '@/words/proposal-words'
import { type Sayer } from '@/words/sayer'
import { type WayShown } from './shape'

interface Props {
  readonly ways: readonly WayShown[]
  readonly chosen: WayShown
  /** Null on paper. */
  readonly onChoose: ((way: WayShown) => void) | null
  readonly cash: (amount: number | null) => string
  readonly words: ProposalWords
  readonly sayer: Sayer
}

/** Ways to pay beside each other; on the screen the customer picks one, and the chart goes with it. */
export function Ways({ ways, chosen, onChoose, cash, words, sayer }: Props) {
  const years = chosen.cumulative.length - 1
  const payback = (value: number | null) => {
    const { figure, unit } = sayer.figure(value, 'years')
    return `${figure} ${unit}`.trim()
  }
  const rows: readonly (readonly [label: string, of: (way: WayShown) => string])[] = [
    [words.down, ({ down }) => cash(down)],
    [words.perMonth, ({ perMonth }) => cash(perMonth)],
    [words.savedPerMonth, ({ savedPerMonth }) => cash(savedPerMonth)],
    [words.paidBackAfter, ({ paybackYears }) => payback(paybackYears)],
    [sayer.say(words.savedInAll, { years }), ({ cumulative }) => cash(cumulative.at(-1) ?? null)],
  ]
  const column = (way: WayShown) => (way === chosen ? 'bg-verdigris/10 font-semibold' : '')
  return (
    <section className="mb-6 break-inside-avoid overflow-x-auto">
      <table className="w-full">
        <caption className="mb-2 text-left font-display text-[19px]">{words.waysToPay}</caption>
        <thead>
          <tr>
            <td />
            {ways.map((way) => (
              <th key={way.way} scope="col" className={`px-2 py-1.5 text-right font-medium ${column(way)}`}>
                {onChoose ? (
                  <button
                    type="button"
                    className="cursor-pointer underline"
                    aria-pressed={way === chosen}
                    onClick={() => onChoose(way)}
                  >
                    {words[`way-${way.way}`]}
                  </button>
                ) : (
                  words[`way-${way.way}`]
                )}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([label, of]) => (
            <tr key={label} className="border-t border-line">
              <th scope="row" className="py-1.5 text-left font-normal">
                {label}
              </th>
              {ways.map((way) => (
                <td key={way.way} className={`px-2 py-1.5 text-right whitespace-nowrap ${column(way)}`}>
                  {of(way)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
}
