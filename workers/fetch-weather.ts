import { digest } from '@/core/model/digest'
import { Fault } from '@/core/model/fault'
import { readPlaced } from '@/core/weather/read-weather'
import { type WeatherYear } from '@/core/weather/weather-year'

/** A year and what tells it apart. */
export interface KeyedWeather {
  readonly year: WeatherYear
  readonly key: string
}

const weathers = new Map<string, Promise<KeyedWeather>>()

/** The year at an address, EPW or table; fetched and read once. */
export function weatherAt(url: string): Promise<KeyedWeather> {
  let found = weathers.get(url)
  if (!found) {
    found = fetchWeather(url)
    weathers.set(url, found)
    // A failure is not remembered: the next run tries again.
    found.catch(() => weathers.delete(url))
  }
  return found
}

async function fetchWeather(url: string): Promise<KeyedWeather> {
  const text = await textAt(url).catch((error: unknown) => {
    if (error instanceof Fault) throw error
    // Neither asked nor answered to the end.
    throw new Fault(
      'no-weather',
      'The weather could not be fetched: the server does not answer. It is asked again with the next edit.',
      'site.stationId',
    )
  })
  return { year: readPlaced(text).year, key: digest(text) }
}

async function textAt(url: string): Promise<string> {
  const answer = await fetch(url)
  if (!answer.ok)
    throw new Fault(
      'no-weather',
      `The weather file could not be fetched (${answer.status}).`,
      'site.stationId',
    )
  return answer.text()
}
