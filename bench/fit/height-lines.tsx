'use client'

import { useEffect, useMemo, useState } from 'react'
import { guideLines } from '@/core/fit/roof-over'
import { ofKind } from '@/core/kinds/documents'
import { type LatLon } from '@/core/geometry/geo'
import { type Vec2 } from '@/core/geometry/vector'
import { type StageView } from '@/stage/stage-view'
import { later } from '@/words/en/later'
import { slope } from '@/words/format'
import { useBench, useHouse, useSayer, useSession, useSite } from '../context'
import { guideOf, markOf, takePitch } from './by-heights'

const words = later.fit
/** Smaller planes carry no pitch, m2. */
const leastAreaM2 = 3

const isSamePlace = (a: LatLon, b: LatLon) =>
  a.latitudeDeg === b.latitudeDeg && a.longitudeDeg === b.longitudeDeg

/** The planes that were read from heights, as lines on the ground to draw by, and their pitches to take. */
export function HeightLines({ view }: { readonly view: StageView }) {
  const [, redraw] = useState(0)
  useEffect(() => view.onDraw(() => redraw((n) => n + 1)), [view])
  const { documents, session, underLines } = useBench()
  const sayer = useSayer()
  const site = useSite()
  const read = useSession((s) => s.heights)
  // Of another place, once the site has been moved, they tell nothing.
  const house = read && isSamePlace(read.at, site) ? read.house : null
  // The planes of what is drawn have their pitch in the same place.
  const drawn = ofKind(useHouse(), 'volume').length > 0
  const selecting = useSession((s) => s.tool === 'select')
  const lines = useMemo(() => (house ? guideLines(house.planes) : []), [house])
  useEffect(() => {
    underLines.set('heights', house && guideOf(house, sayer))
    return () => underLines.set('heights', null)
  }, [underLines, house, sayer])
  if (!house) return null
  const onGround = ([x, y]: Vec2) => view.sight.project([x, y, 0.03])
  return (
    <>
      <svg className="pointer-events-none absolute inset-0 h-full w-full" aria-hidden data-height-lines>
        {lines.map(([a, b], i) => {
          const [p, q] = [onGround(a), onGround(b)]
          return (
            p &&
            q && (
              <g key={i} strokeLinecap="round">
                {/* Light under dark, so that it is seen on any roof. */}
                <line x1={p[0]} y1={p[1]} x2={q[0]} y2={q[1]} className="stroke-card/80" strokeWidth={3} />
                <line
                  x1={p[0]}
                  y1={p[1]}
                  x2={q[0]}
                  y2={q[1]}
                  className="stroke-ink"
                  strokeWidth={1.5}
                  strokeDasharray="1 4"
                />
              </g>
            )
          )
        })}
      </svg>
      {house.planes
        .filter(({ areaM2 }) => areaM2 >= leastAreaM2)
        .map((plane) => {
          const place = onGround(markOf(plane))
          const pitch = slope(plane.pitchDeg, site)
          return (
            place && (
              <button
                key={plane.id}
                type="button"
                className={`absolute -translate-x-1/2 rounded border border-pencil bg-card/90 px-1 text-[12px] text-ink tabular-nums ${drawn ? 'mt-4' : '-translate-y-1/2'} ${selecting ? '' : 'pointer-events-none'}`}
                style={{ left: place[0], top: place[1] }}
                title={sayer.say(words.plane, { pitch, cells: plane.fit.cells })}
                onClick={() => takePitch(plane, { documents, session, sayer })}
              >
                {pitch}
              </button>
            )
          )
        })}
      <p className="absolute top-3 left-3.5 flex max-w-[60%] items-center gap-2 rounded-md bg-card/90 px-2.5 py-1">
        <span className="quiet">{words.lines}</span>
        <button type="button" className="button" onClick={() => session.setState({ heights: null })}>
          {words.hide}
        </button>
      </p>
    </>
  )
}
