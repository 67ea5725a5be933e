import { type Vec2 } from '../geometry/vector'
import { frameOf, toFrame } from '../layout/plane-frame'
import { type Margins } from '../kinds/standing'
import { isSamePlane, type LaidArray, type Site } from './site'

/** Where things on a plane come to rest, in its own frame, m: along the eave, and up the slope. */
export interface PlaneLines {
  readonly u: readonly number[]
  readonly v: readonly number[]
}

const none: PlaneLines = { u: [], v: [] }

const levelM = 1e-6

/** Lines on the plane of an array: setbacks that run along or up it, its middle, and sides of the modules of others. */
export function linesOnPlane(site: Site, arrayId: string): PlaneLines {
  const own = site.arrays.find(({ id }) => id === arrayId)
  return own?.margins
    ? linesOf(
        own.margins,
        arraysOn(site, own.margins).filter((other) => other !== own),
      )
    : none
}

/** The arrays whose modules lie on a plane. */
export const arraysOn = (site: Site, { plane }: Margins): LaidArray[] =>
  site.arrays.filter(({ margins }) => margins !== null && isSamePlane(margins.plane, plane))

/** The same for something that is yet to be laid there. */
export function linesOf({ plane, setbacksM, gapM }: Margins, others: readonly LaidArray[]): PlaneLines {
  const frame = frameOf(plane)
  const corners = plane.corners.map((corner) => toFrame(frame, corner))
  const us: number[] = []
  const vs: number[] = []
  corners.forEach((a, i) => {
    const b = corners[(i + 1) % corners.length] ?? a
    const keptM = setbacksM[i] ?? 0
    // Corners run counter-clockwise: the plane is to the left of its edges.
    if (Math.abs(a[1] - b[1]) < levelM) vs.push(a[1] + Math.sign(b[0] - a[0]) * keptM)
    if (Math.abs(a[0] - b[0]) < levelM) us.push(a[0] - Math.sign(b[1] - a[1]) * keptM)
  })
  const along = corners.map(([u]) => u)
  us.push((Math.min(...along) + Math.max(...along)) / 2)
  for (const { panels } of others)
    for (const { corners: panel } of panels) {
      const points = panel.map((p) => toFrame(frame, p))
      const [u, v] = [points.map((p) => p[0]), points.map((p) => p[1])]
      us.push(...besides(u, gapM))
      vs.push(...besides(v, gapM))
    }
  return { u: us, v: vs }
}

/** In line with either side of a module, or beside it with a gap. */
const besides = (values: readonly number[], gapM: number): number[] => {
  const [low, high] = [Math.min(...values), Math.max(...values)]
  return [low, high, low - gapM, high + gapM]
}

/**
 * How far something is moved so that one of its sides comes to rest on a line, along the eave and up the slope each by
 * itself; as far as the hand took it where no line is in reach.
 * @param spans its sides, m from the point `from` that the hand holds
 */
export function snappedOnPlane(
  from: Vec2,
  by: Vec2,
  spans: PlaneLines,
  lines: PlaneLines,
  reachM: number,
): Vec2 {
  const axis = (at: number, sides: readonly number[], rests: readonly number[]): number => {
    let shift = 0
    let nearest = reachM
    for (const side of sides)
      for (const rest of rests) {
        const off = rest - (at + side)
        if (Math.abs(off) < nearest) [nearest, shift] = [Math.abs(off), off]
      }
    return shift
  }
  return [by[0] + axis(from[0] + by[0], spans.u, lines.u), by[1] + axis(from[1] + by[1], spans.v, lines.v)]
}
