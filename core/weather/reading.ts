import { type Data, type Said } from '../model/said'
import { type WeatherYear } from './weather-year'

/** Something that looks wrong in a file that could be read all the same. */
export interface WeatherProblem extends Said {
  /** Stable, kebab-case; with `data` it says what is wrong and what was made of it. */
  readonly code: string
  readonly data: Data
  /** Line of the file where it first shows, from 1; 0 when it concerns the whole. */
  readonly line: number
  /** `note`: repaired or harmless; `warning`: look at it before you trust the yield. */
  readonly severity: 'note' | 'warning'
  /** Of a clock that is off: the minutes that all values would better be moved later. */
  readonly shiftMinutes?: number
}

/** What a reader of weather files gives. */
export interface WeatherReading {
  readonly year: WeatherYear
  readonly problems: readonly WeatherProblem[]
  /** Line of the file that each interval came from, from 1; 0 where none did. */
  readonly lines: Int32Array
}

/** Keeps each kind of problem once, with its first line and how often it was met. */
export class ProblemList {
  readonly #found = new Map<string, { problem: WeatherProblem; count: number; tell: (n: number) => Data }>()

  add(
    code: string,
    line: number,
    tell: (count: number) => Data,
    severity: WeatherProblem['severity'] = 'warning',
  ): void {
    const known = this.#found.get(code)
    if (known) known.count++
    else this.#found.set(code, { problem: { code, data: {}, line, severity }, count: 1, tell })
  }

  get list(): WeatherProblem[] {
    return [...this.#found.values()].map(({ problem, count, tell }) => ({ ...problem, data: tell(count) }))
  }
}
