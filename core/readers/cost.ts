import { type Run } from '../graph/run'
import { Fault } from '../model/fault'
import { castersStage } from '../stages/casters'
import { siteStage } from '../stages/site'
import { type World } from '../stages/world'

/** Seconds of one core, roughly and within a factor of two: for a module, and for each object that may shade it. */
const secondsAModule = 0.012
const secondsAPair = 0.0006
/** Where a server says no. */
const mostSeconds = 60

/** What the shade of a design will cost, before it is begun: seconds of one core, and what they are for. */
export function costOf(run: Run<World>): { seconds: number; modules: number; casters: number } {
  const casters = run.value(castersStage)
  let [modules, pairs, most] = [0, 0, 0]
  for (const [a, { panels }] of run.value(siteStage).faces.entries()) {
    const bodies = casters[a]?.ids.length ?? 0
    modules += panels.length
    pairs += panels.length * bodies
    most = Math.max(most, bodies)
  }
  return { seconds: modules * secondsAModule + pairs * secondsAPair, modules, casters: most }
}

/**
 * Refuses a design that would keep a server's thread for too long.
 * @throws Fault `too-much-shade`
 */
export function checkCost(run: Run<World>): void {
  const { seconds, modules, casters } = costOf(run)
  if (seconds > mostSeconds) throw new Fault('too-much-shade', { modules, casters })
}
