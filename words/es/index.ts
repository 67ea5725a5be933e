import { type PartialWords, type Words } from '../words'
import { lines, losses, phrases } from './ledger'
import { charts, units } from './charts'

/** Spanish: the ledger's lines and the customer's page so far; what is missing is said in English. */
export const es = {
  lines,
  losses,
  phrases,
  charts,
  units,
} satisfies PartialWords & Pick<Words, 'lines' | 'losses' | 'charts' | 'units'>
