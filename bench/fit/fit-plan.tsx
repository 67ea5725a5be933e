'use client'

import { useEffect, useRef } from 'react'
import { type FoundAround } from '@/core/fit/around'
import { boxOf } from '@/core/fit/rings'
import { type Vec2 } from '@/core/geometry/vector'
import { labelPoint } from '@/core/roof/label-point'
import { planOf } from '@/core/roof/plane'
import { later } from '@/words/en/later'
import { number } from '@/words/format'
import { useSite } from '../context'
import { apartFrom } from './apart'

const words = later.fit
const widthPx = 420
/** From here on a height over or under its plane has the full colour, m. */
const fullM = 0.5
/** Planes smaller than this on the screen have no label, px². */
const leastPx2 = 900
/** Room for a label, px. */
const labelPx = [84, 15] as const

/** The fitted planes from above with how far each height is off, and the trees around. */
export function FitPlan({ found }: { readonly found: FoundAround }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const { house, residuals } = found
  const { low, high } = boxOf(house.outline, 6)
  const scale = widthPx / (high[0] - low[0])
  const heightPx = (high[1] - low[1]) * scale
  useEffect(() => {
    const context = canvas.current?.getContext('2d')
    if (!context) return
    context.clearRect(0, 0, widthPx, heightPx)
    const cell = Math.max(2, 0.26 * scale)
    for (let i = 0; i + 2 < residuals.length; i += 3) {
      const [x = 0, y = 0, off = 0] = residuals.subarray(i, i + 3)
      const share = Math.min(1, Math.abs(off) / fullM)
      context.fillStyle = off > 0 ? `rgb(178 74 58 / ${share})` : `rgb(52 98 150 / ${share})`
      context.fillRect((x - low[0]) * scale - cell / 2, (high[1] - y) * scale - cell / 2, cell, cell)
    }
  }, [residuals, scale, low, high, heightPx])
  const point = ([x, y]: readonly [number, number]) => `${(x - low[0]) * scale},${(high[1] - y) * scale}`
  const told = house.planes.filter(({ areaM2 }) => areaM2 * scale * scale >= leastPx2)
  const marks = apartFrom(
    told.map((plane) => {
      const [x, y] = labelPoint(plane)
      return [(x - low[0]) * scale, (high[1] - y) * scale] as const
    }),
    labelPx,
  )
  return (
    <figure style={{ maxWidth: widthPx }}>
      <div
        className="relative rounded-md border border-line bg-paper"
        style={{ width: widthPx, height: heightPx }}
      >
        <canvas ref={canvas} width={widthPx} height={heightPx} className="absolute inset-0" aria-hidden />
        <svg
          role="img"
          aria-label={words.picture}
          width={widthPx}
          height={heightPx}
          className="absolute inset-0 overflow-hidden"
        >
          {house.trees.map(({ x, y, crownDiameterM }) => (
            <circle
              key={`${x} ${y}`}
              cx={(x - low[0]) * scale}
              cy={(high[1] - y) * scale}
              r={(crownDiameterM / 2) * scale}
              className="fill-verdigris/15 stroke-verdigris"
            />
          ))}
          {house.planes.map(({ id, corners }) => (
            <polygon
              key={id}
              points={planOf(corners).map(point).join(' ')}
              className="fill-none stroke-ink"
              strokeWidth={1.2}
            />
          ))}
          {told.map((plane, i) => (
            <PlaneMark key={plane.id} plane={plane} at={marks[i] ?? [0, 0]} />
          ))}
        </svg>
      </div>
      <figcaption className="quiet mt-1">{words.picture}</figcaption>
    </figure>
  )
}

/** The way a plane falls and its pitch. */
function PlaneMark({
  plane,
  at: [cx, cy],
}: {
  readonly plane: FoundAround['house']['planes'][number]
  /** The middle of its label, px. */
  readonly at: Vec2
}) {
  const site = useSite()
  const { pitchDeg, azimuthDeg, fit } = plane
  const angle = (azimuthDeg * Math.PI) / 180
  const [dx, dy] = [Math.sin(angle), -Math.cos(angle)]
  return (
    <g>
      {pitchDeg >= 1 && (
        <line
          x1={cx + dx * 10}
          y1={cy + dy * 10}
          x2={cx + dx * 22}
          y2={cy + dy * 22}
          className="stroke-ink"
          strokeWidth={1.5}
        />
      )}
      <text
        x={cx}
        y={cy + 4}
        textAnchor="middle"
        className="fill-ink stroke-paper text-[12px] tabular-nums"
        strokeWidth={3}
        paintOrder="stroke"
      >
        {number(pitchDeg, site, 1)}° ± {number(Math.max(0.1, 2 * fit.pitchSpreadDeg), site, 1)}°
      </text>
    </g>
  )
}
