'use client'

import { ofKind } from '@/core/kinds/documents'
import { type RunSummary } from '@/core/readers/summary'
import { useHouse } from '../context'

const margin = 1

/** The house from above, north up, with an option's modules. */
export function RoofThumb({
  panels,
  label,
}: {
  readonly panels: RunSummary['panels']
  readonly label: string
}) {
  const house = useHouse()
  const outlines = ofKind(house, 'volume')
    .filter(({ role }) => role === 'house')
    .map(({ outline }) => outline)
  const points = [...outlines.flat(), ...panels.flatMap(({ corners }) => corners)]
  if (points.length === 0) return null
  const [west, east] = [Math.min(...points.map(([x]) => x)), Math.max(...points.map(([x]) => x))]
  const [south, north] = [Math.min(...points.map(([, y]) => y)), Math.max(...points.map(([, y]) => y))]
  const shape = (corners: readonly (readonly number[])[]) =>
    corners.map(([x = 0, y = 0]) => `${x.toFixed(2)},${(-y).toFixed(2)}`).join(' ')
  return (
    <svg
      role="img"
      aria-label={label}
      viewBox={`${west - margin} ${-north - margin} ${east - west + 2 * margin} ${north - south + 2 * margin}`}
      className="ml-auto h-16 max-w-full"
    >
      {outlines.map((outline, k) => (
        <polygon key={k} points={shape(outline)} className="fill-card stroke-pencil" strokeWidth={0.12} />
      ))}
      {panels.map(({ id, corners }) => (
        <polygon key={id} points={shape(corners)} className="fill-[#24306b] stroke-card" strokeWidth={0.05} />
      ))}
    </svg>
  )
}
