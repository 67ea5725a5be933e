import { type Ballast } from '../structure/ballast'
import { type Holding } from '../structure/holding'
import { type Mounting } from '../structure/mounting'
import { worstFoot, type Racking } from '../structure/racking'

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
