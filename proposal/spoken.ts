import { type LineId } from '@/core/model/ledger'
import { money } from '@/words/format'
import { proposalWords } from '@/words/proposal-words'
import { type Sayer } from '@/words/sayer'
import { type ProposalData, type WayShown } from './shape'

/**
 * What an offer comes to, in a few sentences that can be said aloud; with the figures of the page, so that both say the
 * same.
 * @param way the way to pay that is looked at; undefined in offers sent by older builds
 */
export function spokenOffer(data: ProposalData, way: WayShown | undefined, sayer: Sayer): string[] {
  const words = proposalWords(sayer.language)
  const { summary, years } = data
  const value = (id: LineId) => {
    const line = summary.ledger.find((one) => one.id === id)
    return line?.shown ?? line?.value ?? null
  }
  const cash = (amount: number) => money(amount, sayer.place)
  const energy = (id: LineId) => sayer.written({ value: value(id) ?? 0, unit: 'kWh' })
  const sizeOf = (what: 'module' | 'battery') =>
    data.equipment
      .filter((item) => item.what === what)
      .reduce((sum, { count, size }) => sum + count * size, 0)
  const modules = data.equipment
    .filter(({ what }) => what === 'module')
    .reduce((sum, { count }) => sum + count, 0)
  const sentences: string[] = []
  if (modules > 0)
    sentences.push(
      sayer.say(words.shortModules, {
        count: modules,
        power: { value: sizeOf('module') / 1000, unit: 'kW' },
      }),
    )
  if (sizeOf('battery') > 0)
    sentences.push(
      sayer.say(words.shortBattery, { energy: { value: sizeOf('battery'), unit: 'kWh', digits: 1 } }),
    )
  if (value('yield') !== null)
    sentences.push(
      sayer.say(words.shortYield, { yield: energy('yield'), used: energy('used'), sold: energy('sold') }),
    )
  const [before, after] = [value('bill-now'), value('bill-then')]
  if (before !== null && after !== null)
    sentences.push(sayer.say(words.shortBill, { before: cash(before), after: cash(after) }))
  sentences.push(...paying())
  const end = (way?.cumulative ?? summary.cash.cumulative).at(-1)
  if (end !== undefined)
    sentences.push(
      sayer.say(end >= 0 ? words.shortAhead : words.shortBehind, { years, amount: cash(Math.abs(end)) }),
    )
  return sentences

  function paying(): string[] {
    if (way && way.way !== 'cash') {
      const { down, perMonth, savedPerMonth } = way
      const said = { down: cash(down), perMonth: cash(perMonth), saved: cash(savedPerMonth) }
      return [sayer.say(down > 0 ? words.shortDown : words.shortMonthly, said)]
    }
    const [price, net] = [value('price'), value('net-price')]
    const payback = way ? way.paybackYears : value('payback')
    const after = sayer.figure(payback, 'years')
    return [
      ...(price === null || net === null
        ? []
        : [
            sayer.say(net === price ? words.shortPrice : words.shortNet, {
              price: cash(price),
              net: cash(net),
            }),
          ]),
      payback === null
        ? sayer.say(words.shortNever, { years })
        : sayer.say(words.shortPayback, { years: `${after.figure} ${after.unit}` }),
    ]
  }
}
