import { type Check } from '../model/ledger'
import { type Run } from '../graph/run'
import { wiringAccount } from '../stages/accounts/wiring'
import { type World } from '../stages/world'

/** The gravest thing that is wrong with the wiring, notes left out; null where nothing is. */
export function gravestOf(run: Run<World>): Pick<Check, 'code' | 'data'> | null {
  const wrong = run.value(wiringAccount).checks.filter(({ severity }) => severity !== 'note')
  const gravest = wrong.find(({ severity }) => severity === 'broken') ?? wrong[0]
  return gravest ? { code: gravest.code, data: gravest.data } : null
}
