import { z } from 'zod'
import { type Run } from '../graph/run'
import { jobToFile, type Job } from '../kinds/job'
import { canonical } from '../model/digest'
import { Fault } from '../model/fault'
import { faultOf } from '../model/rules'
import { ledgerOf } from '../readers/ledger'
import { sheetsOf } from '../stages/equipment'
import { financeStage } from '../stages/finance'
import { type World } from '../stages/world'

const format = 'tall-gable-offer'
const version = 1

/** SHA-256 as 64 hexadecimal digits; whoever calls has it from where it runs. */
export type Sha256 = (content: string | Uint8Array) => string

/** All that an offer's figures are computed from. */
export interface OfferInputs {
  readonly optionId: string
  /** The job's own JSON with this option alone, its data sheets and its own weather. */
  readonly job: object
  /** The station, and the digest of its year. */
  readonly station: string
  readonly weather: string
}

export interface Figure {
  readonly id: string
  readonly value: number | null
  readonly unit: string
}

/** What an offer says, and what it says it from. */
export interface OfferFile extends OfferInputs {
  readonly format: typeof format
  readonly version: typeof version
  /** Of the inputs; the customer's page states the same. */
  readonly digest: string
  readonly figures: readonly Figure[]
}

/** What an option's figures are computed from. @param ownWeather a file of one's own that the site has chosen */
export function offerInputs(
  job: Pick<Job, 'name' | 'house'>,
  optionId: string,
  world: World,
  ownWeather: readonly { readonly id: string; readonly csv: string }[],
  sha256: Sha256,
): OfferInputs {
  const alone: Job = { ...job, options: [{ id: optionId, objects: world.option }] }
  return {
    optionId,
    job: jobToFile(alone, ownWeather, sheetsOf(alone, world.catalogue)),
    station: world.station.id,
    weather: weatherDigest(world, sha256),
  }
}

/** The digest of inputs, whatever the order of their fields. */
export const inputsDigest = ({ optionId, job, station, weather }: OfferInputs, sha256: Sha256): string =>
  // As they are when they have been a file.
  sha256(canonical(JSON.parse(JSON.stringify({ optionId, job, station, weather }))))

/** The digest of a year of weather, bit by bit. */
export function weatherDigest({ weather: { value } }: World, sha256: Sha256): string {
  const series = [value.ghi, value.dni, value.dhi, value.temperatureC, value.windMs]
  const parts = [...series, value.albedo, value.snowDepthM].map((one) =>
    one ? sha256(new Uint8Array(one.buffer, one.byteOffset, one.byteLength)) : 'none',
  )
  return sha256([value.stepMinutes, value.timeZoneHours, ...parts].join(' '))
}

/** All that an offer states as figures: the ledger to the last bit, and what is ahead year by year. */
export const figuresOf = (run: Run<World>): Figure[] => [
  ...ledgerOf(run).map(({ id, value, unit }) => ({ id, value, unit })),
  ...run.value(financeStage).cumulative.map((value, year) => ({ id: `cash-${year}`, value, unit: 'money' })),
]

export const offerFile = (inputs: OfferInputs, figures: readonly Figure[], sha256: Sha256): OfferFile => ({
  format,
  version,
  digest: inputsDigest(inputs, sha256),
  ...inputs,
  figures,
})

const hex = z.string().regex(/^[0-9a-f]{64}$/)
const fileSchema = z.object({
  format: z.literal(format),
  version: z.literal(version),
  digest: hex,
  optionId: z.string(),
  job: z.record(z.string(), z.unknown()),
  station: z.string(),
  weather: hex,
  figures: z
    .array(z.object({ id: z.string(), value: z.number().nullable(), unit: z.string() }))
    .min(1)
    .max(1000),
})

/** Whether a value calls itself the file of an offer. */
export const isOfferFile = (value: unknown): boolean =>
  typeof value === 'object' && value !== null && 'format' in value && value.format === format

/** @throws Fault `no-offer-file`, or `bad-offer-file` with the place of what is wrong */
export function parseOfferFile(value: unknown): OfferFile {
  const parsed = fileSchema.safeParse(value)
  if (parsed.success) return parsed.data
  if (!isOfferFile(value)) throw new Fault('no-offer-file')
  throw faultOf(parsed.error, 'bad-offer-file')
}

/** A figure that is not what was stated. */
export interface Differing {
  readonly id: string
  /** Null where there is none; undefined where nothing was stated. */
  readonly stated: number | null | undefined
  readonly computed: number | null | undefined
}

/** Machines round sines and powers differently in the last bits. */
const tolerance = 1e-9

/** Figures that differ by more than rounding. */
export function differing(stated: readonly Figure[], computed: readonly Figure[]): Differing[] {
  const [said, found] = [stated, computed].map((all) => new Map(all.map(({ id, value }) => [id, value]))) as [
    Map<string, number | null>,
    Map<string, number | null>,
  ]
  return [...new Set([...said.keys(), ...found.keys()])]
    .map((id) => ({ id, stated: said.get(id), computed: found.get(id) }))
    .filter(({ stated: a, computed: b }) =>
      typeof a === 'number' && typeof b === 'number'
        ? Math.abs(a - b) > tolerance * Math.max(1, Math.abs(a), Math.abs(b))
        : a !== b,
    )
}
