'use client'

import { useEffect, useState } from 'react'
import { modelYear } from '@/core/model/model-year'
import { clockOfHour, dateOfDay, dayOfDate, hourOfClock, momentAfter } from '@/core/model/moment'
import { useBench, useSession } from '../context'

const stepMinutes = 5
/** A day passes in about half a minute, and so does a year. */
const playMs = 100
const plays = { day: stepMinutes, year: 1440 } as const

/** The stage's moment: typed, stepped by five minutes, or played. */
export function Moment() {
  const { session } = useBench()
  const day = useSession((s) => s.day)
  const hour = useSession((s) => s.hour)
  const [typed, setTyped] = useState<string | null>(null)
  const [playing, setPlaying] = useState<keyof typeof plays | null>(null)
  const step = (minutes: number) => session.setState((s) => momentAfter(s, minutes))
  useEffect(() => {
    if (!playing) return
    const timer = setInterval(() => session.setState((s) => momentAfter(s, plays[playing])), playMs)
    return () => clearInterval(timer)
  }, [playing, session])
  const [wrong, setWrong] = useState<string | null>(null)
  const leave = () => {
    setTyped(null)
    setWrong(null)
  }
  /** Sets the clock to what was typed; what is no time stays to be mended, with a word why. */
  const take = () => {
    if (typed === null) return
    const found = hourOfClock(typed.trim())
    if (found === null) setWrong(typed.trim())
    else {
      session.setState({ hour: found })
      leave()
    }
  }
  return (
    <div role="group" aria-label="Moment" onKeyDown={(event) => event.stopPropagation()}>
      <div className="flex items-center gap-1">
        <input
          type="date"
          aria-label="Day"
          className="field h-7 min-w-0 flex-1 px-1.5 text-[13px]"
          min={`${modelYear}-01-01`}
          max={`${modelYear}-12-31`}
          value={dateOfDay(day, modelYear)}
          onChange={(event) => {
            const typed = dayOfDate(event.target.value)
            if (typed !== null) session.setState({ day: typed })
          }}
        />
        <input
          aria-label="Local clock"
          title="As 10:00 or 15:35"
          className="field h-7 w-[3.6rem] px-1.5 text-right text-[13px]"
          value={typed ?? clockOfHour(hour)}
          aria-invalid={typed !== null && hourOfClock(typed) === null}
          onChange={(event) => setTyped(event.target.value)}
          aria-describedby={wrong === null ? undefined : 'no-time'}
          onBlur={take}
          onKeyDown={(event) => {
            if (event.key === 'Enter') take()
            if (event.key === 'Escape') leave()
          }}
        />
      </div>
      {wrong !== null && (
        <p id="no-time" role="alert" className="mt-0.5 text-[12px] text-clay">
          “{wrong}” is no time. Type one from 0:00 to 23:59, such as 15:35.
        </p>
      )}
      <div className="mt-1 flex gap-1">
        <button
          type="button"
          aria-label="−5 min"
          className="button h-6 px-1.5 text-[12px]"
          onClick={() => step(-stepMinutes)}
        >
          −5
        </button>
        <button
          type="button"
          aria-label="+5 min"
          className="button h-6 px-1.5 text-[12px]"
          onClick={() => step(stepMinutes)}
        >
          +5
        </button>
        {(['day', 'year'] as const).map((what) => (
          <button
            key={what}
            type="button"
            aria-pressed={playing === what}
            aria-label={playing === what ? 'Stop' : `Play the ${what}`}
            className={`button h-6 px-1.5 text-[12px] ${playing === what ? 'bg-fold' : ''}`}
            onClick={() => setPlaying(playing === what ? null : what)}
          >
            {playing === what ? '■' : '▶'} {what}
          </button>
        ))}
      </div>
    </div>
  )
}
