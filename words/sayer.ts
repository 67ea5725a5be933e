import { FormatError, IntlMessageFormat } from 'intl-messageformat'
import { farHorizonId, readingsId } from '@/core/shade/engine'
import { type FaultDetail } from '@/core/model/fault'
import { type LedgerLine, type LineId } from '@/core/model/ledger'
import { type Data, type Datum, type Quantity, type Said, type Unit } from '@/core/model/said'
import { type Figure, plainNumber, writeQuantity, writtenQuantity, type Place } from './format'
import { languageOf, type Language } from './language'
import { learnedFaults } from './learned-faults'
import { type Speech, type Words } from './words'

/** What objects, equipment and stations are called, by their ids. */
export type Names = (id: string) => string | undefined

const noNames: Names = () => undefined

const parsed = new Map<string, IntlMessageFormat>()

/** Messages are taken apart once. */
function messageOf(text: string, locale: string): IntlMessageFormat {
  const key = `${locale} ${text}`
  let found = parsed.get(key)
  if (!found) parsed.set(key, (found = new IntlMessageFormat(text, locale, undefined, { ignoreTag: true })))
  return found
}

/** Turns what the core says as data into sentences of a language, figures and names as people at the job have them. */
export class Sayer {
  readonly words: Words
  readonly place: Place
  readonly language: Language
  readonly #locale: string
  readonly #names: Names

  constructor({ language, words }: Speech, place: Place, names: Names = noNames) {
    this.language = language
    this.words = words
    this.place = place
    // Numbers inside sentences follow the place where it speaks the sentence's language.
    this.#locale = languageOf(place.locale) === language ? place.locale : language
    this.#names = names
  }

  /** An ICU message with its data. */
  say(message: string, data: Data = {}): string {
    if (!message.includes('{')) return message
    const values = Object.fromEntries(
      Object.entries(data).map(([name, datum]) => [
        name,
        typeof datum === 'number' ? datum : this.write(datum),
      ]),
    )
    return String(messageOf(message, this.#locale).format(values))
  }

  quantity(quantity: Quantity): Figure {
    return writeQuantity(quantity, this.place, this.words.units)
  }

  /** A quantity in one piece. */
  written(quantity: Quantity): string {
    return writtenQuantity(quantity, this.place, this.words.units)
  }

  /** A figure of the ledger; what is not there is said in words. */
  figure(value: number | null, unit: Unit, absent?: LedgerLine['absent']): Figure {
    const { never, none, toCome, atOnce } = this.words.units
    // A payback where nothing is ever missing.
    if (value === 0 && unit === 'years') return { figure: atOnce, unit: '' }
    if (value !== null) return this.quantity({ value, unit })
    return absent === undefined
      ? { figure: unit === 'years' ? never : none, unit: '' }
      : { figure: '–', unit: toCome }
  }

  /** What something is called; its id where it has no name. */
  name(id: string): string {
    return this.#names(id) ?? (id === farHorizonId || id === readingsId ? this.words.phrases[id] : id)
  }

  line(id: LineId): string {
    return this.words.lines[id]
  }

  /** What is wrong with an input, and where. */
  fault({ code, data }: Pick<FaultDetail, 'code' | 'data'>): string {
    const { faults } = this.words
    return this.#coded(faults, code, data) ?? this.#coded(learnedFaults, code, data) ?? faults.unexpected
  }

  /** The same to somebody who stands before the very field: the place goes without saying. */
  faultHere(fault: Pick<FaultDetail, 'code' | 'data'>): string {
    const { rule } = fault.data
    return fault.code === 'bad-object' && typeof rule === 'object' && 'code' in rule
      ? this.write(rule)
      : this.fault(fault)
  }

  /** A datum in words: what it names, a figure with its unit, something said. */
  write(datum: Datum): string {
    if (typeof datum === 'string') return datum
    if (typeof datum === 'number') return plainNumber(datum, this.place)
    if (isList(datum)) return datum.map((entry) => this.write(entry)).join(', ')
    if ('unit' in datum) return this.written(datum)
    if ('ref' in datum) return this.name(datum.ref)
    return this.#said(datum)
  }

  /** Something said inside something else: a phrase, a rule or a fault. */
  #said({ code, data }: Said): string {
    const { phrases, rules, faults } = this.words
    return (
      this.#coded(phrases, code, data) ??
      this.#coded(rules, code, data) ??
      this.#coded(faults, code, data) ??
      this.#coded(learnedFaults, code, data) ??
      code
    )
  }

  #coded(texts: Readonly<Record<string, string>>, code: string, data: Data | undefined): string | undefined {
    const text = Object.hasOwn(texts, code) ? texts[code] : undefined
    if (text === undefined) return undefined
    try {
      return this.say(text, data)
    } catch (error) {
      // A sentence that lacks a word of its own must not take the page with it.
      if (error instanceof FormatError) return undefined
      throw error
    }
  }
}

const isList = (datum: Datum): datum is readonly Datum[] => Array.isArray(datum)
