import { signedArea } from '../geometry/polygon'
import { distance2, type Vec2 } from '../geometry/vector'
import { Fault } from '../model/fault'
import { checkOutline } from '../roof/check-outline'
import { crossing, offLine, type Line } from './seams'

/** How far a border may lie beside a side, m, or by the side of a cell where that is more. */
const besideM = 0.3
const besideCells = 1.2
/** A side shorter than this is a stair of the cells, m or cells. */
const leastSideM = 0.7
const leastSideCells = 2
/** A side that runs within this of square to the others is square to them, rad; a short one says less. */
const [squareRad, shortSquareRad] = [0.2, 0.6]
const shortM = 2.5
/** One as short as this that runs askew is the cut corner of a step or of something that sticks out, m and rad. */
const [cutM, cutRad] = [1.1, 0.45]
/** Sides in one direction that lie nearer to each other than this are one, m. */
const sameSideM = 0.45
/** The outline made of sides may differ from the border in area by this share. */
const areaShare = 0.08

/** A stretch of a border with the straight line through it. */
interface Side {
  readonly points: readonly Vec2[]
  readonly lengthM: number
  readonly angleRad: number
}

/**
 * An outline of straight sides along a border, most of them square to each other as walls are.
 * @param border counter-clockwise, closed
 * @param cellM side of the cells that it was followed along, m
 */
export function sidesAlong(border: readonly Vec2[], cellM: number): Vec2[] {
  const corners = simplified(border, Math.max(besideM, besideCells * cellM))
  const least = Math.max(leastSideM, leastSideCells * cellM)
  const sides = corners.flatMap((from, i): Side[] => {
    const to = corners[(i + 1) % corners.length] ?? from
    const points = stretch(border, from, to)
    const [a, b] = [border[from], border[to]]
    if (!a || !b || distance2(a, b) < least) return []
    return [sideOf(points, distance2(a, b))]
  })
  const main = mainDirection(sides)
  const walls = sides.filter(
    ({ lengthM, angleRad }) => lengthM > cutM || Math.abs(angleRad - squareTo(main, angleRad)) < cutRad,
  )
  const lines = joined(walls.map((side) => ({ side, line: lineOf(side, main) })))
  const ring = lines.flatMap((line, i) => {
    const corner = crossing(lines[(i + lines.length - 1) % lines.length] ?? line, line)
    return corner ? [corner] : []
  })
  const area = signedArea(border)
  const plain = () => corners.flatMap((k) => (border[k] ? [border[k]] : []))
  if (ring.length < 3 || Math.abs(signedArea(ring) - area) > areaShare * area) return plain()
  try {
    checkOutline(ring)
  } catch (error) {
    if (error instanceof Fault) return plain()
    throw error
  }
  return ring
}

/** The points of a border from one corner to the next, in order. */
function stretch(border: readonly Vec2[], from: number, to: number): Vec2[] {
  return to > from ? border.slice(from, to + 1) : [...border.slice(from), ...border.slice(0, to + 1)]
}

/** The corners of a closed border that matter, by number (Douglas & Peucker 1973). */
function simplified(border: readonly Vec2[], besideM: number): number[] {
  const n = border.length
  const at = (k: number): Vec2 => border[k % n] ?? [0, 0]
  const farthest = (from: Vec2) =>
    border.reduce((best, p, k) => (distance2(p, from) > distance2(at(best), from) ? k : best), 0)
  // Two ends of the building are corners for sure.
  const one = farthest(at(0))
  const other = farthest(at(one))
  const [first, second] = [Math.min(one, other), Math.max(one, other)]
  const kept = new Set([first, second])
  const part = (from: number, to: number): void => {
    const [a, b] = [at(from), at(to)]
    let [best, most] = [-1, besideM]
    for (let k = from + 1; k < to; k++) {
      const away = awayFromLine(at(k), a, b)
      if (away > most) [best, most] = [k, away]
    }
    if (best < 0) return
    kept.add(best % n)
    part(from, best)
    part(best, to)
  }
  part(first, second)
  part(second, first + n)
  return [...kept].sort((a, b) => a - b)
}

function awayFromLine(p: Vec2, a: Vec2, b: Vec2): number {
  const length = distance2(a, b)
  if (length < 1e-9) return distance2(p, a)
  return Math.abs((b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0])) / length
}

