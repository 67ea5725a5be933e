import { bearsMark } from '../model/branded'
import { digest } from '../model/digest'

const mark = Symbol.for('tall-gable keyed')

/** A value with the key of exactly what it was made from: equal keys, equal values. */
export class Keyed<T> {
  static readonly [Symbol.hasInstance] = bearsMark(mark)
  readonly key: string
  readonly value: T

  constructor(key: string, value: T) {
    this.key = key
    this.value = value
  }

  get [mark](): true {
    return true
  }
}

/** What a stage or an item reads: plain data, and values that carry a key of their own. */
export type Inputs = Readonly<Record<string, unknown>>

type PlainOf<V> = V extends Keyed<infer T> ? T : V extends readonly Keyed<infer T>[] ? readonly T[] : V

/** The inputs as the computation gets them: keyed values without their keys. */
export type Plain<R> = { readonly [K in keyof R]: PlainOf<R[K]> }

const standIn = (value: object) => (value instanceof Keyed ? value.key : null)

/** The key of inputs: the digest of the plain ones and of the keys of the others. */
export const keyOf = (inputs: unknown): string => digest(inputs, standIn)

const plainOf = (value: unknown): unknown =>
  value instanceof Keyed
    ? value.value
    : Array.isArray(value) && value[0] instanceof Keyed
      ? value.map((entry: Keyed<unknown>) => entry.value)
      : value

/** Takes the keys off. */
export const plain = <R extends Inputs>(inputs: R): Plain<R> =>
  Object.fromEntries(Object.entries(inputs).map(([name, value]) => [name, plainOf(value)])) as Plain<R>
