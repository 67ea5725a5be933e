import { bytesOf } from './bytes'
import { type Keyed } from './keyed'
import { type ResultCache } from './result-cache'
import { type Evaluator, type Recalled, type Stage, type Work } from './stage'

/** What a stage took in a run. */
export interface StageTime {
  readonly name: string
  readonly milliseconds: number
  /** Results that had to be computed, and all it has. */
  readonly fresh: number
  readonly all: number
}

/** A run was given up between two items. */
export class Overtaken extends Error {
  constructor() {
    super('a newer run is waiting')
    this.name = 'Overtaken'
  }
}

/** How a long run lets others do something in between. */
export interface Patience {
  /** Works at most this long without a pause. */
  readonly atMostMs: number
  /** @returns false when the run is to be given up */
  readonly pause: () => Promise<boolean>
}

/** One pass over the chain for one state of the world. Stages are worked out when they are asked for, each once. */
export class Run<W> {
  readonly #world: W
  readonly #cache: ResultCache
  readonly #number: number
  readonly #now: () => number
  readonly #results = new Map<Stage<W, unknown>, Keyed<unknown>>()
  readonly #times = new Map<string, { milliseconds: number; fresh: number; all: number }>()
  readonly #evaluator: Evaluator<W>

  constructor(world: W, cache: ResultCache, number: number, now: () => number) {
    this.#world = world
    this.#cache = cache
    this.#number = number
    this.#now = now
    this.#evaluator = {
      need: (stage) => this.#need(stage),
      recall: (stage, key, compute, bytes) => this.#recall(stage, key, compute, bytes),
      remember: (name, key, compute) => this.#remember(name, key, compute),
    }
  }

  /** A stage's result. */
  value<T>(stage: Stage<W, T>): T {
    return this.keyed(stage).value
  }

  keyed<T>(stage: Stage<W, T>): Keyed<T> {
    const work = this.#need(stage)
    for (;;) {
      const step = work.next()
      if (step.done) return step.value
    }
  }

  /**
   * Works stages out ahead, with pauses.
   * @throws Overtaken
   */
  async prepare(stages: readonly Stage<W, unknown>[], patience: Patience): Promise<void> {
    let since = this.#now()
    for (const stage of stages)
      for (const work = this.#need(stage); !work.next().done;) {
        if (this.#now() - since < patience.atMostMs) continue
        if (!(await patience.pause())) throw new Overtaken()
        since = this.#now()
      }
  }

  get times(): readonly StageTime[] {
    return [...this.#times].map(([name, time]) => ({ name, ...time }))
  }

  *#need<T>(stage: Stage<W, T>): Work<Keyed<T>> {
    const known = this.#results.get(stage)
    // Kept under the stage that made it.
    if (known) return known as Keyed<T>
    const result = yield* stage.evaluate(this.#world, this.#evaluator)
    this.#results.set(stage, result)
    return result
  }

  #recall<T>(stage: string, key: string, compute: () => T, bytes: (value: T) => number): Recalled<T> {
    const time = this.#times.get(stage) ?? { milliseconds: 0, fresh: 0, all: 0 }
    this.#times.set(stage, time)
    time.all++
    let fresh = false
    const value = this.#remember(
      stage,
      key,
      () => {
        const start = this.#now()
        const made = compute()
        time.milliseconds += this.#now() - start
        time.fresh++
        fresh = true
        return made
      },
      bytes,
    )
    return { value, fresh }
  }

  #remember<T>(name: string, key: string, compute: () => T, bytes: (value: T) => number = bytesOf): T {
    const at = `${name}:${key}`
    const found = this.#cache.get(at, this.#number)
    // Kept under the key that its name and inputs make.
    if (found) return found.value as T
    const value = compute()
    this.#cache.set(at, value, bytes(value), this.#number)
    return value
  }
}
