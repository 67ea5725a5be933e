import { z } from 'zod'
import { idSchema, type DeepReadonly } from '../model/object-base'
import { between } from './wind'

/** What a roof is made of, as far as it decides what modules are fixed with. */
export const roofCoverings = ['shingle', 'tile', 'flat-tile', 'standing-seam', 'metal', 'membrane'] as const
export type RoofCovering = (typeof roofCoverings)[number]

const named = { id: idSchema, maker: z.string(), name: z.string(), coverings: z.array(z.enum(roofCoverings)) }
const positive = z.number().positive()

/** Two rails under each row of modules, on feet that are fixed to the roof. */
const railedSchema = z.object({
  ...named,
  is: z.literal('rails'),
  rail: z.object({
    /** As it is delivered. */
    lengthM: positive,
    widthM: positive,
    weightKgPerM: positive,
    /** The widest span that bears a load along the rail, from the least load on; straight between, none beyond the last. */
    spans: z.array(z.object({ loadKnPerM: positive, spanM: positive })).min(1),
    /** How far an end may stand out beyond its last foot, as a share of the span allowed there. */
    overhang: z.number().min(0).max(1),
  }),
  foot: z.object({
    /** What is allowed across the roof, away from it and onto it. */
    upKn: positive,
    downKn: positive,
    weightKg: positive,
    /** Seams are where the covering has them, `apartM`; rafters are the job's. */
    on: z.discriminatedUnion('is', [
      z.object({ is: z.literal('rafters') }),
      z.object({ is: z.literal('seams'), apartM: positive }),
    ]),
  }),
  /** Rail that shows beyond the last module, for its end clamp. */
  endM: positive,
})

/** Modules on trays that lie on a level roof and are held down by weight. */
const ballastedSchema = z.object({
  ...named,
  is: z.literal('ballast'),
  /** Of the trays on the covering. */
  friction: positive,
  block: z.object({ weightKg: positive, most: z.number().int().positive() }),
  /** Of a tray, to a module. */
  weightKg: positive,
  /** Net wind coefficients of the maker's, by the zone of the roof. */
  lift: z.object({ corner: positive, edge: positive, middle: positive }),
  drag: z.object({ corner: positive, edge: positive, middle: positive }),
})

/** The data sheet of what modules are fixed to a roof with. */
export const mountingSchema = z.discriminatedUnion('is', [railedSchema, ballastedSchema])
export type Mounting = DeepReadonly<z.infer<typeof mountingSchema>>
export type Railed = Extract<Mounting, { is: 'rails' }>
export type Ballasted = Extract<Mounting, { is: 'ballast' }>

/** The widest span of a rail under a load along it, m; 0 where it bears less than that at any. */
export function spanUnder({ spans }: Railed['rail'], loadKnPerM: number): number {
  const rows = spans.toSorted((a, b) => a.loadKnPerM - b.loadKnPerM)
  const loads = rows.map((row) => row.loadKnPerM)
  return loadKnPerM > (loads.at(-1) ?? 0)
    ? 0
    : between(
        loads,
        rows.map((row) => row.spanM),
        loadKnPerM,
      )
}
