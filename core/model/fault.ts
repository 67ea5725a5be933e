/** What is wrong with an input, as data: a code for programs, a sentence for people, and where. */
export interface FaultDetail {
  /** Stable, kebab-case. */
  readonly code: string
  /** A sentence in the user's words: what is wrong and what to do. */
  readonly message: string
  /** Where: a JSON path ("outline.3.0"), a line ("line 12"), or empty for the whole input. */
  readonly path: string
}

/** An input that cannot be used. Thrown in the core, turned into prose at the edge where the user is. */
export class Fault extends Error {
  readonly code: string
  readonly path: string

  constructor(code: string, message: string, path = '') {
    super(message)
    this.name = 'Fault'
    this.code = code
    this.path = path
  }

  toJSON(): FaultDetail {
    return { code: this.code, message: this.message, path: this.path }
  }
}
