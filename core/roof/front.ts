import { type Vec2 } from '../geometry/vector'

/** The upright or sloping plane over one or several sides of an outline that lie in one line and rise alike. */
export interface SupportLine {
  /** The least of its sides; its faces are named by it. */
  readonly side: number
  /** Which stretch of its sides' profile it is, 0 at the eave. */
  readonly step: number
  /** Along its sides, unit. */
  readonly way: Vec2
  /** Inward, unit. */
  readonly inward: Vec2
  /** At height h the line is inward . p = offsetM + speed * h. */
  readonly offsetM: number
  /** Metres inward for each metre up: the cotangent of the pitch, 0 for a gable. */
  readonly speed: number
}

/** A point of the finished roof; z over the eave. */
export type RoofNode = readonly [x: number, y: number, z: number]

/** A corner of the front: where its two lines meet, which is linear in the height. */
export interface FrontCorner {
  /** The line that arrives here, and the one that leaves, by index. */
  readonly arrives: number
  readonly leaves: number
  /** The node where it began. */
  readonly birth: number
  /** Place at height 0, and metres it goes for each metre up. */
  readonly at0: Vec2
  readonly motion: Vec2
  /** The front turns right here: the only corners that can run into a side. */
  readonly reflex: boolean
}

/** A closed piece of the front, the inside on its left. */
export type Loop = readonly FrontCorner[]

/** Sine of an angle below which two lines are parallel. */
export const parallelSine = 1e-7

const cross = (a: Vec2, b: Vec2) => a[0] * b[1] - a[1] * b[0]
const dot = (a: Vec2, b: Vec2) => a[0] * b[0] + a[1] * b[1]

export const placeOf = ({ at0, motion }: FrontCorner, height: number): Vec2 => [
  at0[0] + motion[0] * height,
  at0[1] + motion[1] * height,
]

/** How two lines lie to each other. */
export function relation(a: SupportLine, b: SupportLine): 'crossing' | 'alike' | 'against' {
  if (Math.abs(cross(a.way, b.way)) >= parallelSine) return 'crossing'
  return dot(a.way, b.way) > 0 ? 'alike' : 'against'
}

/**
 * The corner between two lines. Parallel ones have none: theirs stays where it is.
 * @param here its place at `height`
 */
export function cornerOf(
  lines: readonly SupportLine[],
  arrives: number,
  leaves: number,
  birth: number,
  here: Vec2,
): FrontCorner {
  const [a, b] = [lines[arrives], lines[leaves]]
  if (!a || !b) throw new RangeError('a corner lies between two lines')
  const sine = cross(a.way, b.way)
  if (Math.abs(sine) < parallelSine)
    return { arrives, leaves, birth, at0: here, motion: [0, 0], reflex: dot(a.way, b.way) < 0 }
  const solve = (ka: number, kb: number): Vec2 => [
    (ka * b.inward[1] - kb * a.inward[1]) / sine,
    (kb * a.inward[0] - ka * b.inward[0]) / sine,
  ]
  return {
    arrives,
    leaves,
    birth,
    at0: solve(a.offsetM, b.offsetM),
    motion: solve(a.speed, b.speed),
    reflex: sine < 0,
  }
}

/** Sides of like slope within this of one line are one. */
const sameLineM = 2e-6
const samePitch = 1e-9

/**
 * Lines under the sides of closed outlines, and for each side its line.
 * @param rings counter-clockwise outside, clockwise inside; sides are counted through
 * @param speeds one to a side
 * @param isLike whether two sides rise alike all the way up, by index
 */
export function supportLines(
  rings: readonly (readonly Vec2[])[],
  speeds: readonly number[],
  isLike: (side: number, other: number) => boolean,
): { readonly lines: SupportLine[]; readonly lineOf: number[] } {
  const lines: SupportLine[] = []
  const lineOf: number[] = []
  let side = 0
  for (const ring of rings)
    ring.forEach((a, i) => {
      const b = ring[(i + 1) % ring.length] ?? a
      const length = Math.hypot(b[0] - a[0], b[1] - a[1])
      const way: Vec2 = [(b[0] - a[0]) / length, (b[1] - a[1]) / length]
      const inward: Vec2 = [-way[1], way[0]]
      const speed = speeds[side] ?? 0
      const known = lines.findIndex(
        (line) =>
          Math.abs(line.speed - speed) <= samePitch * Math.max(1, speed) &&
          isLike(line.side, side) &&
          dot(line.way, way) > 0 &&
          Math.abs(dot(line.inward, a) - line.offsetM) < sameLineM &&
          Math.abs(dot(line.inward, b) - line.offsetM) < sameLineM,
      )
      if (known >= 0) lineOf.push(known)
      else {
        lineOf.push(lines.length)
        lines.push({ side, step: 0, way, inward, offsetM: (dot(inward, a) + dot(inward, b)) / 2, speed })
      }
      side++
    })
  return { lines, lineOf }
}
