'use client'

import { type Vec3 } from '@/core/geometry/vector'
import { toDegrees, toRadians } from '@/core/model/units'
import { type PanelFigures } from '@/core/readers/summary'
import { type SunPoint } from '@/core/sun/sun-paths'
import { later } from '@/words/en/later'

const words = later.shade

/** The picture's units for a degree of azimuth and of elevation. */
const [perAzimuth, perElevation] = [2.4, 3.6]

/** The sky on a strip: azimuth across, beginning where it is told, and elevation up. */
export class Strip {
  static readonly width = 360 * perAzimuth
  static readonly height = 90 * perElevation
  readonly leftDeg: number

  /** Away from the equator's side: what matters stands in the middle. */
  constructor(latitudeDeg: number) {
    this.leftDeg = latitudeDeg >= 0 ? 0 : 180
  }

  x = (azimuthDeg: number): number => ((azimuthDeg - this.leftDeg + 360) % 360) * perAzimuth
  y = (elevationDeg: number): number => Strip.height - elevationDeg * perElevation

  /** A patch that begins at an azimuth and an elevation. */
  patch(azimuthDeg: number, elevationDeg: number, wideDeg: number, highDeg: number) {
    return {
      x: this.x(azimuthDeg),
      y: this.y(elevationDeg + highDeg),
      width: wideDeg * perAzimuth,
      height: highDeg * perElevation,
    }
  }

  /** An outline as points of polygons: what crosses the strip's beginning stands at both ends. */
  polygons(outline: readonly (readonly [number, number])[]): string[] {
    const azimuths = outline.map(([azimuth]) => azimuth)
    const written = (by: number) =>
      outline
        .map(([azimuth, elevation]) => `${(azimuth + by - this.leftDeg) * perAzimuth},${this.y(elevation)}`)
        .join(' ')
    return [
      ...(Math.max(...azimuths) > this.leftDeg ? [written(0)] : []),
      ...(Math.min(...azimuths) < this.leftDeg ? [written(360)] : []),
    ]
  }
}

const compass = ['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW', 'N']

/** Lines of azimuth and elevation, with their degrees. */
export function Grid({ strip: { leftDeg, y } }: { readonly strip: Strip }) {
  const { width, height } = Strip
  return (
    <g className="text-pencil">
      {Array.from({ length: 9 }, (_, i) => {
        const at = i * 45 * perAzimuth
        return (
          <g key={i}>
            <line x1={at} x2={at} y1={0} y2={height} className="stroke-line" strokeWidth={0.6} />
            <Label
              x={at}
              y={height + 15}
              text={`${compass[(i + leftDeg / 45) % 8] ?? ''} ${(i * 45 + leftDeg) % 360}°`}
              anchor="middle"
            />
          </g>
        )
      })}
      {Array.from({ length: 10 }, (_, i) => (
        <g key={i}>
          <line x1={0} x2={width} y1={y(i * 10)} y2={y(i * 10)} className="stroke-line" strokeWidth={0.6} />
          {i % 2 === 0 && <Label x={-30} y={y(i * 10) + 4} text={`${i * 10}°`} />}
        </g>
      ))}
      <Label x={width / 2} y={height + 29} text={words.azimuth} anchor="middle" />
    </g>
  )
}

/** How high the sky is hidden by the plane that one looks out from, degrees, towards each azimuth; below 0 where it looks over. */
export function planeHorizon([east, north, up]: Vec3): (azimuthDeg: number) => number {
  return (azimuthDeg) => {
    const azimuth = toRadians(azimuthDeg)
    const level = east * Math.sin(azimuth) + north * Math.cos(azimuth)
    return up > 1e-6 ? toDegrees(Math.atan(-level / up)) : level < 0 ? 90 : 0
  }
}

/** What lies behind the plane that one looks out from, which is never seen. */
export function Behind({
  normal,
  text,
  strip: { leftDeg, x, y },
}: {
  readonly normal: Vec3
  readonly text: string
  readonly strip: Strip
}) {
  const { width, height } = Strip
  const horizon = planeHorizon(normal)
  const edge = Array.from({ length: 181 }, (_, i) => ({ at: i * 2, elevation: horizon(leftDeg + i * 2) }))
  const top = edge.reduce((a, b) => (b.elevation > a.elevation ? b : a))
  return (
    <g>
      <polygon
        points={`0,${height} ${edge.map(({ at, elevation }) => `${(at * width) / 360},${y(Math.max(0, elevation))}`).join(' ')} ${width},${height}`}
        className="fill-card"
        opacity={0.82}
      />
      {top.elevation > 8 && (
        <Label
          x={Math.max(60, Math.min(width - 60, x(leftDeg + top.at)))}
          y={height - 6}
          text={text}
          anchor="middle"
          quiet
        />
      )}
    </g>
  )
}

/** Outwards from a module. */
export function normalOf({ corners: [a, b, , d] }: PanelFigures): Vec3 {
  const [u, v] = [
    [b[0] - a[0], b[1] - a[1], b[2] - a[2]],
    [d[0] - a[0], d[1] - a[1], d[2] - a[2]],
  ] as const
  const n: Vec3 = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]]
  const length = Math.hypot(...n)
  return [n[0] / length, n[1] / length, n[2] / length]
}

/** A line over the sky, parted where it leaves the picture on one side and comes in on the other. */
export function Way({
  points,
  strip: { x, y },
  className,
  width,
}: {
  readonly points: readonly SunPoint[]
  readonly strip: Strip
  readonly className: string
  readonly width: number
}) {
  const path = points
    .map(({ azimuthDeg, elevationDeg }, i) => {
      const at = x(azimuthDeg)
      const last = points[i - 1]
      const jumps = !last || Math.abs(at - x(last.azimuthDeg)) > Strip.width / 2
      return `${jumps ? 'M' : 'L'}${at.toFixed(1)} ${y(elevationDeg).toFixed(1)}`
    })
    .join('')
  return <path d={path} fill="none" className={className} strokeWidth={width} />
}

/** A word on the sky, with a rim that parts it from what lies under it. */
export function Label({
  x,
  y,
  text,
  quiet = false,
  anchor = 'start',
  strong = false,
}: {
  readonly x: number
  readonly y: number
  readonly text: string
  readonly quiet?: boolean
  readonly anchor?: 'start' | 'middle' | 'end'
  readonly strong?: boolean
}) {
  return (
    <text
      x={x}
      y={y}
      textAnchor={anchor}
      stroke="var(--tg-card)"
      strokeWidth={3}
      paintOrder="stroke"
      className={`text-[12px] ${quiet ? 'fill-pencil' : 'fill-ink'} ${strong ? 'font-semibold' : ''}`}
    >
      {text}
    </text>
  )
}
