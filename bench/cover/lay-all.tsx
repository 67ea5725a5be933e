'use client'

import { tooFewForString } from '@/core/energy/directions'
import { type Objects } from '@/core/kinds/documents'
import { later } from '@/words/en/later'
import { useBench, useNumbers, useOption, useSayer, useSession, useSunMap } from '../context'
import { bySunMap, fewestInString, goodPlanes, leastShare } from '../estimate/good-planes'
import { ofObjects } from '../store/selection'
import { toast } from '../store/session'

const words = later.layWanted

/** Fills every empty plane that has enough light, and where some have room for a string those alone, with one press and one step to undo. */
export function LayAll() {
  const { documents, session, site, siteWith } = useBench()
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
    const all: Objects = { ...option, ...Object.fromEntries(planes.map((array) => [array.id, array])) }
    const { arrays } = siteWith(all)
    const counts = new Map(arrays.map(({ id, panels }) => [id, panels.length]))
    const modulesOn = (some: readonly { readonly id: string }[]) =>
      some.reduce((sum, { id }) => sum + (counts.get(id) ?? 0), 0)
    const fewest = fewestInString(summary)
    const short = tooFewForString(arrays, fewest)
    // Planes that no module fits on stay as they are.
    const withRoom = planes.filter(({ id }) => (counts.get(id) ?? 0) > 0)
    const inStrings = withRoom.filter(({ id }) => !short.has(id))
    // Where no plane has room for a string the inverter is the wrong one: what it is to be comes later.
    const laid = inStrings.length > 0 ? inStrings : withRoom
    const left = withRoom.filter((plane) => !laid.includes(plane))
    const leftEmpty =
      left.length > 0
        ? sayer.say(words.allShort, { planes: left.length, modules: modulesOn(left), fewest })
        : ''
    if (laid.length === 0) {
      toast(session, words.allNone)
      return
    }
    const { step, fault } = documents.edit(words.step, optionId, (before) => ({
      ...before,
      ...Object.fromEntries(laid.map((array) => [array.id, array])),
    }))
    if (fault) {
      toast(session, sayer.fault(fault))
      return
    }
    session.setState({ selection: ofObjects(laid.map(({ id }) => id)) })
    const said = sayer.say(words.allLaid, { laid: modulesOn(laid), planes: laid.length })
    toast(session, `${said} ${leftEmpty}`.trim(), step)
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
