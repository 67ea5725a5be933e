import { gunzipSync, gzipSync } from 'node:zlib'
import { z } from 'zod'
import { roofPicture, type PicturePart } from '@/core/drawing/roof-picture'
import { figuresOf, offerFile, offerInputs } from '@/core/exports/offer-file'
import { Graph } from '@/core/graph/graph'
import { readSheets } from '@/core/stages/equipment'
import { type ReadModel } from '@/core/imports/model/mesh'
import { readModel } from '@/core/imports/model/read-model'
import { theOne, type Objects } from '@/core/kinds/documents'
import { filesOf } from '@/core/kinds/files-of'
import { parseJob, type Job } from '@/core/kinds/job'
import { siteId } from '@/core/kinds/site/site'
import { checkCost } from '@/core/readers/cost'
import { keptLine, type KeptLine } from '@/core/readers/kept-line'
import { ledgerOf } from '@/core/readers/ledger'
import { summarise } from '@/core/readers/summary'
import { financeStage } from '@/core/stages/finance'
import { powerStage } from '@/core/stages/power'
import { siteStage } from '@/core/stages/site'
import { type World } from '@/core/stages/world'
import { fileOf, ownStationId, ownWeatherId } from '@/core/weather/own-weather'
import { readPlaced } from '@/core/weather/read-weather'
import { textOf } from '@/core/weather/text'
import { type WeatherYear } from '@/core/weather/weather-year'
import { writeWeatherCsv } from '@/core/weather/write-csv'
import { type LetterheadShown } from '@/core/papers/letterhead'
import { proposalData } from '@/proposal/proposal-data'
import { askedAgain, overHttp } from '@/services/ask'
import { Surroundings } from '@/services/world-of'
import { digestOf } from '../digest'
import { jsonOf } from '../json'

/** What the threads compute. */

/** An option with its house, and the team's own weather where the job has chosen it: its gzipped table. */
export interface DesignInput {
  readonly worldUrl: string
  readonly house: Objects
  readonly option: Objects
  readonly weather: { readonly id: string; readonly body: Uint8Array } | null
}

/** What is kept of a job as it stands. */
export interface JobFigures {
  /** What the list of jobs shows of it. */
  readonly summary: {
    readonly kilowatts: number
    readonly paybackYears: number | null
    readonly picture: readonly PicturePart[]
  }
  /** What its bench shows until it has computed it anew. */
  readonly lines: readonly KeptLine[]
}

/** A weather file as it is kept. */
export interface KeptWeather {
  readonly id: string
  readonly name: string
  readonly latitudeDeg: number
  readonly longitudeDeg: number
  readonly elevationM: number
  /** The table, gzipped. */
  readonly body: Uint8Array
}

/** Results that a thread keeps; it serves many jobs, a few of them now. */
const keptBytes = 300_000_000
const graph = new Graph<World>({ mostBytes: keptBytes, now: () => performance.now() })
let around: { url: string; surroundings: Surroundings } | null = null

/** Own weather read before: a year never changes. */
const years = new Map<string, WeatherYear>()
const mostYears = 12

function yearOf({ id, body }: NonNullable<DesignInput['weather']>): WeatherYear {
  const known = years.get(id)
  if (known) return known
  const { year } = readPlaced(gunzipSync(body).toString('utf8'))
  years.set(id, year)
  const oldest = years.size > mostYears ? years.keys().next().value : undefined
  if (oldest !== undefined) years.delete(oldest)
  return year
}

async function worldOf({ worldUrl, house, option, weather }: DesignInput): Promise<World> {
  if (around?.url !== worldUrl)
    around = { url: worldUrl, surroundings: new Surroundings(askedAgain(overHttp(worldUrl))) }
  const own = weather ? { id: weather.id, year: yearOf(weather) } : undefined
  return around.surroundings.worldOf(house, option, own)
}

