import { z } from 'zod'
import { many, maybeOne, run } from '../database'

const rowSchema = z.object({
  id: z.string(),
  name: z.string(),
  latitude_deg: z.number(),
  longitude_deg: z.number(),
  elevation_m: z.number(),
})

/** A team's own weather file, without its body. */
export interface WeatherRow {
  readonly id: string
  readonly name: string
  readonly latitudeDeg: number
  readonly longitudeDeg: number
  readonly elevationM: number
}

const toWeather = (row: unknown): WeatherRow => {
  const r = rowSchema.parse(row)
  return {
    id: r.id,
    name: r.name,
    latitudeDeg: r.latitude_deg,
    longitudeDeg: r.longitude_deg,
    elevationM: r.elevation_m,
  }
}

export async function manyWeather(teamId: string): Promise<WeatherRow[]> {
  const rows = await many(
    'weather of a team',
    'SELECT id, name, latitude_deg, longitude_deg, elevation_m FROM weather WHERE team_id = ? ORDER BY created_at DESC LIMIT 100',
    [teamId],
  )
  return rows.map(toWeather)
}

/** The gzipped table. */
export async function maybeOneWeatherBody(teamId: string, id: string): Promise<Buffer | undefined> {
  const row = await maybeOne('weather', 'SELECT body FROM weather WHERE team_id = ? AND id = ?', [teamId, id])
  return row && z.object({ body: z.instanceof(Buffer) }).parse(row).body
}

/** Stored once; the same table again changes nothing. */
export const insertWeather = (teamId: string, weather: WeatherRow, body: Buffer) =>
  run(
    'insert weather',
    'INSERT INTO weather (team_id, id, name, latitude_deg, longitude_deg, elevation_m, body) VALUES (?, ?, ?, ?, ?, ?, ?) ON DUPLICATE KEY UPDATE name = name',
    [teamId, weather.id, weather.name, weather.latitudeDeg, weather.longitudeDeg, weather.elevationM, body],
  )
