import { type Run } from '../graph/run'
import { type Check } from '../model/ledger'
import { accounts } from '../stages/accounts/index'
import { type World } from '../stages/world'
import { balancedBooks, type ShownLine } from './books'

/** The chain of numbers from sunlight to payback, each with its explanation. */
export const ledgerOf = (run: Run<World>): ShownLine[] =>
  balancedBooks(accounts.flatMap((account) => run.value(account).lines))

/** All rules that are broken or worth a word, each with its figure and limit. */
export const checksOf = (run: Run<World>): Check[] => accounts.flatMap((account) => run.value(account).checks)
