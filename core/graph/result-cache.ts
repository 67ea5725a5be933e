import { LRUCache } from 'lru-cache'

interface Entry {
  readonly value: unknown
  readonly bytes: number
  /** The run that used it last. */
  run: number
}

/**
 * Results by their keys, bounded by bytes; the least recently used go first. A run never throws out what it has used
 * itself: a job too large for the bound keeps as much as fits, instead of throwing everything out in turn.
 */
export class ResultCache {
  readonly #entries: LRUCache<string, Entry>

  constructor(mostBytes: number) {
    this.#entries = new LRUCache({ maxSize: mostBytes, sizeCalculation: ({ bytes }) => Math.max(1, bytes) })
  }

  get bytes(): number {
    return this.#entries.calculatedSize
  }

  get(key: string, run: number): { readonly value: unknown } | undefined {
    const entry = this.#entries.get(key)
    if (entry) entry.run = run
    return entry
  }

  set(key: string, value: unknown, bytes: number, run: number): void {
    const { maxSize } = this.#entries
    if (bytes > maxSize) return
    while (this.#entries.calculatedSize + bytes > maxSize) {
      const oldest = this.#entries.rkeys().next().value
      if (oldest === undefined || this.#entries.peek(oldest)?.run === run) return
      this.#entries.delete(oldest)
    }
    this.#entries.set(key, { value, bytes, run })
  }
}
