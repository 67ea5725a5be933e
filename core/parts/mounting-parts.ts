import { csvLine } from '../readers/csv'
import { type Holding } from '../structure/holding'
import { type Mounting } from '../structure/mounting'

/** Parts of what holds modules. */
export const structureParts = [
  'rail',
  'splice',
  'end-clamp',
  'middle-clamp',
  'foot',
  'tray',
  'block',
] as const

/** So many of one part of a mounting. */
export interface PartCount {
  readonly mounting: Mounting
  readonly part: (typeof structureParts)[number]
  readonly count: number
}

/** What an option's arrays are held with, part by part; rails of one array are cut for that array alone. */
export function partCounts(holdings: readonly Holding[]): PartCount[] {
  const found = new Map<string, PartCount>()
  const add = (mounting: Mounting, part: PartCount['part'], count: number) => {
    if (count === 0) return
    const key = `${mounting.id} ${part}`
    found.set(key, { mounting, part, count: (found.get(key)?.count ?? 0) + count })
  }
  for (const holding of holdings) {
    if (holding.is === 'unheld') continue
    const { mounting } = holding
    if (holding.is === 'ballast') {
      add(mounting, 'tray', holding.trays.length)
      add(mounting, 'block', holding.blocks)
      continue
    }
    add(mounting, 'rail', holding.stock)
    add(
      mounting,
      'splice',
      holding.rails.reduce((sum, { splices }) => sum + splices.length, 0),
    )
    add(mounting, 'end-clamp', holding.clamps.filter(({ is }) => is === 'end').length)
    add(mounting, 'middle-clamp', holding.clamps.filter(({ is }) => is === 'middle').length)
    add(
      mounting,
      'foot',
      holding.rails.reduce((sum, { feet }) => sum + feet.length, 0),
    )
  }
  return [...found.values()]
}

/** The counts as a file. */
export const partsCsv = (parts: readonly PartCount[]): string =>
  [
    csvLine(['maker', 'mounting', 'part', 'count', 'length_m', 'weight_kg']),
    ...parts.map(({ mounting, part, count }) =>
      csvLine([
        mounting.maker,
        mounting.name,
        part,
        count,
        part === 'rail' && mounting.is === 'rails' ? mounting.rail.lengthM : '',
        part === 'block' && mounting.is === 'ballast' ? mounting.block.weightKg : '',
      ]),
    ),
  ].join('\n') + '\n'
