'use client'

import { useEffect, useState } from 'react'
import { formatLength, toDegrees } from '@/core/model/units'
import { add3, distance2, length3, scale3, sub3, type Vec2, type Vec3 } from '@/core/geometry/vector'
import { fromFrame } from '@/core/layout/plane-frame'
import { ofKind } from '@/core/kinds/documents'
import { type Handle } from '@/core/kinds/standing'
import { type StageView } from '@/stage/stage-view'
import { useHouse, useSession, useSite } from '../context'
import { objectIdsOf } from '../store/selection'
import { type Grip } from '../tools/chart'

interface Props {
  readonly view: StageView
  readonly grips: readonly Grip[]
}

const snapNames = {
  close: 'close the outline',
  end: 'end',
  middle: 'middle',
  'right-angle': 'right angle',
  parallel: 'parallel',
  extension: 'in line',
  edge: 'on edge',
  free: '',
} as const

/** What lies over the picture: grips, measures, the drawing in hand with its snap and typed length. */
export function Overlay({ view, grips }: Props) {
  const [, redraw] = useState(0)
  useEffect(() => view.onDraw(() => redraw((n) => n + 1)), [view])
  const sketch = useSession((s) => s.sketch)
  const selection = useSession((s) => s.selection)
  const chapter = useSession((s) => s.chapter)
  const { units, locale } = useSite()
  const house = useHouse()
  const inSpace = (p: Vec2, overM = 0): Vec3 =>
    sketch?.on ? fromFrame(sketch.on, p, overM) : [p[0], p[1], overM]
  const at = (p: Vec2) => view.sight.project(inSpace(p, 0.03))
  const selected = selection?.kind === 'object' ? house[selection.id] : undefined
  const chosen = objectIdsOf(selection)
  const kept = chapter === 'shape' || chapter === 'site' ? ofKind(house, 'dimension') : []
  const points = sketch?.points ?? []
  const last = points.at(-1)
  const pointer = sketch?.pointer ?? null
  const tape = sketch?.tape
  const screenPointer = pointer && at(pointer)
  const note = sketch?.typed ? `${sketch.typed}▏ Enter` : sketch?.snap && snapNames[sketch.snap.kind]
  return (
    <>
      <svg className="pointer-events-none absolute inset-0 h-full w-full" aria-hidden>
        {sketch?.box && <Box corners={sketch.box} />}
        {sketch?.snap?.guides.map(([a, b], i) => (
          <Segment key={i} a={at(a)} b={at(b)} className="stroke-verdigris" dash="3 4" />
        ))}
        {points.slice(0, -1).map((a, i) => (
          <Segment key={i} a={at(a)} b={at(points[i + 1] ?? a)} className="stroke-verdigris" width={2} />
        ))}
        {last && pointer && (
          <Segment a={at(last)} b={screenPointer} className="stroke-verdigris" width={1.5} />
        )}
        {kept.map(({ id, from, to }) => (
          <Segment
            key={id}
            a={view.sight.project(from)}
            b={view.sight.project(to)}
            className={chosen.includes(id) ? 'stroke-verdigris' : 'stroke-pencil'}
            width={1.25}
            dash="5 3"
          />
        ))}
        {tape && (
          <Segment
            a={view.sight.project(tape[0])}
            b={view.sight.project(tape[1])}
            className="stroke-verdigris"
            width={2}
          />
        )}
        {tape?.map((end, i) => (
          <Dot key={i} at={view.sight.project(end)} radius={3.5} />
        ))}
        {sketch?.marks.map((p, i) => (
          <Dot key={i} at={view.sight.project(p)} radius={4} />
        ))}
        {points.map((p, i) => (
          <Dot key={i} at={at(p)} radius={i === 0 ? 5 : 3.5} />
        ))}
        {screenPointer && sketch?.snap && <SnapMark at={screenPointer} kind={sketch.snap.kind} />}
        {grips.map(({ handle }) => {
          if (view.sight.isPlan && handle.moves === 'up') return null
          const s = view.sight.project(handle.at)
          const way = handle.aim ?? handle.line?.direction
          const next = way && view.sight.project(add3(handle.at, scale3(way, 0.5)))
          const turnDeg = s && next ? toDegrees(Math.atan2(next[1] - s[1], next[0] - s[0])) : 0
          return (
            s && <GripMark key={`${handle.name}${handle.index}`} at={s} turnDeg={turnDeg} handle={handle} />
          )
        })}
      </svg>
      {last && pointer && (
        <Measure
          view={view}
          a={inSpace(last)}
          b={inSpace(pointer)}
          text={formatLength(distance2(last, pointer), units, locale)}
        />
      )}
      {points.slice(0, -1).map((a, i) => {
        const b = points[i + 1] ?? a
        return (
          <Measure
            key={i}
            view={view}
            a={inSpace(a)}
            b={inSpace(b)}
            text={formatLength(distance2(a, b), units, locale)}
          />
        )
      })}
      {tape && (
        <Measure
          view={view}
          a={tape[0]}
          b={tape[1]}
          text={formatLength(length3(sub3(tape[1], tape[0])), units, locale)}
        />
      )}
      {kept.map(({ id, from, to }) => (
        <Measure
          key={id}
          view={view}
          a={from}
          b={to}
          text={formatLength(length3(sub3(to, from)), units, locale)}
          quiet={!chosen.includes(id)}
        />
      ))}
      {selected?.kind === 'volume' &&
        points.length === 0 &&
        selected.outline.map((a, i) => {
          const b = selected.outline[(i + 1) % selected.outline.length] ?? a
          return (
            <Measure
              key={i}
              view={view}
              a={[a[0], a[1], selected.eaveHeightM]}
              b={[b[0], b[1], selected.eaveHeightM]}
              text={formatLength(distance2(a, b), units, locale)}
              number={i + 1}
              quiet
            />
          )
        })}
      {screenPointer && note && (
        <span
          className="pointer-events-none absolute rounded bg-card/90 px-1.5 text-[12px] text-verdigris"
          style={{ left: screenPointer[0] + 14, top: screenPointer[1] + 12 }}
        >
          {note}
        </span>
      )}
      {sketch?.message && (
        <p
          role="status"
          className="absolute top-3 left-1/2 max-w-[26rem] -translate-x-1/2 rounded-md border border-line bg-card px-3 py-1.5 shadow-sm"
        >
          {sketch.message}
        </p>
      )}
    </>
  )
}

