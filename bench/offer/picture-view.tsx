'use client'

import { useCallback, useMemo, useRef, useState } from 'react'
import { type PageView } from '@/core/kinds/offer/page'
import { clockOfHour } from '@/core/model/moment'
import { modelYear } from '@/core/model/model-year'
import { sunAtClock } from '@/core/sun/local-sun'
import { drawable } from '@/proposal/drawable'
import { RoofView, type Seen } from '@/proposal/roof-view'
import { usualMoment } from '@/proposal/usual-moment'
import { later } from '@/words/en/later'
import { proposal } from '@/words/en/proposal'
import { dayName } from '@/words/format'
import { useBench, useSayer, useSession, useSite } from '../context'
import { useOffer } from './use-offer'

const words = later.page

/** How the picture of the house begins on the customer's page: the usual one, or as it was turned here. */
export function PictureView() {
  const sayer = useSayer()
  const { offer, set } = useOffer()
  const { page } = offer
  const [choosing, setChoosing] = useState(false)
  const opener = useRef<HTMLButtonElement>(null)
  const keep = (view: PageView | null) => {
    setChoosing(false)
    // What was pressed goes away: the keyboard goes on from here.
    opener.current?.focus()
    set(words.sections.roof, { page: { ...page, view } })
  }
  return (
    <div className="pl-6">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <p className="quiet">
          {page.view ? sayer.say(words.viewKept, saidMoment(page.view, sayer.place.locale)) : words.viewUsual}
        </p>
        <button ref={opener} type="button" className="button" onClick={() => setChoosing(!choosing)}>
          {choosing ? words.viewLeave : page.view ? words.viewChange : words.viewChoose}
        </button>
        {page.view && (
          <button type="button" className="button" onClick={() => keep(null)}>
            {words.viewForget}
          </button>
        )}
      </div>
      {choosing && <Choosing from={page.view} onKeep={keep} />}
    </div>
  )
}

const saidMoment = ({ day, hour }: Pick<PageView, 'day' | 'hour'>, locale: string) => ({
  date: dayName(day, locale),
  clock: clockOfHour(hour),
})

/** The picture, to be turned until it is kept. */
function Choosing({
  from,
  onKeep,
}: {
  readonly from: PageView | null
  readonly onKeep: (view: PageView) => void
}) {
  const bench = useBench()
  const [sayer, site] = [useSayer(), useSite()]
  const day = useSession((s) => s.day)
  const hour = useSession((s) => s.hour)
  const [moment, setMoment] = useState<Pick<PageView, 'day' | 'hour'>>(from ?? usualMoment)
  const seen = useRef<Seen | null>(from)
  const now = bench.site()
  const standing = useMemo(() => drawable(now), [now])
  const dark = sunAtClock(site, modelYear, day, hour).elevationDeg <= 0
  const remember = useCallback((turned: Seen) => {
    seen.current = turned
  }, [])
  const keep = () => {
    if (seen.current) onKeep({ ...seen.current, day: moment.day, hour: moment.hour })
  }
  return (
    <div className="mt-2">
      <RoofView
        site={site}
        standing={standing}
        seen={from}
        moment={moment}
        print={false}
        words={proposal}
        sayer={sayer}
        tell={remember}
      />
      <div className="mt-2 flex flex-wrap items-center gap-3">
        <p className="quiet min-w-0 flex-1">{dark ? words.viewDark : words.viewTurn}</p>
        {!dark && (
          <button type="button" className="button" onClick={() => setMoment({ day, hour })}>
            {sayer.say(words.viewShadows, saidMoment({ day, hour }, site.locale))}
          </button>
        )}
        <button type="button" className="button button-main" onClick={keep}>
          {words.viewKeep}
        </button>
      </div>
    </div>
  )
}
