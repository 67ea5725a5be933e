import { useState } from 'react'
import { type Tariff } from '@/core/kinds/tariff/tariff'
import type { boardDays } from '@/core/tariff/board'
import {
  bare,
  boardOf,
  mostPeriods,
  painted,
  periodsOf,
  type Board,
  type Paint,
  type Stroke,
} from '@/core/tariff/board'
import { later } from '@/words/en/later'
import { useBench, useSayer } from '../context'
import { houseId } from '../store/documents'
import { toast } from '../store/session'

const words = later.tariff
const keyOf = ({ name, pricePerKwh, exportPerKwh }: Paint) =>
  JSON.stringify([name, pricePerKwh, exportPerKwh])

/** The board with its prices in an order: those that are kept there first, whether any hour has them or not. */
export function inOrder(board: Board, kept: readonly Paint[]): Board {
  const paints = [...new Map([...kept, ...board.paints].map((paint) => [keyOf(paint), paint])).values()]
  const placeOf = board.paints.map((paint) => paints.findIndex((one) => keyOf(one) === keyOf(paint)))
  const rows = (days: (typeof boardDays)[number]) =>
    board[days].map((row) => row.map((paint) => placeOf[paint] ?? bare))
  return { ...board, paints, weekday: rows('weekday'), weekend: rows('weekend') }
}

/** A tariff's board, and what is done on it. Prices that no hour has yet live as long as the sheet. */
export function useBoard(tariff: Tariff) {
  const { documents, session } = useBench()
  const sayer = useSayer()
  const [kept, setKept] = useState<readonly Paint[]>(() => boardOf(tariff.periods).paints)
  const [chosen, setChosen] = useState(0)
  const board = inOrder(boardOf(tariff.periods), kept)
  const paint = chosen < board.paints.length ? chosen : bare

  const write = (label: string, next: Board) => {
    const periods = periodsOf(next)
    if (periods.length > mostPeriods) {
      toast(session, sayer.say(words.tooMany, { most: mostPeriods }))
      return null
    }
    const wrong = documents.set(label, houseId, tariff.id, { periods })
    if (!wrong) setKept(next.paints)
    return wrong
  }
  return {
    board,
    paint,
    choose: setChosen,
    stroke: (stroke: Stroke) => {
      const wrong = write('Painted price', painted(board, stroke, paint))
      if (wrong) toast(session, sayer.fault(wrong))
    },
    add: () => {
      const place = board.paints.length + 1
      const name = sayer.say(words.newPaint, { place })
      setKept([...board.paints, { name, pricePerKwh: tariff.pricePerKwh }])
      setChosen(board.paints.length)
    },
    change: (place: number, to: Paint) =>
      write('Price', { ...board, paints: board.paints.map((one, k) => (k === place ? to : one)) }),
    remove: (place: number) => {
      const without = (rows: Board['weekday']) =>
        rows.map((row) => row.map((own) => (own === place ? bare : own > place ? own - 1 : own)))
      const wrong = write('Price', {
        ...board,
        paints: board.paints.filter((_, k) => k !== place),
        weekday: without(board.weekday),
        weekend: without(board.weekend),
      })
      if (wrong) toast(session, sayer.fault(wrong))
      setChosen(bare)
    },
  }
}
