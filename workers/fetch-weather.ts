import { type Keyed } from '@/core/graph/keyed'
import { Fault } from '@/core/model/fault'
import { type WeatherYear } from '@/core/weather/weather-year'
import { overHttp, textFrom } from '@/services/ask'
import { weatherIn } from '@/services/world'

const weathers = new Map<string, Promise<Keyed<WeatherYear>>>()
const path = 'site.stationId'

/** The year at an address, EPW or table; fetched and read once. */
export function weatherAt(url: string): Promise<Keyed<WeatherYear>> {
  let found = weathers.get(url)
  if (!found) {
    found = fetchWeather(url)
    weathers.set(url, found)
    // A failure is not remembered: the next run tries again.
    found.catch(() => weathers.delete(url))
  }
  return found
}

/** @throws Fault `no-weather`, `weather-refused`, and those of `readPlaced` */
async function fetchWeather(url: string): Promise<Keyed<WeatherYear>> {
  const text = await textFrom(overHttp(''), url.replace(/^\//, '')).catch((error: unknown) => {
    if (!(error instanceof Fault)) throw error
    throw error.code === 'service-away'
      ? new Fault('no-weather', {}, path)
      : new Fault('weather-refused', error.data, path)
  })
  return weatherIn(text)
}
