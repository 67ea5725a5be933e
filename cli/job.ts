import { type Catalogue } from '@/core/electrical/catalogue'
import { isOfferFile, parseOfferFile } from '@/core/exports/offer-file'
import { Graph } from '@/core/graph/graph'
import { type Run } from '@/core/graph/run'
import { theOne } from '@/core/kinds/documents'
import { jobToFile, optionLetter, parseJob, type Job, type JobFiles, type JobOption } from '@/core/kinds/job'
import { siteId } from '@/core/kinds/site/site'
import { Fault } from '@/core/model/fault'
import { readSheets, sheetsOf, withSheets } from '@/core/stages/equipment'
import { type World } from '@/core/stages/world'
import { fileOf, ownWeatherId } from '@/core/weather/own-weather'
import { readPlaced } from '@/core/weather/read-weather'
import { Surroundings, type OwnWeather } from '@/services/world-of'
import { readJsonFile } from './files'
import { worldAt } from './world-files'

/** Names under which the shipped jobs stand in for files. */
const shipped: Readonly<Record<string, string>> = {
  shipped: 'shipped-job.json',
  tarrowee: 'tarrowee-job.json',
  valdecorva: 'valdecorva-job.json',
}

/** How the commands on jobs describe their argument. */
export const jobArgument = `the job's own JSON, the file of an offer, or one of the shipped jobs: ${Object.keys(shipped).join(', ')}`

export const worldOption = [
  '--world <place>',
  'address or folder of the service that knows weather and equipment; the made-up world when not given',
] as const

/** A job as its file has it. */
export interface JobRead {
  readonly job: Job
  /** The weather that came in the file, where the site has chosen it. */
  readonly own: OwnWeather | undefined
  /** The same as the table that came. */
  readonly weather: readonly { readonly id: string; readonly csv: string }[]
  /** Pictures and drawings that came in the file. */
  readonly files: JobFiles
  /** The data sheets that came in the file; null where it brought none. */
  readonly sheets: Catalogue | null
}

/** @throws Fault */
export function readJob(file: string): JobRead {
  const sample = Object.hasOwn(shipped, file) ? shipped[file] : undefined
  return jobIn(
    readJsonFile(sample === undefined ? file : new URL(`../samples/${sample}`, import.meta.url).pathname),
  )
}

/** The same from what stands in a file: a job, or the one that an offer was made from. @throws Fault */
export function jobIn(value: unknown): JobRead {
  if (isOfferFile(value)) return jobIn(parseOfferFile(value).job)
  const job = parseJob(value)
  const files = (value as { files?: JobFiles }).files ?? []
  const sheets = readSheets((value as { equipment?: unknown }).equipment)
  const id = ownWeatherId(theOne(job.house, 'site', siteId).stationId)
  const csv = id === null ? undefined : fileOf(value, id)
  return id !== null && csv !== undefined
    ? { job, own: { id, year: readPlaced(csv).year }, weather: [{ id, csv }], files, sheets }
    : { job, own: undefined, weather: [], files, sheets }
}

/** The option with a letter or an id; the first when none is named. @throws Fault `no-such-option` */
export function optionOf(job: Job, name: string | undefined): { option: JobOption; letter: string } {
  const index =
    name === undefined
      ? 0
      : job.options.findIndex((option, i) => option.id === name || optionLetter(i) === name.toUpperCase())
  const option = job.options[index]
  if (!option) {
    const letters = job.options.map((_, i) => optionLetter(i)).join(', ')
    throw new Fault('no-such-option', { name: name ?? '', letters }, 'option')
  }
  return { option, letter: optionLetter(index) }
}

/** A run of a job's option, in a world. @throws Fault, those of the service among them */
export async function runOf(
  { job, own, sheets }: JobRead,
  { objects }: JobOption,
  place: string | undefined,
): Promise<{ world: World; run: Run<World> }> {
  const surroundings = new Surroundings(worldAt(place ?? process.env['WORLD_URL']))
  const found = await surroundings.worldOf(job.house, objects, own)
  // What the file brings is what it was computed with.
  const world = { ...found, catalogue: withSheets(found.catalogue, sheets) }
  return { world, run: new Graph<World>({ now: () => performance.now() }).open(world) }
}

/** The job as a file with all that it is computed from: weather of its own, and the data sheets of what it names. */
export async function wholeFile(
  { job, weather, files, sheets }: JobRead,
  place: string | undefined,
): Promise<object> {
  const surroundings = new Surroundings(worldAt(place ?? process.env['WORLD_URL']))
  return jobToFile(job, weather, sheetsOf(job, withSheets(await surroundings.catalogue(), sheets)), files)
}
