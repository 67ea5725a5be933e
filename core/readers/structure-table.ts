import { type Ballast } from '../structure/ballast'
import { type Holding } from '../structure/holding'
import { type Mounting } from '../structure/mounting'
import { worstFoot, type Racking } from '../structure/racking'
import { csvLine } from './csv'

/** What holds one array, in figures. */
export interface HoldingRow {
  readonly arrayId: string
  readonly mounting: Mounting
  /** Of rails: together. */
  readonly railM: number | null
  /** Feet, or ballast blocks. */
  readonly feet: number | null
  readonly blocks: number | null
  /** Most that a foot bears against what is allowed, on the side where less is left, kN; blocks on a module against the most. */
  readonly most: { readonly figure: number; readonly limit: number; readonly side: 'up' | 'down' | 'blocks' }
  readonly weightKg: number
  readonly deadKpa: number
}

export const holdingRows = (holdings: readonly Holding[]): HoldingRow[] =>
  holdings.flatMap((holding) =>
    holding.is === 'unheld' ? [] : [holding.is === 'rails' ? railRow(holding) : blockRow(holding)],
  )

const greatest = (values: readonly number[]) => Math.max(0, ...values)

const railRow = (holding: Racking): HoldingRow => ({
  arrayId: holding.arrayId,
  mounting: holding.mounting,
  railM: holding.rails.reduce((sum, { lengthM }) => sum + lengthM, 0),
  feet: holding.rails.reduce((sum, { feet }) => sum + feet.length, 0),
  blocks: null,
  most: worstFoot(holding),
  weightKg: holding.weightKg,
  deadKpa: holding.deadKpa,
})

const blockRow = ({ arrayId, mounting, trays, blocks, weightKg, deadKpa }: Ballast): HoldingRow => ({
  arrayId,
  mounting,
  railM: null,
  feet: null,
  blocks,
  most: {
    figure: greatest(trays.map((tray) => tray.blocks)),
    limit: mounting.block.most,
    side: 'blocks',
  },
  weightKg,
  deadKpa,
})

/** The greatest loads that any array meets: arrays on other pitches and buildings have loads of their own. */
export interface WorstLoads {
  /** Peak velocity pressure, kN/m²; null where nothing is held. */
  readonly windKpa: number | null
  readonly zones: readonly Zoned[]
}
type Zoned = Racking['pressures'][number]

export function worstLoads(holdings: readonly Holding[]): WorstLoads {
  const held = holdings.filter((holding) => holding.is !== 'unheld')
  const by = new Map<Zoned['zone'], Zoned>()
  for (const holding of held)
    for (const { zone, upKpa, downKpa } of holding.is === 'rails' ? holding.pressures : []) {
      const known = by.get(zone)
      by.set(zone, {
        zone,
        upKpa: Math.max(upKpa, known?.upKpa ?? 0),
        downKpa: Math.max(downKpa, known?.downKpa ?? 0),
      })
    }
  return {
    windKpa: held.length === 0 ? null : greatest(held.map(({ windKpa }) => windKpa)),
    zones: [...by.values()],
  }
}

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
