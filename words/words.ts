import { type en } from './en/index'
import { type Language } from './language'

type Texts<T> = { readonly [K in keyof T]: T[K] extends string ? string : Texts<T[K]> }
type PartialTexts<T> = { readonly [K in keyof T]?: T[K] extends string ? string : PartialTexts<T[K]> }

/** All words of a language, as ICU messages by code. English has them all. */
export type Words = Texts<typeof en>

/** A language that is not whole yet. */
export type PartialWords = PartialTexts<Words>

/** A language and its words. */
export interface Speech {
  readonly language: Language
  readonly words: Words
}
