'use client'

import { useEffect, useState } from 'react'
import { middle3, type Vec2 } from '@/core/geometry/vector'
import { type StageView } from '@/stage/stage-view'
import { later } from '@/words/en/later'
import { useBench, useNumbers, useSession } from '../context'
import { CablesLayer } from './cables-layer'

const words = later.wiring

/** Strings of one input have one pattern, so that they part without colours. */
const patterns = [undefined, '7 3', '2 3', '9 3 2 3'] as const
/** More modules than this are drawn without their dots, for the hand that turns the house. */
const mostDots = 300
/** Half the side of the frame round the middle of a module with an optimizer, px: an end of a string has room in it. */
const framePx = 7.5
/** Pixels that an end stands off the middle of its module. */
const endPx = 6

/** The strings as they run over the modules, from plus to minus; the one in hand or pointed at stands out. */
export function StringsLayer({ view }: { readonly view: StageView }) {
  const [, redraw] = useState(0)
  useEffect(() => view.onDraw(() => redraw((n) => n + 1)), [view])
  const { site } = useBench()
  const lit = useSession((s) => s.lit)
  const drawing = useSession((s) => s.tool === 'string') && lit.length > 0
  const { numbers, fresh } = useNumbers()
  const middles = new Map(
    site().arrays.flatMap(({ panels }) =>
      panels.map(({ id, corners: [a, , c] }) => [id, middle3(a, c)] as const),
    ),
  )
  const pathOf = (panelIds: readonly string[]) =>
    panelIds.flatMap((id) => {
      const middle = middles.get(id)
      return middle ? [view.sight.project(middle)] : []
    })
  const { strings = [], electronics, optimized = [] } = numbers?.summary ?? {}
  const signs = electronics === 'microinverters' ? words.branchEnds : words.stringEnds
  const taken = new Set(drawing ? lit : [])
  const hasDots = middles.size <= mostDots
  return (
    <svg
      className={`pointer-events-none absolute inset-0 h-full w-full ${fresh || drawing ? '' : 'opacity-60'}`}
      aria-hidden
      data-strings={strings.length}
      data-optimized={electronics === 'none' ? optimized.length : 0}
    >
      <CablesLayer view={view} />
      {strings.map(({ id, input, panelIds, drawn }) => {
        const isLit = !drawing && lit.length > 0 && lit.includes(panelIds[0] ?? '')
        return (
          <StringPath
            key={id}
            name={id}
            points={pathOf(panelIds.filter((panel) => !taken.has(panel)))}
            pattern={input < 0 ? '1 4' : patterns[input % patterns.length]}
            tone={isLit ? 'text-verdigris' : 'text-ink'}
            width={drawn === undefined ? 1.5 : 2.4}
            hasDots={hasDots}
            signs={signs}
          />
        )
      })}
      {electronics === 'none' && pathOf(optimized).map((at, k) => at && <Frame key={k} at={at} />)}
      {drawing && (
        <StringPath
          name=""
          points={pathOf(lit)}
          pattern={undefined}
          tone="text-verdigris"
          width={3}
          hasDots={hasDots}
          signs={signs}
        />
      )}
    </svg>
  )
}

function Frame({ at: [x, y] }: { readonly at: Vec2 }) {
  const square = { x: x - framePx, y: y - framePx, width: 2 * framePx, height: 2 * framePx }
  return (
    <>
      <rect {...square} className="fill-none stroke-card" strokeWidth={5} />
      <rect {...square} data-optimizer className="fill-none stroke-verdigris" strokeWidth={2} />
    </>
  )
}

function StringPath({
  name,
  points,
  pattern,
  tone,
  width,
  hasDots,
  signs,
}: {
  readonly name: string
  readonly points: readonly (Vec2 | null)[]
  readonly pattern: string | undefined
  readonly tone: string
  readonly width: number
  readonly hasDots: boolean
  /** At its first end and at its last. */
  readonly signs: { readonly first: string; readonly last: string }
}) {
  const seen = points.filter((point) => point !== null)
  const [first, last] = [seen[0], seen.at(-1)]
  if (!first || !last) return null
  const path = seen.map(([x, y]) => `${x.toFixed(1)},${y.toFixed(1)}`).join(' ')
  return (
    <g className={tone}>
      <polyline
        points={path}
        className="fill-none stroke-card"
        strokeWidth={width + 3}
        strokeLinejoin="round"
      />
      <polyline
        points={path}
        className="fill-none stroke-current"
        strokeWidth={width}
        strokeDasharray={pattern}
        strokeLinejoin="round"
      />
      {(hasDots ? seen.slice(1, -1) : []).map(([x, y], k) => (
        <circle key={k} cx={x} cy={y} r={2.2} className="fill-current" />
      ))}
      <End at={last} sign={signs.last} aside={seen.length < 2 ? endPx : 0} />
      <End at={first} sign={signs.first} aside={seen.length < 2 ? -endPx : 0} />
      {name !== '' && (
        <text
          x={first[0]}
          y={first[1] - 10}
          textAnchor="middle"
          className="fill-ink stroke-card text-[12px] font-semibold"
          strokeWidth={3}
          paintOrder="stroke"
        >
          {name}
        </text>
      )}
    </g>
  )
}

function End({
  at: [x, y],
  sign,
  aside,
}: {
  readonly at: Vec2
  readonly sign: string
  readonly aside: number
}) {
  return (
    <>
      <circle cx={x + aside} cy={y} r={6} className="fill-card stroke-current" strokeWidth={1.5} />
      <text x={x + aside} y={y + 4} textAnchor="middle" className="fill-current text-[12px] font-bold">
        {sign}
      </text>
    </>
  )
}