/** A run of a design that is not too much for a thread. */
async function opened(input: DesignInput) {
  const world = await worldOf(input)
  const run = graph.open(world)
  checkCost(run)
  return { world, run }
}

/** Power, payback, a picture and the ledger of a job's first option. */
export async function figures(input: DesignInput): Promise<JobFigures> {
  const { run } = await opened(input)
  const { count, powerW } = run.value(powerStage)
  return {
    summary: {
      kilowatts: powerW / 1000,
      paybackYears: count > 0 ? run.value(financeStage).paybackYears : null,
      picture: roofPicture(run.value(siteStage)),
    },
    lines: ledgerOf(run).map(keptLine),
  }
}

/** An offer as it is kept, both as gzipped JSON: what its page shows, and what it is verified from. */
export interface KeptOffer {
  readonly body: Uint8Array
  readonly file: Uint8Array
}

export async function offer({
  jobName,
  optionId,
  design,
  letterhead,
}: {
  jobName: string
  optionId: string
  design: DesignInput
  letterhead: LetterheadShown
}): Promise<KeptOffer> {
  const { world, run } = await opened(design)
  const { house, weather } = design
  const own = weather ? [{ id: weather.id, csv: gunzipSync(weather.body).toString('utf8') }] : []
  const inputs = offerInputs({ name: jobName, house }, optionId, world, own, digestOf)
  const file = offerFile(inputs, figuresOf(run), digestOf)
  const shown = {
    ...proposalData(jobName, world, run, summarise(run, world)),
    inputs: file.digest,
    letterhead,
  }
  return { body: gzipSync(JSON.stringify(shown)), file: gzipSync(JSON.stringify(file)) }
}

function kept(text: string): KeptWeather {
  const { year } = readPlaced(text)
  const csv = writeWeatherCsv(year)
  return {
    id: digestOf(csv).slice(0, 24),
    name: year.name.slice(0, 80) || 'Weather file',
    latitudeDeg: year.latitudeDeg,
    longitudeDeg: year.longitudeDeg,
    elevationM: year.elevationM,
    body: gzipSync(csv),
  }
}

/** Reads a weather file as it is kept. */
export const weather = (bytes: Uint8Array): KeptWeather => kept(textOf(bytes))

/** Reads a 3D model, made light enough for a job. */
export const model = (bytes: Uint8Array): Promise<ReadModel> => readModel(bytes)

/** A job as its file brings it. */
export interface JobFile {
  readonly job: Job
  readonly weather: KeptWeather | null
  /** Pictures and drawings, as they came. */
  readonly files: readonly Uint8Array<ArrayBuffer>[]
}

const filesSchema = z.object({ files: z.array(z.object({ id: z.string(), base64: z.string() })).optional() })

/** The files that a job names, of those that came with it. */
function filesWith(file: unknown, { house }: Job): Uint8Array<ArrayBuffer>[] {
  const wanted = new Set(filesOf(house))
  const { files = [] } = filesSchema.parse(file)
  return files
    .filter(({ id }) => wanted.has(id))
    .map(({ base64 }) => new Uint8Array(Buffer.from(base64, 'base64')))
}

/** Reads a job's file, and the weather that came with it: the job then names it as it is kept here. */
export function jobFile(bytes: Uint8Array): JobFile {
  const file = jsonOf(bytes)
  const job = parseJob(file)
  // What the team computes with is its own catalogue's; sheets that make no sense are refused with the rest.
  readSheets((file as { equipment?: unknown }).equipment)
  const site = theOne(job.house, 'site', siteId)
  const id = ownWeatherId(site.stationId)
  const csv = id === null ? undefined : fileOf(file, id)
  const files = filesWith(file, job)
  if (csv === undefined) return { job, weather: null, files }
  const own = kept(csv)
  const house = { ...job.house, [siteId]: { ...site, stationId: ownStationId(own.id) } }
  return { job: { ...job, house }, weather: own, files }
}
