import { type PartialWords, type Words } from '../words'
import { lines, losses, phrases, terms } from './ledger'
import { charts, proposal, units } from './proposal'

/** Spanish: the ledger's lines and the customer's page so far; what is missing is said in English. */
export const es = {
  lines,
  losses,
  terms,
  phrases,
  proposal,
  charts,
  units,
} satisfies PartialWords & Pick<Words, 'lines' | 'losses' | 'terms' | 'proposal' | 'charts' | 'units'>