/** Drawn round what is to be chosen. */
function Box({ corners: [a, b] }: { readonly corners: readonly [Vec2, Vec2] }) {
  return (
    <rect
      x={Math.min(a[0], b[0])}
      y={Math.min(a[1], b[1])}
      width={Math.abs(a[0] - b[0])}
      height={Math.abs(a[1] - b[1])}
      className="fill-verdigris/10 stroke-verdigris"
      strokeDasharray="4 3"
    />
  )
}

/** An end or a corner of what is being drawn. */
function Dot({ at, radius }: { readonly at: Vec2 | null; readonly radius: number }) {
  if (!at) return null
  return <circle cx={at[0]} cy={at[1]} r={radius} className="fill-card stroke-verdigris" strokeWidth={1.8} />
}

function Segment({
  a,
  b,
  className,
  width = 1,
  dash,
}: {
  readonly a: Vec2 | null
  readonly b: Vec2 | null
  readonly className: string
  readonly width?: number
  readonly dash?: string
}) {
  return a && b ? (
    <line
      x1={a[0]}
      y1={a[1]}
      x2={b[0]}
      y2={b[1]}
      className={className}
      strokeWidth={width}
      strokeDasharray={dash}
    />
  ) : null
}

function SnapMark({ at: [x, y], kind }: { readonly at: Vec2; readonly kind: keyof typeof snapNames }) {
  const shape = {
    close: <circle cx={x} cy={y} r={9} />,
    end: <rect x={x - 5} y={y - 5} width={10} height={10} />,
    middle: <path d={`M${x - 6} ${y + 5} L${x} ${y - 6} L${x + 6} ${y + 5} Z`} />,
    'right-angle': <path d={`M${x - 7} ${y} L${x} ${y} L${x} ${y - 7}`} />,
    parallel: <path d={`M${x - 6} ${y - 3} L${x + 6} ${y - 3} M${x - 6} ${y + 3} L${x + 6} ${y + 3}`} />,
    extension: <path d={`M${x - 7} ${y} L${x + 7} ${y}`} strokeDasharray="2 2" />,
    edge: <path d={`M${x - 5} ${y - 5} L${x + 5} ${y + 5} M${x - 5} ${y + 5} L${x + 5} ${y - 5}`} />,
    free: <circle cx={x} cy={y} r={2.5} />,
  }[kind]
  return <g className="fill-none stroke-verdigris stroke-2">{shape}</g>
}

