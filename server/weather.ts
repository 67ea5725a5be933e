import { randomUUID } from 'node:crypto'
import { promisify } from 'node:util'
import { gunzip } from 'node:zlib'
import { theOne } from '@/core/kinds/documents'
import { Fault } from '@/core/model/fault'
import { type Job } from '@/core/kinds/job'
import { siteId } from '@/core/kinds/site/site'
import { ownWeatherId } from '@/core/weather/own-weather'
import { readJobFile, readWeather } from './compute/compute'
import { storeFile } from './files'
import { createJob } from './jobs'
import { insertWeather, maybeOneWeatherBody, type WeatherRow } from './sql/weather'

const unzip = promisify(gunzip)

/**
 * Keeps a weather file for a team as a canonical table; the same one twice is kept once.
 * @throws Fault of `readPlaced`, and those of a lane
 */
export async function storeWeather(
  teamId: string,
  bytes: Uint8Array,
  signal?: AbortSignal,
): Promise<WeatherRow> {
  const { body, ...row } = await readWeather(bytes, signal)
  await insertWeather(teamId, row, Buffer.from(body))
  return row
}

/** @throws Fault `no-such-weather` */
export async function weatherText(teamId: string, id: string): Promise<string> {
  const body = await maybeOneWeatherBody(teamId, id)
  if (!body) throw new Fault('no-such-weather')
  return (await unzip(body)).toString('utf8')
}

/** The team's own weather file that a job is computed with; null where it is a station's. */
export const ownWeatherOf = ({ house }: Job): string | null =>
  ownWeatherId(theOne(house, 'site', siteId).stationId)

/** The weather that goes with a job into its file: the team's own, where it is chosen. */
export async function weatherWith(teamId: string, job: Job): Promise<{ id: string; csv: string }[]> {
  const id = ownWeatherOf(job)
  const body = id === null ? undefined : await maybeOneWeatherBody(teamId, id)
  return id !== null && body ? [{ id, csv: (await unzip(body)).toString('utf8') }] : []
}

/**
 * Stores a job's file as a new job, with the weather, the pictures and the drawings that came in it.
 * @param jobId of the new job: with the same one twice it is stored once
 * @param say told how far this has come, from 0 to 1
 * @returns its id
 * @throws Fault of `parseJob` and `readPlaced`, and those of a lane; nothing is stored then
 */
export async function importJob(
  teamId: string,
  bytes: Uint8Array,
  signal?: AbortSignal,
  jobId: string = randomUUID(),
  say: (share: number) => void = () => undefined,
): Promise<string> {
  const { job, weather, files } = await readJobFile(bytes, signal)
  if (weather) {
    const { body, ...row } = weather
    await insertWeather(teamId, row, Buffer.from(body))
  }
  for (const [n, file] of files.entries()) {
    say((n + 1) / (files.length + 2))
    await storeFile(teamId, file)
  }
  return createJob(teamId, job, { id: jobId })
}
