'use client'

import { type PanelArray } from '@/core/kinds/array/array'
import { type Objects } from '@/core/kinds/documents'
import { layPlanes } from '@/core/readers/lay-planes'
import { later } from '@/words/en/later'
import { useBench, useNumbers, useOption, useSayer, useSession, useSunMap } from '../context'
import { bySunMap, fewestInString, goodPlanes, leastShare } from '../estimate/good-planes'
import { ofObjects } from '../store/selection'
import { editWithWays, houseWithWays, saidWays, type HouseWithWays } from './keep-pathways'
import { toast } from '../store/session'

const words = later.layWanted

/** Fills every empty plane that has enough light, and where some have room for a string those alone, with one press and one step to undo. */
export function LayAll() {
  const bench = useBench()
  const { session, site, siteWith } = bench
  const sayer = useSayer()
  const option = useOption()
  const optionId = useSession((s) => s.optionId)
  const roofs = useSunMap()
  const summary = useNumbers().numbers?.summary
  // A month's light tells nothing of the year's.
  if (roofs?.span !== 'year') return null
  const planesWith = (random: () => number) => goodPlanes(site(), option, bySunMap(roofs.faces), random)
  if (planesWith(() => 0).length === 0) return null
  const lay = () => {
    const planes = planesWith(Math.random)
    const withAll = (some: readonly PanelArray[]): Objects => ({
      ...option,
      ...Object.fromEntries(some.map((array) => [array.id, array])),
    })
    const fewest = fewestInString(summary)
    const found = layPlanes(
      planes,
      (some, ways: HouseWithWays | null) => siteWith(withAll(some), ways?.house),
      (some) => houseWithWays(bench, sayer, withAll(some)),
      fewest,
    )
    if (!found) {
      toast(session, words.allNone)
      return
    }
    const { laid, modules, left, modulesLeft, emptied, ways } = found
    const { step, fault } = editWithWays(bench, words.step, optionId, withAll(laid), ways)
    if (fault) {
      toast(session, sayer.fault(fault))
      return
    }
    session.setState({ selection: ofObjects(laid.map(({ id }) => id)) })
    const said = sayer.say(words.allLaid, { laid: modules, planes: laid.length })
    const leftEmpty =
      left.length > 0 ? sayer.say(words.allShort, { planes: left.length, modules: modulesLeft, fewest }) : ''
    const asWays = emptied.length > 0 ? sayer.say(words.allEmptied, { planes: emptied.length }) : ''
    toast(session, [said, saidWays(sayer, ways), asWays, leftEmpty].filter(Boolean).join(' '), step)
  }
  return (
    <button
      type="button"
      className="button mt-1.5 w-full"
      title={sayer.say(words.allHint, { share: { value: leastShare, unit: 'share', digits: 0 } })}
      onClick={lay}
    >
      {words.all}
    </button>
  )
}
