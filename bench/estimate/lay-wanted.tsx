'use client'

import { type QuickEstimate } from '@/core/energy/quick-estimate'
import { type Objects } from '@/core/kinds/documents'
import { layWanted } from '@/core/readers/lay-wanted'
import { panelsOf } from '@/core/site/site'
import { later } from '@/words/en/later'
import { useBench, useNumbers, useOption, useSayer, useSession } from '../context'
import { editWithWays, houseWithWays, saidWays } from '../cover/keep-pathways'
import { ofObjects } from '../store/selection'
import { toast } from '../store/session'
import { byEstimate, fewestInString, goodPlanes } from './good-planes'

const words = later.layWanted

/** The modules that a bill asks for, laid on the house with one press; what has no room is said. */
export function LayWanted({
  estimate,
  wanted,
}: {
  readonly estimate: QuickEstimate
  readonly wanted: number
}) {
  const bench = useBench()
  const { documents, session, site, siteWith } = bench
  const sayer = useSayer()
  const option = useOption()
  const optionId = useSession((s) => s.optionId)
  const summary = useNumbers().numbers?.summary
  const there = panelsOf(site()).length
  if (site().objects.every(({ geometry }) => geometry.faces.length === 0))
    return <p className="quiet mt-1.5">{words.drawFirst}</p>
  if (there >= wanted) return <p className="quiet mt-1.5">{sayer.say(words.enough, { there })}</p>
  const lay = () => {
    const planes = goodPlanes(site(), option, byEstimate(estimate), Math.random)
    const layIn = (house: Objects) =>
      layWanted(option, planes, wanted, (some) => siteWith(some, house), fewestInString(summary))
    let [found, house, walkways] = [layIn(documents.house), documents.house, 0]
    // What a pathway takes the place of goes on with the next plane, which may then lack one itself.
    for (;;) {
      const ways = houseWithWays(bench, sayer, found.option, house)
      if (ways.walkways === 0) break
      ;[found, house, walkways] = [layIn(ways.house), ways.house, walkways + ways.walkways]
    }
    const [laid, missing] = [wanted - there - found.missing, found.missing]
    const { step, fault } =
      laid > 0
        ? editWithWays(bench, words.step, optionId, found.option, { house })
        : { step: null, fault: null }
    if (fault) {
      toast(session, sayer.fault(fault))
      return
    }
    session.setState({
      dialog: null,
      chapter: 'cover',
      ...(laid > 0 ? { selection: ofObjects(found.arrays.map(({ id }) => id)) } : {}),
    })
    const said = sayer.say(laid > 0 ? words.laid : words.none, { laid, missing })
    toast(session, `${said} ${laid > 0 ? saidWays(sayer, { walkways, fewer: 0 }) : ''}`.trim(), step)
  }
  return (
    <button type="button" className="button mt-1.5" onClick={lay}>
      {sayer.say(there > 0 ? words.more : words.lay, { n: wanted - there })}
    </button>
  )
}
