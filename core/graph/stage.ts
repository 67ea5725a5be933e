import { bytesOf } from './bytes'
import { Keyed, keyOf, plain, type Inputs, type Plain } from './keyed'

/** Yields between items, so that whoever drives it can rest or stop there. */
export type Work<T> = Generator<undefined, T, undefined>

/** What a stage is evaluated with: the results it comes after, and what was computed before. */
export interface Evaluator<W> {
  /** The result of another stage in the same run. */
  readonly need: <T>(stage: Stage<W, T>) => Work<Keyed<T>>
  /** A result by its key; computed when it is not at hand. */
  readonly recall: <T>(
    stage: string,
    key: string,
    compute: () => T,
    bytes: (value: T) => number,
  ) => Recalled<T>
  /** The same for what is no result of its own: it does not count among the stage's times. */
  readonly remember: <T>(name: string, key: string, compute: () => T) => T
}

export interface Recalled<T> {
  readonly value: T
  /** Whether it had to be computed. */
  readonly fresh: boolean
}

/**
 * One stage of the chain, declared at module level. Its key is the digest of what it reads of the world and of the
 * results it comes after; its computation gets nothing else.
 * @typeParam W the world it reads from
 */
export interface Stage<W, T> {
  readonly name: string
  readonly version: number
  /** Everything it reads of the world. */
  readonly reads: (world: W) => Inputs
  readonly after: Afters<W>
  readonly evaluate: (world: W, run: Evaluator<W>) => Work<Keyed<T>>
}

export type Afters<W> = Readonly<Record<string, Stage<W, unknown>>>

/** The results of other stages as the computation gets them. */
export type ValuesOf<A> = {
  readonly [K in keyof A]: A[K] extends { evaluate: (...args: never) => Work<Keyed<infer T>> } ? T : never
}
/** The same with their keys. */
export type KeyedOf<A> = { readonly [K in keyof A]: Keyed<ValuesOf<A>[K]> }

interface StageDeclaration<W, A extends Afters<W>, R extends Inputs, T> {
  readonly name: string
  /** Changes whenever results may. */
  readonly version: number
  readonly reads: (world: W) => R
  readonly after: A
  readonly compute: (reads: Plain<R>, after: ValuesOf<A>) => T
  /** What a result costs to keep; measured when not given. */
  readonly bytes?: (value: T) => number
}

function* resultsOf<W, A extends Afters<W>>(after: A, run: Evaluator<W>): Work<KeyedOf<A>> {
  const results: Record<string, Keyed<unknown>> = {}
  for (const [name, stage] of Object.entries(after)) results[name] = yield* run.need(stage)
  // Built from the same names.
  return results as KeyedOf<A>
}

/** Declares a stage that is computed as a whole. */
export function stage<W, A extends Afters<W>, R extends Inputs, T>(
  own: StageDeclaration<W, A, R, T>,
): Stage<W, T> {
  return {
    ...own,
    *evaluate(world, run) {
      const after = yield* resultsOf(own.after, run)
      const reads = own.reads(world)
      const key = keyOf([own.name, own.version, reads, after])
      const compute = () => own.compute(plain(reads), plain(after) as ValuesOf<A>)
      return new Keyed(key, run.recall(own.name, key, compute, own.bytes ?? bytesOf).value)
    },
  }
}

interface ItemStageDeclaration<W, A extends Afters<W>, R extends Inputs, I extends Inputs, T> extends Pick<
  StageDeclaration<W, A, R, T>,
  'name' | 'version' | 'reads' | 'after'
> {
  /** Splits it into items; each is computed from its own inputs alone, which make its key. */
  readonly each: (reads: R, after: KeyedOf<A>) => readonly I[]
  readonly compute: (item: Plain<I>) => T
  /** What the result of one item costs to keep. */
  readonly bytes: (value: T) => number
}

/**
 * Declares a stage of many items, such as the modules of a job: after an edit only those are computed whose own inputs
 * have changed. Its key is made of the items' keys, so that what comes after it rests where they stay the same.
 */
export function itemStage<W, A extends Afters<W>, R extends Inputs, I extends Inputs, T>(
  own: ItemStageDeclaration<W, A, R, I, T>,
): Stage<W, readonly Keyed<T>[]> {
  return {
    name: own.name,
    version: own.version,
    reads: own.reads,
    after: own.after,
    *evaluate(world, run) {
      const after = yield* resultsOf(own.after, run)
      const reads = own.reads(world)
      let made: readonly I[] | null = null
      const items = () => (made ??= own.each(reads, after))
      // The items' keys follow from the same inputs: where none has changed they need not be digested anew. The items
      // themselves are not kept; they hold on to the results they are made of.
      const keys = run.remember(`${own.name}, keys`, keyOf([own.name, own.version, reads, after]), () =>
        items().map((item) => keyOf([own.name, own.version, item])),
      )
      const results: Keyed<T>[] = []
      for (const [i, key] of keys.entries()) {
        const compute = () => {
          const item = items()[i]
          if (!item) throw new RangeError(`${own.name} splits the same inputs in two ways`)
          return own.compute(plain(item))
        }
        const { value, fresh } = run.recall(own.name, key, compute, own.bytes)
        results.push(new Keyed(key, value))
        if (fresh) yield
      }
      return new Keyed(keyOf([own.name, keys]), results)
    },
  }
}
