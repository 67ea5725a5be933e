import { z } from 'zod'
import { Fault } from '@/core/model/fault'
import { faultOf, ruleMessage } from '@/core/model/rules'
import { countedTwice } from '@/core/kinds/losses/counted-twice'
import { settledLosses, type SettledLosses } from '@/core/kinds/losses/first-year'
import { defaultLosses, lossesSchema } from '@/core/kinds/losses/losses'

const share = z.number().min(0).max(0.9)
const monthly = z.union([share, z.array(share).length(12, ruleMessage('share-or-twelve'))])
const positive = z.number().positive()
const perK = z.number().min(-0.02).max(0.02)

const oneAxis = z.strictObject({
  kind: z.literal('one-axis'),
  axisTiltDeg: z.number().min(0).max(60).default(0),
  axisAzimuthDeg: z.number().min(-360).max(360).default(0),
  limitDeg: z.number().min(1).max(90).default(60),
  groundCover: z.number().min(0.01).max(1).default(0.35),
  backtracking: z.boolean().default(true),
})
const twoAxis = z.strictObject({
  kind: z.literal('two-axis'),
  limitDeg: z.number().min(1).max(90).default(90),
})

/** A sheet that gives only its nominal operating cell temperature. */
const noct = z.strictObject({ kind: z.literal('noct'), noctC: z.number().min(30).max(80) })

/** What `gable yield` takes. */
export const yieldCase = z.object({
  weather: z.string().min(1),
  arrays: z
    .array(
      z.object({
        tiltDeg: z.number().min(0).max(90).default(0),
        azimuthDeg: z.number().min(-360).max(360).default(180),
        modules: z.number().int().min(1).max(100_000),
        /** What fits the inverter best where it is not given. */
        modulesPerString: z.number().int().min(1).max(1000).optional(),
        module: z.object({
          powerW: positive.max(2000),
          powerPerK: perK.max(0).optional(),
          /** With it the single-diode model, without it a linear one. */
          sheet: z
            .object({
              vocV: positive,
              vmpV: positive,
              iscA: positive,
              impA: positive,
              vocPerK: perK,
              iscPerK: perK,
            })
            .optional(),
        }),
        mount: z
          .union([
            z.enum(['roof', 'close', 'raised', 'open']),
            z.discriminatedUnion('kind', [oneAxis, twoAxis, noct]),
          ])
          .default('close'),
        /** Air behind modules on a roof, and their height over the ground for the wind there. */
        gapM: z.number().min(0).max(1).optional(),
        heightM: z.number().min(0).max(100).optional(),
      }),
    )
    .min(1),
  inverter: z.object({
    acPowerW: positive,
    efficiency: z.number().min(0.5).max(1).optional(),
    nightW: z.number().min(0).max(1000).optional(),
    king: z
      .strictObject({
        dcPowerW: positive,
        dcVoltsV: positive,
        startW: z.number().min(0),
        c0PerW: z.number(),
        c1PerV: z.number(),
        c2PerV: z.number(),
        c3PerV: z.number(),
      })
      .optional(),
  }),
  losses: z.record(z.string(), z.unknown()).optional(),
  albedo: z.number().min(0).max(1).optional(),
  model: z.enum(['perez', 'hay-davies']).optional(),
  /** Where every interval is written to. */
  hourly: z.string().min(1).optional(),
})
export type YieldCase = z.infer<typeof yieldCase>

const given = z.strictObject({
  soiling: monthly.optional(),
  snow: monthly.optional(),
  lightInduced: share.optional(),
  nameplate: share.optional(),
  wiring: share.optional(),
  connections: share.optional(),
  availability: share.optional(),
  manufacturingMismatch: share.optional(),
  other: z.array(z.strictObject({ name: z.string().min(1).max(80), share })).optional(),
})

const twelve = (value: number | number[] | undefined, usual: readonly number[]) =>
  value === undefined ? usual : typeof value === 'number' ? new Array<number>(12).fill(value) : value

/**
 * The entered losses, defaults where none is given.
 * @throws Fault `counted-twice` for a loss that is computed here, `bad-case` for one that is not known
 */
export function lossesIn(value: YieldCase['losses']): SettledLosses {
  for (const name of Object.keys(value ?? {})) {
    const model = countedTwice(name)
    if (model !== null)
      throw new Fault('counted-twice', { name, model: { code: `model-${model}` } }, `losses.${name}`)
  }
  const parsed = given.safeParse(value ?? {})
  if (!parsed.success) throw faultOf(parsed.error, 'bad-case', 'losses')
  const { soiling, snow, manufacturingMismatch, other = [], ...rest } = parsed.data
  const losses = lossesSchema.parse({
    ...defaultLosses,
    ...Object.fromEntries(Object.entries(rest).filter(([, v]) => v !== undefined)),
    soiling: twelve(soiling, defaultLosses.soiling),
    snow: twelve(snow, defaultLosses.snow),
    other:
      manufacturingMismatch === undefined
        ? other
        : [...other, { name: 'Manufacturing mismatch', share: manufacturingMismatch }],
  })
  // Cases name no cells: the usual ones.
  return settledLosses(losses, { cell: 'p-type', sortedUp: false })
}
