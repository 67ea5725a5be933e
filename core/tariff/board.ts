import { type TariffForm } from '../kinds/tariff/form'
import { inHours } from '../model/hours-of-day'
import { holdsOn } from './when'

type Period = TariffForm['periods'][number]

/** A price that hours are painted with. */
export interface Paint {
  readonly name: string
  readonly pricePerKwh: number
  /** What a kWh earns that goes out in its hours; absent where the tariff's own export price holds. */
  readonly exportPerKwh?: number
}

export const boardDays = ['weekday', 'weekend'] as const
export type BoardDay = (typeof boardDays)[number]

/** One entry to each hour of each month: the place of a paint, or `bare` where the tariff's own price holds. */
export type BoardRows = readonly (readonly number[])[]
export const bare = -1

/** A tariff's periods as a board: months by hours, for weekdays and for weekends. */
export interface Board extends Readonly<Record<BoardDay, BoardRows>> {
  readonly paints: readonly Paint[]
  /** Whether some price changes in the middle of a month, which a board cannot show: the 15th stands for all of it. */
  readonly dated: boolean
}

/** The highest number of periods that a tariff may have. */
export const mostPeriods = 100

const same = (a: Paint, b: Paint): boolean =>
  a.name === b.name && a.pricePerKwh === b.pricePerKwh && a.exportPerKwh === b.exportPerKwh

/** The board of a tariff's periods; those of one name and price are one paint. */
export function boardOf(periods: readonly Period[]): Board {
  const paints: Paint[] = []
  const paintOf = periods.map((period) => {
    const { name, pricePerKwh, exportPerKwh } = period
    const paint: Paint = { name, pricePerKwh, ...(exportPerKwh === undefined ? {} : { exportPerKwh }) }
    const known = paints.findIndex((one) => same(one, paint))
    return known === -1 ? paints.push(paint) - 1 : known
  })
  const rows = (free: boolean): BoardRows =>
    Array.from({ length: 12 }, (_, month) => {
      const today = periods.map((period) => holdsOn(period, month, 15, free))
      return Array.from({ length: 24 }, (_, hour) => {
        const first = periods.findIndex((period, p) => today[p] && inHours(period, hour))
        return paintOf[first] ?? bare
      })
    })
  return {
    paints,
    weekday: rows(false),
    weekend: rows(true),
    dated: periods.some(({ dates }) => dates !== undefined),
  }
}

/** Hours in a row that one paint holds in, `from` within and `to` not; over midnight where `from` is later. */
interface Stretch {
  readonly from: number
  readonly to: number
}

/** @returns where a paint holds in a day, as few stretches as there can be */
function stretchesOf(row: readonly number[], paint: number): Stretch[] {
  const holds = (hour: number) => row[(hour + 24) % 24] === paint
  if (row.every((_, hour) => holds(hour))) return [{ from: 0, to: 24 }]
  const found: Stretch[] = []
  for (let from = 0; from < 24; from++) {
    if (!holds(from) || holds(from - 1)) continue
    let to = from
    while (holds(to)) to++
    found.push({ from, to: to > 24 ? to - 24 : to })
  }
  return found
}

const allMonths = 12

/** Periods that come to a board: each holds in some months, on some days, in hours that follow each other. */
export function periodsOf({ paints, ...board }: Pick<Board, 'paints' | BoardDay>): Period[] {
  return paints.flatMap((paint, p) => {
    // The months of each stretch of hours, on weekdays and on weekends.
    const months = new Map<string, Record<BoardDay, number[]> & Stretch>()
    for (const days of boardDays)
      board[days].forEach((row, month) => {
        for (const stretch of stretchesOf(row, p)) {
          const key = `${stretch.from} ${stretch.to}`
          const one = months.get(key) ?? { ...stretch, weekday: [], weekend: [] }
          one[days].push(month + 1)
          months.set(key, one)
        }
      })
    return [...months.values()].flatMap(({ from, to, weekday, weekend }) => {
      const parts = [
        { days: 'all', months: weekday.filter((month) => weekend.includes(month)) },
        { days: 'weekday', months: weekday.filter((month) => !weekend.includes(month)) },
        { days: 'weekend', months: weekend.filter((month) => !weekday.includes(month)) },
      ] as const
      return parts
        .filter((part) => part.months.length > 0)
        .map((part): Period => ({
          ...paint,
          days: part.days,
          months: part.months.length === allMonths ? [] : part.months,
          fromHour: from,
          toHour: to,
        }))
    })
  })
}

/** A rectangle of the board: both ends are within. */
export interface Stroke {
  readonly days: BoardDay
  readonly months: readonly [number, number]
  readonly hours: readonly [number, number]
}

/** The board after a stroke with a paint, or with `bare`. */
export function painted<B extends Pick<Board, BoardDay>>(
  board: B,
  { days, months, hours }: Stroke,
  paint: number,
): B {
  const within = (value: number, [a, b]: readonly [number, number]) =>
    value >= Math.min(a, b) && value <= Math.max(a, b)
  return {
    ...board,
    [days]: board[days].map((row, month) =>
      within(month, months) ? row.map((was, hour) => (within(hour, hours) ? paint : was)) : row,
    ),
  }
}
