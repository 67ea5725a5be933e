import { later } from '@/words/en/later'
import { useBench, useOption, useSayer, useSession } from '../context'
import { toast } from '../store/session'
import { editWithWays, houseWithWays, saidWays } from './keep-pathways'

/** Draws the walkways that the option at hand lacks by its rules, as one step, and tells what they cost. */
export function useKeepWays(): () => void {
  const bench = useBench()
  const option = useOption()
  const optionId = useSession((s) => s.optionId)
  const sayer = useSayer()
  return () => {
    const ways = houseWithWays(bench, sayer, option)
    const { step, fault } = editWithWays(bench, later.layWanted.keepWays, optionId, option, ways)
    toast(bench.session, fault ? sayer.fault(fault) : saidWays(sayer, ways) || later.layWanted.noWay, step)
  }
}
