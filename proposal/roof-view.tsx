'use client'

import { modelYear } from '@/core/model/model-year'
import { useEffect, useRef, useState } from 'react'
import { frameOfSite } from '@/core/site/frame'
import { sunAtClock } from '@/core/sun/local-sun'
import { sunDirection } from '@/core/sun/position'
import { lightPalette } from '@/stage/palette'
import { StageView } from '@/stage/stage-view'
import { type ProposalWords } from '@/words/proposal-words'
import { type ProposalData } from './shape'

/** An afternoon in May, when shadows are readable. */
const day = 135
const month = 4
const hour = 14.5
const nothing = new Set<string>()

/** The house with its modules, to be turned with the hand; a still picture on paper. */
export function RoofView({
  data,
  print,
  words,
}: {
  readonly data: ProposalData
  readonly print: boolean
  readonly words: ProposalWords
}) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const box = useRef<HTMLDivElement>(null)
  const [picture, setPicture] = useState<string | null>(null)
  const [lost, setLost] = useState(false)
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
    view.turnWithLeft()
    view.show(data.standing, lightPalette, {
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
    view.setSun(sunDirection(sunAtClock(data.site, modelYear, day, hour)), month)
    const around = frameOfSite(data.standing)
    view.sight.lookAt(around?.middle ?? [0, 0], Math.max(8, around?.radiusM ?? 0), 3)
    // From the side the sun comes from: south in the north, north in the south.
    view.sight.lookFrom(data.site.latitudeDeg < 0 ? 30 : 205, 36)
    if (print) {
      const drawn = view.picture()
      view.dispose()
      queueMicrotask(() => setPicture(drawn))
      return
    }
    const observer = new ResizeObserver(() => view.resize(frame.clientWidth, frame.clientHeight))
    observer.observe(frame)
    return () => {
      observer.disconnect()
      view.dispose()
    }
  }, [data, print])
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
        <canvas ref={canvas} aria-label={words.turn} className="h-full w-full cursor-grab touch-none" />
      )}
      {!print && !lost && (
        // The picture is of paper by night too.
        <p className="pointer-events-none absolute bottom-2 left-3 text-[12px] text-[#5c6871]">
          {words.dragToTurn}
        </p>
      )}
      {lost && <p className="absolute inset-0 grid place-items-center">{words.noPicture}</p>}
    </div>
  )
}
