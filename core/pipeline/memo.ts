import { digest } from '../model/digest'

/** A stage's result with the key of exactly what it was made from. */
export interface Keyed<T> {
  readonly key: string
  readonly value: T
}

export interface StageTime {
  readonly name: string
  readonly milliseconds: number
  /** False when the result was at hand. */
  readonly fresh: boolean
}

/** Results kept for each stage: the options of a job and an undo or two. */
const keptForStage = 12

/** Remembers results by the digest of their inputs; the least recently used go first. */
export class Memo {
  readonly #stages = new Map<string, Map<string, unknown>>()
  times: StageTime[] = []

  /**
   * @param reads exactly the document values the stage reads; digested into its key
   * @param after the results it builds on
   */
  stage<R, T>(
    name: string,
    version: number,
    reads: R,
    after: readonly Keyed<unknown>[],
    compute: (reads: R) => T,
  ): Keyed<T> {
    const start = performance.now()
    const key = digest([name, version, reads, after.map((result) => result.key)])
    const { value, fresh } = this.#recall(name, key, keptForStage, () => compute(reads))
    this.times.push({ name, milliseconds: performance.now() - start, fresh })
    return { key, value }
  }

  /** The same for a part of a stage, such as one module; more of them are kept. */
  part<T>(name: string, key: string, kept: number, compute: () => T): T {
    return this.#recall(name, key, kept, compute).value
  }

  #recall<T>(name: string, key: string, kept: number, compute: () => T): { value: T; fresh: boolean } {
    let results = this.#stages.get(name)
    if (!results) this.#stages.set(name, (results = new Map()))
    const found = results.get(key)
    if (found !== undefined) {
      results.delete(key)
      results.set(key, found)
      return { value: found as T, fresh: false }
    }
    const value = compute()
    results.set(key, value)
    for (const oldest of results.keys()) {
      if (results.size <= kept) break
      results.delete(oldest)
    }
    return { value, fresh: true }
  }
}
