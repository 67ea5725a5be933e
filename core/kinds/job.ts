import { z } from 'zod'
import { checkSingles, kindVersions, parseObjects, type Objects } from './documents'
import { Fault } from '../model/fault'
import { idSchema, nameSchema } from '../model/object-base'
import { faultOf } from '../model/rules'

/** One customer at one address: a house and the ways to do it. */
export interface Job {
  readonly name: string
  readonly house: Objects
  readonly options: readonly JobOption[]
}

export interface JobOption {
  readonly id: string
  readonly objects: Objects
}

export const jobFormat = 'tall-gable-job'
export const jobVersion = 1

/** Pictures and drawings that go with a job, by their digests. */
export type JobFiles = readonly { readonly id: string; readonly base64: string }[]

/** The file a job is kept in; its documents are read object by object. */
export const jobFileSchema = z.strictObject({
  format: z.literal(jobFormat),
  version: z.number().int().positive(),
  kinds: z.record(z.string(), z.number().int().positive()),
  name: nameSchema,
  house: z.unknown(),
  options: z
    .array(z.strictObject({ id: idSchema, objects: z.unknown() }))
    .min(1)
    .max(26),
  /** Imported weather that the site has chosen, as tables; read by whoever stores the job. */
  weather: z
    .array(z.strictObject({ id: z.string().max(80), csv: z.string() }))
    .max(4)
    .optional(),
  /** Pictures and drawings that lie under the model, by their digests; read by whoever stores the job. */
  files: z
    .array(z.strictObject({ id: z.string().max(40), base64: z.string() }))
    .max(100)
    .optional(),
  /** Data sheets of what the options name; read by whoever computes the job. */
  equipment: z.unknown().optional(),
})

/**
 * Reads the job's own JSON.
 * @throws Fault `not-a-job`, `newer-version`, or what a bad object throws; nothing is half-read.
 */
export function parseJob(value: unknown): Job {
  const version = (value as { version?: unknown } | null)?.version
  if (typeof version === 'number' && version > jobVersion)
    throw new Fault('newer-version', { what: 'job', version, known: jobVersion }, 'version')
  const parsed = jobFileSchema.safeParse(value)
  if (!parsed.success) throw faultOf(parsed.error, 'not-a-job')
  const { name, kinds, house, options } = parsed.data
  const job = {
    name,
    house: parseObjects(house, 'house', 'house', kinds),
    options: options.map((option, index) => ({
      id: option.id,
      objects: parseObjects(option.objects, 'option', `options.${index}.objects`, kinds),
    })),
  }
  checkJob(job)
  return job
}

/**
 * Every job has its single objects: a site, a load, two tariffs; every option a cover, wiring, losses, storage, offer.
 * @throws Fault `missing-object`, `twin-options`.
 */
export function checkJob(job: Job): void {
  checkSingles(job.house, 'house')
  for (const option of job.options) checkSingles(option.objects, 'option')
  if (new Set(job.options.map((option) => option.id)).size !== job.options.length)
    throw new Fault('twin-options', {}, 'options')
}

/**
 * The job's own JSON, as `parseJob` reads it.
 * @param weather imported weather that the site has chosen
 * @param files pictures and drawings that lie under the model
 * @param equipment data sheets of what the options name, as a catalogue has them
 */
export function jobToFile(
  job: Job,
  weather: readonly { id: string; csv: string }[] = [],
  equipment: object | null = null,
  files: JobFiles = [],
): object {
  return {
    format: jobFormat,
    version: jobVersion,
    kinds: kindVersions,
    name: job.name,
    house: job.house,
    options: job.options,
    ...(weather.length > 0 ? { weather } : {}),
    ...(equipment ? { equipment } : {}),
    ...(files.length > 0 ? { files } : {}),
  }
}

/** A, B, C … by place among the options. */
export const optionLetter = (index: number) => String.fromCharCode(65 + (index % 26))
