import { ResultCache } from './result-cache'
import { Run } from './run'

/** What results may take together; a module's shade and light take some 60 kB. */
const usualBytes = 400_000_000

/** Runs stages and remembers their results by their keys. Nothing is ever invalidated by hand. */
export class Graph<W> {
  readonly #cache: ResultCache
  readonly #now: () => number
  #runs = 0

  /** @param now milliseconds, for the stages' times */
  constructor({ mostBytes = usualBytes, now }: { readonly mostBytes?: number; readonly now: () => number }) {
    this.#cache = new ResultCache(mostBytes)
    this.#now = now
  }

  open(world: W): Run<W> {
    return new Run(world, this.#cache, ++this.#runs, this.#now)
  }

  /** What its results take now. */
  get bytes(): number {
    return this.#cache.bytes
  }
}
