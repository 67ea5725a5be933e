import { type Check } from '../model/ledger'
import { type Run } from '../graph/run'
import { batteryPortAccount } from '../stages/accounts/battery-port'
import { cableAccount } from '../stages/accounts/cables'
import { connectionAccount } from '../stages/accounts/connection'
import { wiringAccount } from '../stages/accounts/wiring'
import { type World } from '../stages/world'

/** All that has rules of the electrician's. */
export const electricAccounts = [wiringAccount, cableAccount, connectionAccount, batteryPortAccount] as const

/** The gravest thing that is wrong with the wiring, notes left out; null where nothing is. */
export function gravestOf(run: Run<World>): Pick<Check, 'code' | 'data'> | null {
  const checks = electricAccounts.flatMap((account) => run.value(account).checks)
  const wrong = checks.filter(({ severity }) => severity !== 'note')
  const gravest = wrong.find(({ severity }) => severity === 'broken') ?? wrong[0]
  return gravest ? { code: gravest.code, data: gravest.data } : null
}
