import { type Electrical } from '../kinds/electrical/electrical'
import { type PartLine } from './parts-list'

/** A line as it is counted, and as somebody has changed it; or one that somebody has added. */
export interface ChosenPart {
  /** Of a counted line, as `PartChange` names it; of an added one its place. */
  readonly key: string
  /** What it was counted as; null for an added one. */
  readonly line: PartLine | null
  /** Of an added one. */
  readonly name: string | null
  readonly count: number
  readonly unit: PartLine['unit']
  readonly price: number | null
  readonly weightKg: number | null
  /** There already: not to be brought, nor paid. */
  readonly onSite: boolean
}

export const partKey = ({ code, typeId }: Pick<PartLine, 'code' | 'typeId'>): string =>
  typeId === null ? code : `${code}/${typeId}`

/** What is counted from the drawing with what somebody knows better of it, and below it what somebody has added. */
export function chosenParts(
  lines: readonly PartLine[],
  { partChanges, ownParts }: Pick<Electrical, 'partChanges' | 'ownParts'>,
): ChosenPart[] {
  const changes = new Map(partChanges.map((change) => [change.part, change] as const))
  return [
    ...lines.map((line): ChosenPart => {
      const key = partKey(line)
      const change = changes.get(key)
      return {
        key,
        line,
        name: null,
        count: change?.count ?? line.count,
        unit: line.unit,
        price: change?.price ?? line.price,
        weightKg: line.weightKg,
        onSite: change?.onSite ?? false,
      }
    }),
    ...ownParts.map((own, k): ChosenPart => ({
      key: `own-${k}`,
      line: null,
      weightKg: null,
      onSite: false,
      ...own,
    })),
  ]
}

/** The changes with one line's set; what is no change any more goes, and so do those of lines that are not counted now. */
export function withChange(
  lines: readonly PartLine[],
  { partChanges }: Pick<Electrical, 'partChanges'>,
  key: string,
  fields: Partial<Pick<Electrical['partChanges'][number], 'onSite' | 'count' | 'price'>>,
): Electrical['partChanges'] {
  const present = new Set(lines.map(partKey))
  const before = partChanges.find(({ part }) => part === key)
  const change = { part: key, onSite: false, count: null, price: null, ...before, ...fields }
  return [...partChanges.filter(({ part }) => part !== key), change].filter(
    ({ part, onSite, count, price }) => present.has(part) && (onSite || count !== null || price !== null),
  )
}

/** Lines that are of the battery, whatever else is put up. */
const ofBattery: ReadonlySet<string> = new Set([
  'battery',
  'battery-breaker',
  'battery-isolator',
  'battery-cable',
])

/** What is to be brought costs, by what it is of; of lines without a price nothing is known, and they cost nothing. */
export function partsCost(
  lines: readonly PartLine[],
  electrical: Pick<Electrical, 'partChanges' | 'ownParts'>,
): { readonly solar: number; readonly battery: number; readonly unpriced: number } {
  const parts = chosenParts(lines, electrical)
  const battery = parts.filter(({ line }) => line && ofBattery.has(line.code))
  const all = toBring(parts)
  const { price } = toBring(battery)
  return { solar: all.price - price, battery: price, unpriced: all.lines - all.priced }
}

/** What is to be brought: what all of it that has a price comes to, and what of it is known to weigh something weighs. */
export function toBring(parts: readonly ChosenPart[]): {
  readonly price: number
  readonly weightKg: number
  readonly priced: number
  readonly lines: number
} {
  const brought = parts.filter(({ onSite, count }) => !onSite && count > 0)
  return {
    price: brought.reduce((sum, { count, price }) => sum + count * (price ?? 0), 0),
    weightKg: brought.reduce((sum, { count, weightKg }) => sum + count * (weightKg ?? 0), 0),
    priced: brought.filter(({ price }) => price !== null).length,
    lines: brought.length,
  }
}
