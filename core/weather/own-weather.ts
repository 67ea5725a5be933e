import { z } from 'zod'

const prefix = 'file-'

/** The id of an imported file that a site has chosen; null for a station or for the nearest one. */
export const ownWeatherId = (stationId: string | null): string | null =>
  stationId?.startsWith(prefix) ? stationId.slice(prefix.length) : null

/** What a site stores to choose an imported file. */
export const ownStationId = (id: string) => `${prefix}${id}`

const withWeather = z.object({
  weather: z.array(z.object({ id: z.string().max(80), csv: z.string() })).max(4),
})

/** The table that came in a job's file under an id. */
export function fileOf(file: unknown, id: string): string | undefined {
  const parsed = withWeather.safeParse(file)
  return parsed.success ? parsed.data.weather.find((weather) => weather.id === id)?.csv : undefined
}