/** The line of least squares through a stretch, its ends left out: corners are blunt in cells. */
function sideOf(points: readonly Vec2[], lengthM: number): Side {
  const cut = Math.floor(points.length / 8)
  const inner = points.length > 8 ? points.slice(cut, points.length - cut) : points
  const [mx, my] = meanOf(inner)
  let [xx, xy, yy] = [0, 0, 0]
  for (const [x, y] of inner) {
    xx += (x - mx) ** 2
    xy += (x - mx) * (y - my)
    yy += (y - my) ** 2
  }
  const [a, b] = [points[0] ?? [0, 0], points.at(-1) ?? [0, 0]]
  const axis = Math.atan2(2 * xy, xx - yy) / 2
  const along = (b[0] - a[0]) * Math.cos(axis) + (b[1] - a[1]) * Math.sin(axis)
  return { points: inner, lengthM, angleRad: along < 0 ? axis + Math.PI : axis }
}

const meanOf = (points: readonly Vec2[]): Vec2 => [
  points.reduce((sum, [x]) => sum + x, 0) / points.length,
  points.reduce((sum, [, y]) => sum + y, 0) / points.length,
]

/** The direction that most of the sides run in or square to, rad. A side tells it the better the longer it is. */
function mainDirection(sides: readonly Side[]): number {
  let [cosine, sine] = [0, 0]
  for (const { angleRad, lengthM } of sides) {
    cosine += lengthM ** 3 * Math.cos(4 * angleRad)
    sine += lengthM ** 3 * Math.sin(4 * angleRad)
  }
  return Math.atan2(sine, cosine) / 4
}

/** The direction nearest to an angle that runs in the main direction or square to it, rad. */
const squareTo = (main: number, angleRad: number): number =>
  main + Math.round((angleRad - main) / (Math.PI / 2)) * (Math.PI / 2)

/** The line of a side: square to the main direction where it nearly is; the normal points inwards. */
function lineOf({ points, angleRad, lengthM }: Side, main: number): Line {
  const square = squareTo(main, angleRad)
  const off = Math.abs(angleRad - square)
  const angle = off < (lengthM < shortM ? shortSquareRad : squareRad) ? square : angleRad
  const normal: Vec2 = [-Math.sin(angle), Math.cos(angle)]
  const [x, y] = meanOf(points)
  return { normal, offsetM: x * normal[0] + y * normal[1] }
}

interface Laid {
  readonly side: Side
  readonly line: Line
}

/** Lines in order around, those that go on in one direction put together, or joined by a short side where they step. */
function joined(laid: readonly Laid[]): Line[] {
  const groups: Laid[][] = []
  for (const one of laid) {
    const last = groups.at(-1)
    if (last?.[0] && goesOn(last[0], one)) last.push(one)
    else groups.push([one])
  }
  const [first, last] = [groups[0], groups.at(-1)]
  if (groups.length > 1 && first?.[0] && last?.[0] && goesOn(last[0], first[0])) {
    groups.pop()
    groups[0] = [...last, ...first]
  }
  const sides = groups.map((group) => {
    const [head, end] = [group[0], group.at(-1)]
    if (!head || !end) throw new Error('a group of sides has one')
    const whole = group.reduce((sum, { side }) => sum + side.lengthM, 0)
    const offsetM = group.reduce((sum, { side, line }) => sum + (line.offsetM * side.lengthM) / whole, 0)
    return { from: head.side, to: end.side, line: { ...head.line, offsetM } }
  })
  return sides.flatMap((own, i) => {
    const next = sides[(i + 1) % sides.length] ?? own
    const [ax, ay] = own.line.normal
    const [bx, by] = next.line.normal
    if (ax * bx + ay * by < 0.95) return [own.line]
    // Two sides that run on beside each other: a step between them, where the one ends and the other begins.
    const [p, q] = [own.to.points.at(-1) ?? [0, 0], next.from.points[0] ?? [0, 0]]
    const out = next.line.offsetM < own.line.offsetM ? 1 : -1
    const normal: Vec2 = [-ay * out, ax * out]
    return [own.line, { normal, offsetM: ((p[0] + q[0]) * normal[0] + (p[1] + q[1]) * normal[1]) / 2 }]
  })
}

/** Whether a side goes on in the line of another. */
function goesOn({ line }: Laid, { line: next, side }: Laid): boolean {
  const [ax, ay] = line.normal
  const [bx, by] = next.normal
  return ax * bx + ay * by > 0.95 && Math.abs(offLine(line, meanOf(side.points))) < sameSideM
}
