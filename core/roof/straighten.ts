import { type Vec2 } from '../geometry/vector'
import { Fault } from '../model/fault'
import { checkOutline } from './check-outline'
import { profileOf, type RoofEdge } from './profile'

/** Sides that lie this near to one line, m, and look this nearly one way, are meant as one: no drawing is truer. */
const sameLineM = 5e-3
const sameWayCosine = 1 - 1e-5
/** A corner is moved no farther than this, m. */
const farthestM = 1e-2

interface Side {
  readonly a: Vec2
  readonly b: Vec2
  readonly way: Vec2
  readonly length: number
}

/**
 * An outline whose sides that are meant as one eave lie in one line exactly, such as the two shoulders beside a wing that
 * were drawn to the millimetre: the roof over them is one plane then. Corners move by millimetres at most; where that can't
 * be, the outline stays as it is.
 * @param edges one to a side; sides of unlike slope are never brought into one line
 */
export function straightened(outline: readonly Vec2[], edges: readonly RoofEdge[]): readonly Vec2[] {
  const sides = outline.map((a, i): Side => {
    const b = outline[(i + 1) % outline.length] ?? a
    const length = Math.max(1e-12, Math.hypot(b[0] - a[0], b[1] - a[1]))
    return { a, b, length, way: [(b[0] - a[0]) / length, (b[1] - a[1]) / length] }
  })
  const groups: number[][] = []
  sides.forEach((side, i) => {
    const group = groups.find((members) =>
      members.every((k) => areOne(sides[k] ?? side, side) && alike(edges[k], edges[i])),
    )
    if (group) group.push(i)
    else groups.push([i])
  })
  if (groups.every(({ length }) => length === 1)) return outline
  const lineOf = new Map<number, { readonly through: Vec2; readonly way: Vec2 }>()
  for (const members of groups) {
    const line = members.length > 1 ? commonLine(members.map((i) => sides[i] as Side)) : null
    for (const i of members) {
      const side = sides[i]
      if (side) lineOf.set(i, line ?? { through: side.a, way: side.way })
    }
  }
  const n = outline.length
  const straight = outline.map((corner, i): Vec2 => {
    const [before, after] = [lineOf.get((i + n - 1) % n), lineOf.get(i)]
    if (!before || !after) return corner
    const moved = meeting(before, after) ?? onto(corner, after)
    return Math.hypot(moved[0] - corner[0], moved[1] - corner[1]) <= farthestM ? moved : corner
  })
  return isSound(straight) ? straight : outline
}

/** Whether it still is an outline: a notch of millimetres may have closed. */
function isSound(outline: readonly Vec2[]): boolean {
  try {
    checkOutline(outline)
    return true
  } catch (error) {
    if (error instanceof Fault) return false
    throw error
  }
}

const alike = (a: RoofEdge | undefined, b: RoofEdge | undefined): boolean =>
  a !== undefined &&
  b !== undefined &&
  profileOf(a).length === profileOf(b).length &&
  profileOf(a).every(([fromM, pitchDeg], k) => {
    const [otherFromM, otherDeg] = profileOf(b)[k] ?? [NaN, NaN]
    return Math.abs(fromM - otherFromM) < 1e-9 && Math.abs(pitchDeg - otherDeg) < 1e-9
  })

function areOne(one: Side, other: Side): boolean {
  if (one.way[0] * other.way[0] + one.way[1] * other.way[1] < sameWayCosine) return false
  const aside = (p: Vec2) => Math.abs((p[0] - one.a[0]) * one.way[1] - (p[1] - one.a[1]) * one.way[0])
  const back = (p: Vec2) => Math.abs((p[0] - other.a[0]) * other.way[1] - (p[1] - other.a[1]) * other.way[0])
  return Math.max(aside(other.a), aside(other.b), back(one.a), back(one.b)) < sameLineM
}

/** The line that all ends are nearest to: through their middle, along their greatest spread. */
function commonLine(sides: readonly Side[]): { readonly through: Vec2; readonly way: Vec2 } {
  const ends = sides.flatMap(({ a, b }) => [a, b])
  const through: Vec2 = [
    ends.reduce((sum, p) => sum + p[0], 0) / ends.length,
    ends.reduce((sum, p) => sum + p[1], 0) / ends.length,
  ]
  let [xx, xy, yy] = [0, 0, 0]
  for (const [x, y] of ends) {
    xx += (x - through[0]) ** 2
    xy += (x - through[0]) * (y - through[1])
    yy += (y - through[1]) ** 2
  }
  const turn = Math.atan2(2 * xy, xx - yy) / 2
  return { through, way: [Math.cos(turn), Math.sin(turn)] }
}

interface Line {
  readonly through: Vec2
  readonly way: Vec2
}

function meeting(a: Line, b: Line): Vec2 | null {
  const sine = a.way[0] * b.way[1] - a.way[1] * b.way[0]
  if (Math.abs(sine) < 1e-3) return null
  const [dx, dy] = [b.through[0] - a.through[0], b.through[1] - a.through[1]]
  const t = (dx * b.way[1] - dy * b.way[0]) / sine
  return [a.through[0] + a.way[0] * t, a.through[1] + a.way[1] * t]
}

function onto(p: Vec2, { through, way }: Line): Vec2 {
  const t = (p[0] - through[0]) * way[0] + (p[1] - through[1]) * way[1]
  return [through[0] + way[0] * t, through[1] + way[1] * t]
}
