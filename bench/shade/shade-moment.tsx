'use client'

import { useEffect } from 'react'
import { later } from '@/words/en/later'
import { intervalAt } from '../carpet/carpet-image'
import { useBench, useNumbers, useShade, useSayer, useSession } from '../context'

/** What shade takes at the moment of the stage, and what casts most of it: lit up as long as it is shown. */
export function ShadeMoment() {
  const { session } = useBench()
  const sayer = useSayer()
  const { numbers } = useNumbers()
  const known = useShade()
  const part = known?.light
  const { day, hour } = useSession((s) => s)
  const carpet = numbers?.summary.carpet
  const at = carpet && part ? intervalAt(carpet, day, hour) : null
  const share = at === null ? 0 : (part?.shade[at] ?? 0)
  const caster = at === null ? undefined : part?.casters[(part.worst[at] ?? 0) - 1]
  const taker = share >= leastShare ? caster : undefined
  useEffect(() => {
    if (!taker) return
    session.setState({ lit: [taker] })
    return () => session.setState({ lit: [] })
  }, [session, taker])
  if (!part || at === null) return null
  const { shade } = later
  return (
    <p role="status" className={`mt-1 text-[12px] leading-4 ${known?.fresh ? '' : 'text-pencil'}`}>
      {(part.sun[at] ?? 0) <= 0
        ? shade.noSun
        : share < leastShare
          ? shade.noShade
          : `${sayer.say(shade.at, { share: { value: share, unit: 'share', digits: 0 } })}. ${taker ? sayer.say(shade.by, { name: { ref: taker } }) : ''}`}
    </p>
  )
}

/** Less is the sky that a roof never sees whole. */
const leastShare = 0.02
