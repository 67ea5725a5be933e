import { acCurrentA, continuous, type Grid } from '../cables/circuit'
import { type Site } from '../kinds/site/site'
import { atMost, type RuleFigure } from './rules'

export type ConnectionRuleCode = 'busbar' | 'unbalanced' | 'shutdown'

/** What feeds a bus bar beside the grid. */
export interface Feeding {
  /** Of all inverters, and of all batteries at their greatest, W. */
  readonly inverterW: number
  readonly batteryW: number
}

/**
 * What feeds the bus bar from both of its ends against its rating: the main breaker and a quarter more than all sources.
 * On a split phase it may come to a fifth more than the rating (NFPA 70-2023, 705.12(B)); elsewhere it may not. None
 * where nobody has said the ratings.
 */
export function busbarRule(
  { inverterW, batteryW }: Feeding,
  { busbarA, mainBreakerA, ...grid }: Grid & Pick<Site, 'busbarA' | 'mainBreakerA'>,
): RuleFigure<ConnectionRuleCode> | null {
  if (busbarA === null || mainBreakerA === null) return null
  const sources = acCurrentA(inverterW + batteryW, grid) * continuous
  return atMost('busbar', mainBreakerA + sources, busbarA * busbarShare(grid))
}

/** Of the bus bar's rating that may feed it. */
export const busbarShare = ({ gridPhases }: Pick<Grid, 'gridPhases'>): number =>
  gridPhases === 'split' ? 1.2 : 1

/**
 * By how much the fullest of three phases is over the emptiest, kW: one inverter of one phase is alone on its own,
 * several and branches of microinverters are shared out, the largest first. None where there are no three phases, the inverter feeds all
 * of them, or nobody has said a limit.
 * @param circuitsW AC power of each inverter, or of each branch of small ones
 */
export function unbalancedRule(
  inverterPhases: 1 | 3,
  circuitsW: readonly number[],
  { gridPhases, unbalancedKw }: Pick<Site, 'gridPhases' | 'unbalancedKw'>,
): RuleFigure<ConnectionRuleCode> | null {
  if (gridPhases !== 'three' || unbalancedKw === null || inverterPhases === 3) return null
  const phases = [0, 0, 0]
  for (const watts of circuitsW.toSorted((a, b) => b - a))
    phases[phases.indexOf(Math.min(...phases))] = Math.min(...phases) + watts
  return atMost('unbalanced', (Math.max(...phases) - Math.min(...phases)) / 1000, unbalancedKw)
}

/** Modules that cannot be shut down by themselves, where that is asked for. @param modules that have no electronics */
export const shutdownRule = (modules: number, isAsked: boolean): RuleFigure<ConnectionRuleCode> =>
  atMost('shutdown', isAsked ? modules : 0, 0)
