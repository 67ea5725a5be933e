import { proposal as english } from './en/proposal'
import { proposal as spanish } from './es/proposal'
import { type Language } from './language'

export type ProposalWords = Readonly<Record<keyof typeof english, string>>

const all: Readonly<Record<Language, ProposalWords>> = { en: english, es: spanish }

/** What the customer's page says; nobody else does. */
export const proposalWords = (language: Language): ProposalWords => all[language]
