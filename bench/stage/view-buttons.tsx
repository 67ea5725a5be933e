'use client'

import { useEffect, useState } from 'react'
import { formatLength } from '@/core/model/units'
import { frameOfSite } from '@/core/site/frame'
import { type StageView } from '@/stage/stage-view'
import { useBench, useNumbers, useSession, useSite } from '../context'

const sides = [
  ['N', 0],
  ['E', 90],
  ['S', 180],
  ['W', 270],
] as const

const steps = { metric: [0.5, 1, 2, 5, 10, 20, 50], imperial: [0.6096, 1.524, 3.048, 6.096, 15.24, 30.48] }

/** What costs less than this in a year need not be seen, kWh. */
const worthSeeingKwh = 5

/** North, views, and the scale. */
export function ViewButtons({ view }: { readonly view: StageView }) {
  const { session, site: standing } = useBench()
  const site = useSite()
  const plan = useSession((s) => s.plan)
  const { numbers } = useNumbers()
  // What takes some light from the modules belongs into the picture.
  const shading = new Set(
    numbers?.summary.shadeBill.filter(({ kwh }) => kwh >= worthSeeingKwh).map(({ id }) => id),
  )
  const [state, setState] = useState({ north: 0, metres: 0.05 })
  useEffect(() => {
    const read = () => setState({ north: view.sight.northDeg(), metres: view.sight.metresPerPixel() })
    const frame = requestAnimationFrame(read)
    const stop = view.onDraw(read)
    return () => {
      cancelAnimationFrame(frame)
      stop()
    }
  }, [view])
  const lengths = steps[site.units]
  const length = lengths.find((step) => step / state.metres > 70) ?? lengths.at(-1) ?? 10
  const whole = () => {
    const frame = frameOfSite(standing(), shading)
    view.sight.lookAt(
      frame?.middle ?? [0, 0],
      Math.max(12, (frame?.radiusM ?? 0) * 1.15),
      3,
      site.latitudeDeg < 0,
    )
  }
  return (
    <>
      <div className="absolute top-3 right-3 flex flex-col items-end gap-1.5">
        <svg
          width="40"
          height="40"
          viewBox="-20 -20 40 40"
          role="img"
          aria-label={`North is ${Math.round(state.north)} degrees from up`}
        >
          <circle r="18" className="fill-card stroke-line" />
          <g transform={`rotate(${state.north})`}>
            <path
              d="M0 -16.5 L4.5 -8 L-4.5 -8 Z M0 -8 L0 15"
              className="fill-ink stroke-ink"
              strokeWidth="0.8"
            />
            <text
              y="5"
              stroke="var(--tg-card)"
              strokeWidth="3"
              paintOrder="stroke"
              textAnchor="middle"
              className="fill-ink text-[11px] font-semibold"
            >
              N
            </text>
          </g>
        </svg>
        <div
          className="flex overflow-hidden rounded-md border border-line bg-card"
          role="group"
          aria-label="Views"
        >
          <button
            type="button"
            className="cursor-pointer px-2 py-0.5 hover:bg-fold"
            aria-pressed={plan}
            title="Plan or perspective (V)"
            onClick={() => session.setState({ plan: !plan })}
          >
            {plan ? 'Plan' : '3D'}
          </button>
          {!plan &&
            sides.map(([name, azimuth]) => (
              <button
                key={name}
                type="button"
                className="cursor-pointer border-l border-line px-1.5 py-0.5 hover:bg-fold"
                title={`Look from the ${{ N: 'north', E: 'east', S: 'south', W: 'west' }[name]}`}
                onClick={() => view.sight.lookFrom(azimuth, 28)}
              >
                {name}
              </button>
            ))}
          <button
            type="button"
            className="cursor-pointer border-l border-line px-2 py-0.5 hover:bg-fold"
            title="Show the whole house (F)"
            data-command="frame"
            onClick={whole}
          >
            Fit
          </button>
        </div>
      </div>
      {/* A perspective has no one scale. */}
      <div
        hidden={!plan}
        className="pointer-events-none absolute right-3 bottom-3 rounded-md bg-card/85 px-2 py-1 text-right"
      >
        <div
          className="ml-auto h-1.5 border-x border-b border-ink"
          style={{ width: length / state.metres }}
        />
        <p className="quiet">{formatLength(length, site.units, site.locale)}</p>
      </div>
    </>
  )
}
