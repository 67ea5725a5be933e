import { suitingBatteries } from '../electrical/battery-port'
import { type Catalogue, type InverterType } from '../electrical/catalogue'
import { type Storage } from '../kinds/storage/storage'

/** Batteries side by side up to so many of one kind. */
const most = 3

/**
 * Sizes that are tried in an option, the smallest first: none, up to three of each kind that suits its inverter, and as
 * many as are chosen.
 */
export function sizesOf(
  { batteries }: Pick<Catalogue, 'batteries'>,
  chosen: Pick<Storage, 'batteryId' | 'count'>,
  inverter: Pick<InverterType, 'batteryPort' | 'micro'>,
): Pick<Storage, 'batteryId' | 'count'>[] {
  const sizes = suitingBatteries(batteries, inverter).flatMap(({ id, usableKwh }) => {
    const counts = Array.from({ length: most }, (_, k) => k + 1)
    if (id === chosen.batteryId && chosen.count > most) counts.push(chosen.count)
    return counts.map((count) => ({ batteryId: id, count, kwh: usableKwh * count }))
  })
  return [
    { batteryId: null, count: 1 },
    ...sizes.sort((a, b) => a.kwh - b.kwh).map(({ batteryId, count }) => ({ batteryId, count })),
  ]
}

/** Whether a size is the option's own; without a battery the count says nothing. */
export const isChosen = (
  { batteryId, count }: Pick<Storage, 'batteryId' | 'count'>,
  chosen: Pick<Storage, 'batteryId' | 'count'>,
): boolean => batteryId === chosen.batteryId && (batteryId === null || count === chosen.count)

/** What is asked of a size to be recommended. */
interface Judged {
  readonly billOffset: number
  readonly price: number
  readonly paybackYears: number | null
  readonly npv: number
}

/** Which sizes are recommended, each by its place; null where none is. */
export interface Recommended {
  /** Of the highest NPV; of equal ones the first, here and below. */
  readonly mostWorth: number | null
  readonly shortestPayback: number | null
  /** The cheapest of those that offset as much of the bill as is wanted. */
  readonly reaching: number | null
}

/** A share of the bill as it is read, to a tenth of a percent: one that reads as the one wanted reaches it. */
const asRead = (share: number): number => Math.round(share * 1000) / 1000

/** @param wanted share of the bill now that shall be gone */
export function recommendedSizes(sizes: readonly Judged[], wanted: number): Recommended {
  const least = (of: (size: Judged) => number | null): number | null => {
    let [best, place]: [number, number | null] = [Infinity, null]
    sizes.forEach((size, k) => {
      const value = of(size)
      if (value === null || value >= best) return
      best = value
      place = k
    })
    return place
  }
  return {
    mostWorth: least(({ npv }) => -npv),
    shortestPayback: least(({ paybackYears }) => paybackYears),
    reaching: least(({ billOffset, price }) => (asRead(billOffset) >= asRead(wanted) ? price : null)),
  }
}
