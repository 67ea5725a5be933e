import { createHash } from 'node:crypto'
import { gunzipSync, gzipSync } from 'node:zlib'
import { theOne, type Objects } from '@/core/kinds/documents'
import { Fault } from '@/core/model/fault'
import { type Job } from '@/core/kinds/job'
import { siteId } from '@/core/kinds/site/site'
import { type World } from '@/core/stages/world'
import { fileOf, ownWeatherId } from '@/core/weather/own-weather'
import { readPlaced } from '@/core/weather/read-weather'
import { writeWeatherCsv } from '@/core/weather/write-csv'
import { type WeatherYear } from '@/core/weather/weather-year'
import { surroundings } from './world'
import { insertWeather, maybeOneWeatherBody, type WeatherRow } from './sql/weather'

/** Years read before, by team and id: they never change. */
const years = new Map<string, WeatherYear>()
const keptYears = 12

/**
 * Keeps a weather file for a team as a canonical table; the same one twice is kept once.
 * @throws Fault of `readPlaced`
 */
export async function storeWeather(teamId: string, text: string): Promise<WeatherRow> {
  const { year } = readPlaced(text)
  const csv = writeWeatherCsv(year)
  const row = {
    id: createHash('sha256').update(csv).digest('hex').slice(0, 24),
    name: year.name.slice(0, 80) || 'Weather file',
    latitudeDeg: year.latitudeDeg,
    longitudeDeg: year.longitudeDeg,
    elevationM: year.elevationM,
  }
  await insertWeather(teamId, row, gzipSync(csv))
  return row
}

/** @throws Fault `no-such-weather` */
export async function weatherText(teamId: string, id: string): Promise<string> {
  const body = await maybeOneWeatherBody(teamId, id)
  if (!body) throw new Fault('no-such-weather')
  return gunzipSync(body).toString('utf8')
}

async function weatherYear(teamId: string, id: string): Promise<WeatherYear | undefined> {
  const key = `${teamId} ${id}`
  const known = years.get(key)
  if (known) return known
  const body = await maybeOneWeatherBody(teamId, id)
  if (!body) return undefined
  const { year } = readPlaced(gunzipSync(body).toString('utf8'))
  years.set(key, year)
  for (const oldest of years.keys()) {
    if (years.size <= keptYears) break
    years.delete(oldest)
  }
  return year
}

/** What a run of a stored job is about: what surrounds it, or the team's own weather where the job has chosen it. */
export async function worldFor(teamId: string, house: Objects, option: Objects): Promise<World> {
  const id = ownWeatherId(theOne(house, 'site', siteId).stationId)
  const year = id === null ? undefined : await weatherYear(teamId, id)
  return surroundings().worldOf(house, option, id !== null && year ? { id, year } : undefined)
}

/** The weather that goes with a job into its file: the team's own, where it is chosen. */
export async function weatherWith(teamId: string, job: Job): Promise<{ id: string; csv: string }[]> {
  const id = ownWeatherId(theOne(job.house, 'site', siteId).stationId)
  const body = id === null ? undefined : await maybeOneWeatherBody(teamId, id)
  return id !== null && body ? [{ id, csv: gunzipSync(body).toString('utf8') }] : []
}

/**
 * Takes in the weather that came with a job's file.
 * @returns the job, its chosen weather under the id it has here
 */
export async function adoptWeather(teamId: string, job: Job, file: unknown): Promise<Job> {
  const site = theOne(job.house, 'site', siteId)
  const id = ownWeatherId(site.stationId)
  const csv = id === null ? undefined : fileOf(file, id)
  if (csv === undefined) return job
  const stored = await storeWeather(teamId, csv)
  return { ...job, house: { ...job.house, [siteId]: { ...site, stationId: `file-${stored.id}` } } }
}
