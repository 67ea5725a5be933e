'use client'

import { tooFewForString } from '@/core/energy/directions'
import { type PanelArray } from '@/core/kinds/array/array'
import { type Objects } from '@/core/kinds/documents'
import { later } from '@/words/en/later'
import { useBench, useNumbers, useOption, useSayer, useSession, useSunMap } from '../context'
import { bySunMap, fewestInString, goodPlanes, leastShare } from '../estimate/good-planes'
import { ofObjects } from '../store/selection'
import { editWithWays, houseWithWays, saidWays } from './keep-pathways'
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
    const { arrays } = siteWith(withAll(planes))
    const counts = new Map(arrays.map(({ id, panels }) => [id, panels.length]))
    const modulesOn = (some: readonly PanelArray[]) =>
      some.reduce((sum, { id }) => sum + (counts.get(id) ?? 0), 0)
    const fewest = fewestInString(summary)
    // Planes that no module fits on stay as they are.
    const withRoom = planes.filter(({ id }) => (counts.get(id) ?? 0) > 0)
    if (withRoom.length === 0) {
      toast(session, words.allNone)
      return
    }
    const inStrings = (some: readonly PanelArray[], house?: Objects) => {
      const short = tooFewForString(siteWith(withAll(some), house).arrays, fewest)
      return some.filter(({ id }) => !short.has(id))
    }
    const long = inStrings(withRoom)
    // Where no plane has room for a string the inverter is the wrong one: what it is to be comes later.
    let laid = long.length > 0 ? long : withRoom
    let ways = houseWithWays(bench, sayer, withAll(laid))
    // A pathway may leave a plane less than a string.
    const still = long.length > 0 ? inStrings(laid, ways.house) : laid
    if (still.length > 0 && still.length < laid.length) {
      laid = still
      ways = houseWithWays(bench, sayer, withAll(laid))
    }
    const left = withRoom.filter((plane) => !laid.includes(plane))
    const leftEmpty =
      left.length > 0
        ? sayer.say(words.allShort, { planes: left.length, modules: modulesOn(left), fewest })
        : ''
    const { step, fault } = editWithWays(bench, words.step, optionId, withAll(laid), ways)
    if (fault) {
      toast(session, sayer.fault(fault))
      return
    }
    session.setState({ selection: ofObjects(laid.map(({ id }) => id)) })
    const said = sayer.say(words.allLaid, { laid: modulesOn(laid) - ways.fewer, planes: laid.length })
    toast(session, [said, saidWays(sayer, ways), leftEmpty].filter(Boolean).join(' '), step)
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
