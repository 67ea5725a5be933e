import { createHash } from 'node:crypto'
import { type Command } from 'commander'
import {
  differing,
  figuresOf,
  inputsDigest,
  offerFile,
  offerInputs,
  parseOfferFile,
  weatherDigest,
  type OfferFile,
  type Sha256,
} from '@/core/exports/offer-file'
import { print, readJsonFile } from '../files'
import { jobArgument, jobIn, optionOf, readJob, runOf, worldOption, type JobRead } from '../job'

const sha256: Sha256 = (content) => createHash('sha256').update(content).digest('hex')

/** A job's option as the file of an offer. */
async function offerOf(
  read: JobRead,
  name: string | undefined,
  place: string | undefined,
): Promise<OfferFile> {
  const { option } = optionOf(read.job, name)
  const { world, run } = await runOf(read, option, place)
  const inputs = offerInputs(read.job, option.id, world, read.weather, sha256)
  return offerFile(inputs, figuresOf(run), sha256)
}

export function addOffer(gable: Command): void {
  gable
    .command('offer')
    .description('An option as a file that its figures can be verified from')
    .argument('<job>', jobArgument)
    .option('--option <option>', 'letter or id; the first when not given')
    .option(...worldOption)
    .action(async (file: string, options: { option?: string; world?: string }) =>
      print(await offerOf(readJob(file), options.option, options.world)),
    )
}

/** Recomputes an offer from its own inputs, and tells what does not hold. */
async function verified(value: unknown, place: string | undefined) {
  const stated = parseOfferFile(value)
  const digest = inputsDigest(stated, sha256)
  const read = jobIn(stated.job)
  const { option } = optionOf(read.job, stated.optionId)
  const { world, run } = await runOf(read, option, place)
  const computed = figuresOf(run)
  const differences = differing(stated.figures, computed)
  const isSameWeather = world.station.id === stated.station && weatherDigest(world, sha256) === stated.weather
  return {
    holds: digest === stated.digest && isSameWeather && differences.length === 0,
    digest: { stated: stated.digest, computed: digest, same: digest === stated.digest },
    weather: { station: stated.station, same: isSameWeather },
    figures: computed.length,
    differences,
  }
}

export function addVerify(gable: Command): void {
  gable
    .command('verify')
    .description('Whether the figures of an offer follow from its inputs; ends with 1 where they do not')
    .argument('<offer>', 'file of an offer, as the bench or `gable offer` writes it')
    .option(...worldOption)
    .action(async (file: string, options: { world?: string }) => {
      const found = await verified(readJsonFile(file), options.world)
      print(found)
      if (!found.holds) process.exitCode = 1
    })
}
