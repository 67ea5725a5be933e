'use client'

import { type QuickEstimate } from '@/core/energy/quick-estimate'
import { layWanted } from '@/core/readers/lay-wanted'
import { panelsOf } from '@/core/site/site'
import { later } from '@/words/en/later'
import { useBench, useNumbers, useOption, useSayer, useSession } from '../context'
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
  const { documents, session, site, siteWith } = useBench()
  const sayer = useSayer()
  const option = useOption()
  const optionId = useSession((s) => s.optionId)
  const summary = useNumbers().numbers?.summary
  const there = panelsOf(site()).length
  if (site().objects.every(({ geometry }) => geometry.faces.length === 0))
    return <p className="quiet mt-1.5">{words.drawFirst}</p>
  if (there >= wanted) return <p className="quiet mt-1.5">{sayer.say(words.enough, { there })}</p>
  const lay = () => {
    const found = layWanted(
      option,
      goodPlanes(site(), option, byEstimate(estimate), Math.random),
      wanted,
      siteWith,
      fewestInString(summary),
    )
    const [laid, missing] = [wanted - there - found.missing, found.missing]
    const { step, fault } =
      laid > 0 ? documents.edit(words.step, optionId, () => found.option) : { step: null, fault: null }
    if (fault) {
      toast(session, sayer.fault(fault))
      return
    }
    session.setState({
      dialog: null,
      chapter: 'cover',
      ...(laid > 0 ? { selection: ofObjects(found.arrays.map(({ id }) => id)) } : {}),
    })
    toast(session, sayer.say(laid > 0 ? words.laid : words.none, { laid, missing }), step)
  }
  return (
    <button type="button" className="button mt-1.5" onClick={lay}>
      {sayer.say(there > 0 ? words.more : words.lay, { n: wanted - there })}
    </button>
  )
}
