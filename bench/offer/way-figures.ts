'use client'

import { type CashResult } from '@/core/finance/cash'
import { type Money } from '@/core/finance/ways'
import { type WayToPay } from '@/core/kinds/offer/payment'
import { later } from '@/words/en/later'
import { money as writeMoney } from '@/words/format'
import { useSayer } from '../context'

const words = later.money

interface FigureRow {
  readonly label: string
  readonly of: (way: WayToPay, money: Money) => string
}

/**
 * What is told of each way to pay.
 * @param years that are looked at
 */
export function useWayFigures(years: number): readonly FigureRow[] {
  const sayer = useSayer()
  const { figures } = words
  const cash = (value: number, digits = 0) => writeMoney(value, sayer.place, digits)
  const written = (value: number | null, unit: 'years' | 'share') => {
    const { figure, unit: sign } = sayer.figure(value, unit)
    return sign === '' ? figure : `${figure} ${sign}`
  }
  const rate = ({ irr, irrReason }: Pick<CashResult, 'irr' | 'irrReason'>) =>
    irrReason === 'several-roots'
      ? words.severalRates
      : irrReason === 'no-root'
        ? words.noRate
        : written(irr, 'share')
  const investor = (way: WayToPay, { investor: of }: Money, which: 'withTax' | 'withoutTax') =>
    way === 'lease' || way === 'ppa' ? rate(of[way][which]) : ''
  return [
    { label: figures.down, of: (way, { ways }) => cash(Math.max(0, -(ways[way].flows[0] ?? 0)), 2) },
    { label: figures.firstPayment, of: (way, { ways }) => cash(ways[way].firstMonth.payment, 2) },
    { label: figures.firstSaved, of: (way, { ways }) => cash(ways[way].firstMonth.saved, 2) },
    { label: figures.payback, of: (way, { ways }) => written(ways[way].paybackYears, 'years') },
    { label: figures.discounted, of: (way, { ways }) => written(ways[way].discountedPaybackYears, 'years') },
    { label: figures.npv, of: (way, { ways }) => cash(ways[way].npv) },
    { label: figures.irr, of: (way, { ways }) => rate(ways[way]) },
    {
      label: sayer.say(figures.total, { years }),
      of: (way, { ways }) => cash(ways[way].cumulative.at(-1) ?? 0),
    },
    { label: figures.investor, of: (way, money) => investor(way, money, 'withTax') },
    { label: figures.investorWithout, of: (way, money) => investor(way, money, 'withoutTax') },
  ]
}
