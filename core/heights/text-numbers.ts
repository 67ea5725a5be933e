import { Fault } from '../model/fault'

const isSpace = (code: number): boolean => code === 32 || (code >= 9 && code <= 13)

/**
 * Numbers of a text that stand between spaces and line ends, one after the other; a comma is a decimal point. A line of a
 * raster may have ten thousands of them: the text is walked through once and never taken apart.
 */
export class TextNumbers {
  readonly #text: string
  readonly #file: string
  #at: number

  constructor(text: string, file: string, at = 0) {
    this.#text = text
    this.#file = file
    this.#at = at
  }

  /** The line that is read next, counted from 1. */
  get line(): number {
    return this.#text.slice(0, this.#at).split('\n').length
  }

  /** The next number; null at the end. @throws Fault `text-heights` with the line where something else stands */
  next(): number | null {
    const text = this.#text
    let from = this.#at
    while (from < text.length && isSpace(text.charCodeAt(from))) from++
    if (from >= text.length) return null
    let to = from
    while (to < text.length && !isSpace(text.charCodeAt(to))) to++
    const word = text.slice(from, to)
    const value = numberOf(word)
    if (Number.isNaN(value)) {
      this.#at = from
      throw new Fault(
        'text-heights',
        { file: this.#file, why: 'number', line: this.line, text: word.slice(0, 30) },
        this.#file,
      )
    }
    this.#at = to
    return value
  }
}

/** A number as rasters are written, with a point or a comma; NaN for anything else, and infinite for “nan”, which is no height. */
export function numberOf(word: string): number {
  const text = word.trim()
  if (/^[-+]?nan$/i.test(text)) return Infinity
  return /^[-+]?(\d+([.,]\d*)?|[.,]\d+)(e[-+]?\d+)?$/i.test(text) ? Number(text.replace(',', '.')) : NaN
}
