import { type Catalogue } from '../electrical/catalogue'
import { type Storage } from '../kinds/storage/storage'

/** Batteries side by side up to so many of one kind. */
const most = 3

/** Sizes that are tried in an option, the smallest first: none, up to three of each kind, and what is chosen. */
export function sizesOf(
  { batteries }: Pick<Catalogue, 'batteries'>,
  chosen: Pick<Storage, 'batteryId' | 'count'>,
): Pick<Storage, 'batteryId' | 'count'>[] {
  const sizes = batteries.flatMap(({ id, usableKwh }) => {
    const counts = Array.from({ length: most }, (_, k) => k + 1)
    if (id === chosen.batteryId && chosen.count > most) counts.push(chosen.count)
    return counts.map((count) => ({ batteryId: id, count, kwh: usableKwh * count }))
  })
  return [
    { batteryId: null, count: 1 },
    ...sizes.sort((a, b) => a.kwh - b.kwh).map(({ batteryId, count }) => ({ batteryId, count })),
  ]
}
