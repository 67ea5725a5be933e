import { Keyed } from '@/core/graph/keyed'
import { digest } from '@/core/model/digest'
import { Fault } from '@/core/model/fault'
import { isEpw, readEpwFile } from '@/core/weather/epw'
import { epwYear } from '@/core/weather/epw-year'
import { type WeatherYear } from '@/core/weather/weather-year'
import { overHttp, textFrom } from '@/services/ask'

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
  return isEpw(text)
    ? new Keyed(digest(text), epwYear(readEpwFile(text)).year)
    : // Few years are tables of one's own: their reader is fetched with the first of them.
      (await import('@/services/weather')).weatherIn(text)
}
