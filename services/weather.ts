import { Keyed } from '@/core/graph/keyed'
import { digest } from '@/core/model/digest'
import { readPlaced } from '@/core/weather/read-weather'
import { type WeatherYear } from '@/core/weather/weather-year'

/** A year of weather in a text, EPW or table, with the digest of the text as its key. */
export const weatherIn = (text: string): Keyed<WeatherYear> => new Keyed(digest(text), readPlaced(text).year)
