import { bearsMark } from './branded'
import { type Data, type Said } from './said'

const mark = Symbol.for('tall-gable fault')

/** What is wrong with an input, as data; the sentence for it is found where the user is. */
export interface FaultDetail extends Said {
  /** Stable, kebab-case. */
  readonly code: string
  readonly data: Data
  /** Where: a JSON path ("outline.3.0"), a line ("line 12"), or empty for the whole input. */
  readonly path: string
}

/** An input that cannot be used. Thrown in the core, turned into prose at the edge where the user is. */
export class Fault extends Error implements FaultDetail {
  static override readonly [Symbol.hasInstance] = bearsMark(mark)
  readonly code: string
  readonly data: Data
  readonly path: string

  constructor(code: string, data: Data = {}, path = '') {
    super(path === '' ? code : `${code} at ${path}`)
    this.name = 'Fault'
    this.code = code
    this.data = data
    this.path = path
  }

  get [mark](): true {
    return true
  }

  toJSON(): FaultDetail {
    return { code: this.code, data: this.data, path: this.path }
  }
}
