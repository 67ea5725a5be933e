'use client'

import { useEffect, useRef, useState, type KeyboardEvent } from 'react'
import { type PageView } from '@/core/kinds/offer/page'
import { type Site } from '@/core/kinds/site/site'
import { clockOfHour } from '@/core/model/moment'
import { modelYear, monthOfDay } from '@/core/model/model-year'
import { frameOfSite } from '@/core/site/frame'
import { type Site as StandingSite } from '@/core/site/site'
import { sunAtClock } from '@/core/sun/local-sun'
import { sunDirection } from '@/core/sun/position'
import { lightPalette } from '@/stage/palette'
import { StageView } from '@/stage/stage-view'
import { dayName } from '@/words/format'
import { type ProposalWords } from '@/words/proposal-words'
import { type Sayer } from '@/words/sayer'

const nothing = new Set<string>()

/** Degrees round the house and up, as the eye goes by a key: sideways as the house turns under the hand. */
const turns: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-15, 0],
  ArrowRight: [15, 0],
  ArrowUp: [0, 5],
  ArrowDown: [0, -5],
}

/** What the picture is seen from and looks at. */
export type Seen = Pick<PageView, 'eye' | 'target'>

/** The house with its modules, to be turned with the hand; a still picture on paper. */
export function RoofView({
  site,
  standing,
  seen,
  moment: { day, hour },
  print,
  words,
  sayer,
  tell,
}: {
  readonly site: Pick<Site, 'latitudeDeg' | 'longitudeDeg' | 'elevationM' | 'timeZone'>
  readonly standing: StandingSite
  /** How it begins; null: from the sunny side. */
  readonly seen: Seen | null
  /** Whose shadows it has. */
  readonly moment: Pick<PageView, 'day' | 'hour'>
  readonly print: boolean
  readonly words: ProposalWords
  readonly sayer: Sayer
  /** Hears how it has been turned. */
  readonly tell?: (seen: Seen) => void
}) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const box = useRef<HTMLDivElement>(null)
  const [picture, setPicture] = useState<string | null>(null)
  const [lost, setLost] = useState(false)
  const live = useRef<StageView | null>(null)
  const light = useRef<() => void>(undefined)
  const { locale } = sayer.place
  // Shadows move without the house being turned back.
  useEffect(() => {
    light.current = () =>
      live.current?.setSun(sunDirection(sunAtClock(site, modelYear, day, hour)), monthOfDay(day))
    light.current()
  }, [site, day, hour])
  useEffect(() => {
    const frame = box.current
    if (!canvas.current || !frame) return
    let view: StageView
    try {
      view = new StageView(canvas.current)
    } catch (error) {
      if (!(error instanceof Error)) throw error
      queueMicrotask(() => setLost(true))
      return
    }
    // Before there is anything to draw: on paper all of it is drawn once.
    view.resize(frame.clientWidth, frame.clientHeight)
    // Whoever chooses the view comes nearer too; on the page the wheel scrolls.
    view.turnWithLeft(tell !== undefined)
    view.show(standing, lightPalette, {
      selected: nothing,
      lit: nothing,
      broken: nothing,
      slotsOf: null,
      margins: null,
      racking: null,
      glass: false,
      panelColour: () => undefined,
      sunMap: null,
    })
    live.current = view
    light.current?.()
    const around = frameOfSite(standing)
    view.sight.lookAt(around?.middle ?? [0, 0], Math.max(8, around?.radiusM ?? 0), 3)
    if (seen) view.sight.lookThrough([...seen.eye, ...seen.target])
    // From the side the sun comes from: south in the north, north in the south.
    else view.sight.lookFrom(site.latitudeDeg < 0 ? 30 : 205, 36)
    if (print) {
      const drawn = view.picture()
      live.current = null
      view.dispose()
      queueMicrotask(() => setPicture(drawn))
      return
    }
    const told = () => {
      const [x = 0, y = 0, z = 0, tx = 0, ty = 0, tz = 0] = view.sight.eye()
      tell?.({ eye: [x, y, z], target: [tx, ty, tz] })
    }
    // At once too: it can be kept before it is first drawn.
    told()
    const stop = view.onDraw(told)
    const observer = new ResizeObserver(() => view.resize(frame.clientWidth, frame.clientHeight))
    observer.observe(frame)
    return () => {
      stop()
      observer.disconnect()
      live.current = null
      view.dispose()
    }
  }, [site, standing, seen, print, tell])
  const turnByKey = (event: KeyboardEvent) => {
    const way = turns[event.key]
    if (!way) return
    // The page does not scroll by the same key.
    event.preventDefault()
    live.current?.sight.turn(...way)
  }
  return (
    <div
      ref={box}
      className={`relative w-full overflow-hidden rounded-lg border border-line ${print ? 'h-[250px]' : 'h-[330px]'}`}
      data-roof={picture || lost ? 'drawn' : 'live'}
    >
      {/* A canvas is not always printed: on paper stands its picture. */}
      {picture ? (
        <div
          role="img"
          aria-label={words.picture}
          className="absolute inset-0 bg-cover bg-center"
          style={{ backgroundImage: `url(${picture})` }}
        />
      ) : (
        <canvas
          ref={canvas}
          tabIndex={print ? undefined : 0}
          aria-label={words.turn}
          onKeyDown={turnByKey}
          className="h-full w-full cursor-grab touch-none"
          // Within the frame, which cuts off what is around it.
          style={{ outlineOffset: -2 }}
        />
      )}
      {!lost && (
        // The picture is of paper by night too.
        <p className="pointer-events-none absolute inset-x-3 bottom-2 flex justify-between text-[12px] text-[#5c6871]">
          <span>{!print && words.dragToTurn}</span>
          <span className="rounded-sm bg-[#f7f4ed]/80 px-1">
            {sayer.say(words.shadowsOf, { date: dayName(day, locale), clock: clockOfHour(hour) })}
          </span>
        </p>
      )}
      {lost && <p className="absolute inset-0 grid place-items-center">{words.noPicture}</p>}
    </div>
  )
}