function GripMark({
  at: [x, y],
  turnDeg,
  handle: { moves, corner, whole, aim },
}: {
  readonly at: Vec2
  /** The way it goes on the screen. */
  readonly turnDeg: number
  readonly handle: Handle
}) {
  if (whole || (moves === 'plane' && !corner && !aim))
    return (
      <g className="fill-verdigris stroke-card">
        {[0, 90, 180, 270].map((turn) => (
          <path key={turn} d="M0 -10 L4 -4.5 L-4 -4.5 Z" transform={`translate(${x} ${y}) rotate(${turn})`} />
        ))}
        <circle cx={x} cy={y} r={2.6} />
      </g>
    )
  if (corner === 'new')
    return (
      <g className="stroke-verdigris" strokeWidth={1.4}>
        <circle cx={x} cy={y} r={4.2} className="fill-card" />
        <path d={`M${x - 2.2} ${y} h4.4 M${x} ${y - 2.2} v4.4`} />
      </g>
    )
  if (moves === 'level' || corner === 'own')
    return (
      <rect
        x={x - 4.5}
        y={y - 4.5}
        width={9}
        height={9}
        className="fill-card stroke-verdigris"
        strokeWidth={1.8}
      />
    )
  if (moves === 'width' || moves === 'along' || aim)
    return (
      <path
        transform={`rotate(${turnDeg} ${x} ${y})`}
        d={`M${x - 8} ${y} L${x - 3} ${y - 4} L${x - 3} ${y + 4} Z M${x + 8} ${y} L${x + 3} ${y - 4} L${x + 3} ${y + 4} Z`}
        className="fill-verdigris stroke-card"
      />
    )
  return (
    <path
      d={`M${x} ${y - 9} L${x + 5} ${y - 2} L${x - 5} ${y - 2} Z M${x} ${y + 9} L${x + 5} ${y + 2} L${x - 5} ${y + 2} Z`}
      className="fill-verdigris stroke-card"
    />
  )
}

function Measure({
  view,
  a,
  b,
  text,
  number,
  quiet = false,
}: {
  readonly view: StageView
  readonly a: Vec3
  readonly b: Vec3
  readonly text: string
  /** Of the edge in its list. */
  readonly number?: number
  readonly quiet?: boolean
}) {
  const [p, q] = [view.sight.project(a), view.sight.project(b)]
  if (!p || !q || distance2(p, q) < (quiet ? 46 : 24)) return null
  return (
    <span
      className={`pointer-events-none absolute -translate-x-1/2 -translate-y-1/2 rounded bg-card/80 px-1 text-[12px] ${quiet ? 'text-pencil' : 'font-medium text-ink'}`}
      style={{ left: (p[0] + q[0]) / 2, top: (p[1] + q[1]) / 2 }}
    >
      {number !== undefined && <span className="mr-1 font-semibold text-ink">{number}</span>}
      {text}
    </span>
  )
}
