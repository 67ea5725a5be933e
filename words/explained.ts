import { type LedgerLine, type Term } from '@/core/model/ledger'
import { assumptions, formulas, sources, terms } from './en/explaining'
import { terms as spanishTerms } from './es/explaining'
import { type Language } from './language'
import { type Sayer } from './sayer'

/** A term written out. */
interface WrittenTerm {
  readonly label: string
  readonly figure: string
  readonly unit: string
}

/** An explanation in sentences. */
interface WrittenExplanation {
  readonly formula: string
  readonly inputs: readonly WrittenTerm[]
  readonly source: string
  readonly assumptions: readonly string[]
}

/** What the things in a formula are called; the sentences about them are English so far. */
const termsIn: Readonly<Record<Language, Readonly<Record<keyof typeof terms, string>>>> = {
  en: terms,
  es: spanishTerms,
}

/** Why a line of the ledger is what it is: its formula, inputs, sources and assumptions in sentences. */
export function explained(
  sayer: Sayer,
  { explanation }: Pick<LedgerLine, 'explanation'>,
): WrittenExplanation {
  const { formula, inputs, sources: from, assumptions: assumed } = explanation
  return {
    formula: sayer.say(formulas[formula.code], formula.data),
    inputs: inputs.map((input) => termOf(sayer, input)),
    source: from.map(({ code, data }) => `${sayer.say(sources[code], data)}.`).join(' '),
    assumptions: assumed.map(({ code, data }) => sayer.say(assumptions[code], data)),
  }
}

function termOf(sayer: Sayer, { code, data, value, note }: Term): WrittenTerm {
  const label = sayer.say(termsIn[sayer.language][code], data)
  const also = note ? sayer.write(note) : ''
  if (typeof value === 'object' && 'unit' in value) {
    const { figure, unit } = sayer.quantity(value)
    return { label, figure, unit: [unit, also].filter(Boolean).join(', ') }
  }
  return { label, figure: sayer.write(value), unit: also }
}
