'use client'

import { horizonLine, type HorizonPoint } from '@/core/shade/horizon-line'
import { sideOf } from '@/words/direction'
import { later } from '@/words/en/later'
import { number } from '@/words/format'
import { useSayer, useSite, useWords } from '../context'

const [width, height, sky] = [190, 54, 40] as const
const sides = ['N', 'E', 'S', 'W'] as const

/** Elevation over azimuth, the side of the sun in the middle. */
export function HorizonProfile({
  heights,
  southern,
  label,
}: {
  readonly heights: readonly HorizonPoint[]
  readonly southern: boolean
  readonly label: string
}) {
  const from = southern ? 180 : 0
  const most = Math.max(10, Math.ceil(Math.max(...heights.map(([, high]) => high)) / 10) * 10)
  const x = (azimuthDeg: number) => ((azimuthDeg - from) / 360) * width
  const y = (elevationDeg: number) => sky - (elevationDeg / most) * (sky - 2)
  const line = horizonLine(heights, from)
    .map(([azimuth, elevation]) => `${x(azimuth)},${y(elevation)}`)
    .join(' ')
  return (
    <svg viewBox={`-1 0 ${width + 2} ${height}`} role="img" aria-label={label} className="w-full">
      <polygon
        points={`0,${sky} ${line} ${width},${sky}`}
        className="fill-line stroke-pencil"
        strokeWidth={0.8}
      />
      <text x={1} y={9} className="fill-pencil text-[9px]">
        {most}°
      </text>
      {Array.from({ length: 5 }, (_, i) => (
        <text
          key={i}
          x={(i * width) / 4}
          y={height - 3}
          textAnchor={i === 0 ? 'start' : i === 4 ? 'end' : 'middle'}
          className="fill-pencil text-[9px]"
        >
          {sides[(i + from / 90) % sides.length]}
        </text>
      ))}
    </svg>
  )
}

/** How many points it has, and the highest of them. */
export function HorizonTold({ heights }: { readonly heights: readonly HorizonPoint[] }) {
  const site = useSite()
  const sayer = useSayer()
  const { compassPlaces } = useWords()
  const top = heights.reduce<HorizonPoint | null>((a, b) => (!a || b[1] > a[1] ? b : a), null)
  if (!top) return null
  return (
    <p className="text-[12px] text-pencil">
      {sayer.say(later.farHorizon.told, {
        count: heights.length,
        highest: `${number(top[1], site, 1)}°`,
        side: compassPlaces[sideOf(top[0])],
      })}
    </p>
  )
}
