import { stage, type Stage } from '../../graph/stage'
import { coverId } from '../../kinds/cover/cover'
import { siteId } from '../../kinds/site/site'
import { type Check, type Remedy } from '../../model/ledger'
import { type Unit } from '../../model/said'
import { type Ballast } from '../../structure/ballast'
import { type Holding } from '../../structure/holding'
import { worstFoot, type Racking } from '../../structure/racking'
import { structureStage } from '../structure'
import { coverIn, siteIn, type World } from '../world'
import { type Account } from './account'

type Reads = {
  readonly every: number | null
  readonly reserveKpa: number | null
}

/** Whether rails, feet and ballast hold, and the roof bears them. */
export const structureAccount: Stage<World, Account> = stage({
  name: 'account of the structure',
  version: 2,
  after: { holdings: structureStage },
  reads: (world: World): Reads => ({
    every: coverIn(world).footEvery,
    reserveKpa: siteIn(world).roofReserveKpa,
  }),
  compute: (reads, { holdings }) => ({
    lines: [],
    checks: holdings.flatMap((holding) => checksOf(holding, reads)),
  }),
})

function checksOf(holding: Holding, reads: Reads): Check[] {
  if (holding.is === 'unheld') return [unheldCheck(holding)]
  return [
    ...(holding.is === 'rails' ? railChecks(holding, reads) : blockChecks(holding)),
    ...loadChecks(holding, reads),
  ]
}

const chooseAutomatically = (field: 'mountingId' | 'flatMountingId' | 'footEvery'): Remedy => ({
  code: field === 'footEvery' ? 'feet-automatically' : 'mounting-automatically',
  set: { id: coverId, field, value: null },
})

function unheldCheck({ arrayId, mounting, covering, onSlope }: Extract<Holding, { is: 'unheld' }>): Check {
  const about = { id: `mounting-unsuited-${arrayId}`, measured: null, objects: [arrayId] }
  const array = { ref: arrayId }
  if (mounting)
    return {
      ...about,
      code: 'mounting-unsuited',
      data: { array, mounting: { ref: mounting.id } },
      severity: 'broken',
      remedy: chooseAutomatically(covering === 'membrane' ? 'flatMountingId' : 'mountingId'),
    }
  const isWrong = onSlope && covering === 'membrane'
  return {
    ...about,
    code: 'mounting-none',
    data: { array, covering: isWrong ? 'slope' : 'other' },
    severity: 'warning',
    ...(isWrong && {
      remedy: { code: 'covered-with-tiles', set: { id: siteId, field: 'roofCovering', value: 'tile' } },
    }),
  }
}

/** Figures a hair over their limits come from rounding, not from anybody's drawing. */
const over = (figure: number, limit: number) => figure > limit + 1e-6

function railChecks(racking: Racking, { every }: Reads): Check[] {
  const { arrayId, mounting, rails } = racking
  const remedy = every === null ? {} : { remedy: chooseAutomatically('footEvery') }
  const check = (
    code: 'foot-load' | 'rail-span' | 'rail-overhang',
    figure: number,
    limit: number,
    unit: Unit,
    data: Check['data'] = {},
  ): Check[] =>
    over(figure, limit)
      ? [
          {
            id: `${code}-${arrayId}`,
            code,
            data: {
              ...data,
              array: { ref: arrayId },
              mounting: { ref: mounting.id },
              figure: { value: figure, unit },
              limit: { value: limit, unit },
            },
            severity: 'broken',
            measured: { figure, limit, unit },
            objects: [arrayId],
            ...remedy,
          },
        ]
      : []
  const { side, figure, limit } = worstFoot(racking)
  const farthest = <T>(list: readonly T[], excess: (one: T) => number): T | undefined =>
    list.toSorted((a, b) => excess(b) - excess(a))[0]
  const widest = farthest(rails, ({ spanM, spanLimitM }) => spanM - spanLimitM)
  const longest = farthest(rails, ({ overhangM, overhangLimitM }) => overhangM - overhangLimitM)
  const loose = rails.filter((rail) => rail.feet.length < 2).length
  return [
    ...check('foot-load', figure, limit, 'kN', { side }),
    ...(widest ? check('rail-span', widest.spanM, widest.spanLimitM, 'm') : []),
    ...(longest ? check('rail-overhang', longest.overhangM, longest.overhangLimitM, 'm') : []),
    ...(loose === 0
      ? []
      : [
          {
            id: `rail-loose-${arrayId}`,
            code: 'rail-loose',
            data: { array: { ref: arrayId }, rails: loose },
            severity: 'broken',
            measured: { figure: loose, limit: 0, unit: 'count' },
            objects: [arrayId],
          } as const,
        ]),
  ]
}

function blockChecks({ arrayId, mounting, trays }: Ballast): Check[] {
  const { most } = mounting.block
  const blocks = Math.max(0, ...trays.map((tray) => tray.blocks))
  if (blocks <= most) return []
  return [
    {
      id: `ballast-many-${arrayId}`,
      code: 'ballast-many',
      data: {
        array: { ref: arrayId },
        mounting: { ref: mounting.id },
        modules: trays.filter((tray) => tray.blocks > most).length,
        blocks,
        most,
      },
      severity: 'broken',
      measured: { figure: blocks, limit: most, unit: 'count' },
      objects: [arrayId],
    },
  ]
}

function loadChecks({ arrayId, deadKpa }: Racking | Ballast, { reserveKpa }: Reads): Check[] {
  if (reserveKpa === null || !over(deadKpa, reserveKpa)) return []
  const unit = 'kN/m²'
  return [
    {
      id: `roof-load-${arrayId}`,
      code: 'roof-load',
      data: {
        array: { ref: arrayId },
        figure: { value: deadKpa, unit },
        limit: { value: reserveKpa, unit },
      },
      severity: 'broken',
      measured: { figure: deadKpa, limit: reserveKpa, unit },
      objects: [arrayId],
    },
  ]
}
