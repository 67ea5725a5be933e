import { type WeatherProblem } from '@/core/weather/reading'
import { problems } from './en/weather-problems'
import { type Sayer } from './sayer'

const sentences: Readonly<Record<string, string>> = problems

/** What looks wrong in a weather file, in a sentence; English so far. */
export function weatherProblem(sayer: Sayer, { code, data }: Pick<WeatherProblem, 'code' | 'data'>): string {
  const sentence = Object.hasOwn(sentences, code) ? sentences[code] : undefined
  return sentence === undefined ? code : sayer.say(sentence, data)
}
