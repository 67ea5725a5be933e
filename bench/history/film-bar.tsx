'use client'

import { useEffect, useRef, useState } from 'react'
import { useStore } from 'zustand'
import { momentName } from '@/words/format'
import { later } from '@/words/en/later'
import { useBench, useSayer, useSite } from '../context'
import { toast } from '../store/session'
import { Moments } from './moments'
import { type PastEdit, type Reel } from './reel'
import { idsOf, saidEdit } from './said-edit'

/** The longest film, s; and edits a second at least, so that a short one can be followed. */
const filmS = 30
const slowest = 3

/** The film of the job under the stage: where it stands, whose edit that was, and what can be done with the moment. */
export function FilmBar({ reel, onClose }: { readonly reel: Reel; readonly onClose: () => void }) {
  const words = later.history
  const sayer = useSayer()
  const { locale } = useSite()
  const { session, sync } = useBench()
  const { edits, count, back, reach, reading, fault, torn } = useStore(reel.store)
  const slider = useRef<HTMLInputElement>(null)
  const { playing, setPlaying } = usePlay(reel)
  const go = (value: number) => {
    reel.go(value)
    const { edits: all, back: at } = reel.store.getState()
    const edit = at > 0 ? all[at] : undefined
    session.setState({ lit: edit ? idsOf(edit.change) : [] })
  }
  const wanted = useLastOfFrame(go)
  const hasPast = reach > 0
  useEffect(() => {
    if (hasPast) slider.current?.focus()
  }, [hasPast])
  const said = (edit: PastEdit | undefined) =>
    edit ? `${saidEdit(edit.change, sayer)} · ${edit.by} · ${momentName(edit.at, locale)}` : words.begin
  const moment = back === 0 ? words.todayLong : said(edits[back])
  const restore = () => {
    const edit = edits[back]
    const short = edit ? momentName(edit.at, locale) : words.begin
    setPlaying(false)
    const { step, fault: refused } = reel.restore(sayer.say(words.restoreLabel, { moment: short }))
    onClose()
    toast(
      session,
      refused ? sayer.fault(refused) : step ? sayer.say(words.restored, { moment: short }) : words.same,
      step,
    )
  }
  const newer = sync.revision - reel.revision
  return (
    <section
      aria-label={words.title}
      className="fixed inset-x-0 bottom-0 z-30 flex h-[124px] flex-col gap-1.5 border-t border-line bg-card px-4 py-2"
    >
      <div className="flex items-center gap-2">
        <h2 className="shrink-0 font-semibold">{words.title}</h2>
        <p className="min-w-0 flex-1 truncate" aria-live="polite" title={moment}>
          {moment}
        </p>
        {reading && (
          <span className="quiet shrink-0">
            {sayer.say(words.reading, { known: edits.length, count: Math.max(count, edits.length) })}
          </span>
        )}
        {fault && (
          <span role="alert" className="shrink-0 text-[12px] text-clay">
            {sayer.fault(fault)}{' '}
            <button type="button" className="button h-6 px-2" onClick={() => void reel.readOn()}>
              {words.readOn}
            </button>
          </span>
        )}
        {torn && back === reach && <span className="quiet shrink-0">{words.torn}</span>}
        {newer > 0 && back === 0 && !reading && (
          <span className="quiet shrink-0">
            {sayer.say(words.newer, { count: newer })}{' '}
            <button type="button" className="button h-6 px-2" onClick={() => void reel.read()}>
              {words.readAgain}
            </button>
          </span>
        )}
        <button type="button" className="button shrink-0" disabled={back === 0} onClick={restore}>
          {words.restore}
        </button>
        <button type="button" className="button button-main shrink-0" onClick={onClose}>
          {back === 0 ? words.shut : words.close}
        </button>
      </div>
      <div className="flex items-center gap-2">
        <button
          type="button"
          className="button h-7 w-20"
          disabled={reach === 0}
          onClick={() => setPlaying(!playing)}
        >
          {playing ? words.pause : words.play}
        </button>
        <Step label={words.earlier} sign="‹" disabled={back >= reach} onStep={() => go(back + 1)} />
        <input
          ref={slider}
          type="range"
          aria-label={words.moment}
          aria-valuetext={moment}
          className="min-w-0 flex-1 accent-ink"
          min={0}
          max={Math.max(1, count)}
          value={Math.max(1, count) - back}
          disabled={reach === 0}
          onChange={(event) => {
            setPlaying(false)
            wanted(Math.max(1, count) - Number(event.target.value))
          }}
        />
        <Step label={words.later} sign="›" disabled={back === 0} onStep={() => go(back - 1)} />
        <span className="quiet w-28 shrink-0 text-right tabular-nums">
          {back === 0 ? sayer.say(words.count, { count }) : `${count - back} / ${count}`}
        </span>
      </div>
      {count === 0 && !reading && !fault ? (
        <p className="quiet">{words.none}</p>
      ) : (
        <Moments reel={reel} onGo={go} />
      )}
    </section>
  )
}

function Step({
  label,
  sign,
  disabled,
  onStep,
}: {
  readonly label: string
  readonly sign: string
  readonly disabled: boolean
  readonly onStep: () => void
}) {
  return (
    <button
      type="button"
      className="button h-7 px-2"
      aria-label={label}
      title={label}
      disabled={disabled}
      onClick={onStep}
    >
      {sign}
    </button>
  )
}

/** Runs the film from where it stands to today; from the earliest where it stands at today. */
function usePlay(reel: Reel) {
  const [playing, setPlaying] = useState(false)
  useEffect(() => {
    if (!playing) return
    const { back, reach } = reel.store.getState()
    const start = back === 0 ? reach : back
    const rate = Math.max(slowest, reach / filmS)
    const begin = performance.now()
    let frame = requestAnimationFrame(function show(now) {
      const next = Math.max(0, start - Math.floor(((now - begin) / 1000) * rate))
      if (next !== reel.store.getState().back) reel.go(next)
      if (next === 0) setPlaying(false)
      else frame = requestAnimationFrame(show)
    })
    return () => cancelAnimationFrame(frame)
  }, [playing, reel])
  return { playing, setPlaying }
}

/** The last of the values that come within a frame. */
function useLastOfFrame(use: (value: number) => void): (value: number) => void {
  const waits = useRef<number | null>(null)
  const latest = useRef(use)
  useEffect(() => {
    latest.current = use
  })
  return (value) => {
    const isFirst = waits.current === null
    waits.current = value
    if (!isFirst) return
    requestAnimationFrame(() => {
      const last = waits.current
      waits.current = null
      if (last !== null) latest.current(last)
    })
  }
}
