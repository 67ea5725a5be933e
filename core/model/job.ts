import { z } from 'zod'
import { faultOf, kindVersions, parseObjects, theOne, type Objects } from './document'
import { Fault } from './fault'
import { coverId } from './kinds/cover'
import { electricalId } from './kinds/electrical'
import { loadId } from './kinds/load'
import { lossesId } from './kinds/losses'
import { offerId } from './kinds/offer'
import { siteId } from './kinds/site'
import { storageId } from './kinds/storage'
import { tariffNowId, tariffThenId } from './kinds/tariff'
import { idSchema, nameSchema } from './object-kind'

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

const fileSchema = z.strictObject({
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
})

/**
 * Reads the job's own JSON.
 * @throws Fault `not-a-job`, `newer-version`, or what a bad object throws; nothing is half-read.
 */
export function parseJob(value: unknown): Job {
  const version = (value as { version?: unknown } | null)?.version
  if (typeof version === 'number' && version > jobVersion)
    throw new Fault(
      'newer-version',
      `This job was written in format ${version}; this version reads up to ${jobVersion}. Update the application to open it.`,
      'version',
    )
  const parsed = fileSchema.safeParse(value)
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
 * @throws Fault `missing-object`, `bad-job`.
 */
export function checkJob(job: Job): void {
  theOne(job.house, 'site', siteId)
  theOne(job.house, 'load', loadId)
  theOne(job.house, 'tariff', tariffNowId)
  theOne(job.house, 'tariff', tariffThenId)
  for (const option of job.options) checkOption(option.objects)
  if (new Set(job.options.map((option) => option.id)).size !== job.options.length)
    throw new Fault('bad-job', 'Two options have the same id.', 'options')
}

function checkOption(objects: Objects): void {
  theOne(objects, 'cover', coverId)
  theOne(objects, 'electrical', electricalId)
  theOne(objects, 'losses', lossesId)
  theOne(objects, 'storage', storageId)
  theOne(objects, 'offer', offerId)
}

/** The job's own JSON, as `parseJob` reads it. */
export function jobToFile(job: Job): object {
  return {
    format: jobFormat,
    version: jobVersion,
    kinds: kindVersions,
    name: job.name,
    house: job.house,
    options: job.options,
  }
}

/** A, B, C … by place among the options. */
export const optionLetter = (index: number) => String.fromCharCode(65 + (index % 26))
