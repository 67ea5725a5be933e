import { Fault } from '../model/fault'
import { cross3, dot3, length3, sub3, type Vec3 } from '../geometry/vector'

interface Piece {
  readonly from: Vec3
  readonly to: Vec3
}

/** Ends closer than this are one corner: above what the front closes as slivers, below any real edge. */
const sameCornerM = 4e-3

const near = (a: Vec3, b: Vec3) => length3(sub3(a, b)) < sameCornerM

/**
 * Puts pieces that together bound one face in order, head to tail, starting with the first as it is given. Pieces in
 * one line that `alike` allows are joined.
 * @throws Fault `roof-not-possible` when they do not close.
 */
export function chainLoop<T extends Piece>(pieces: readonly T[], alike: (a: T, b: T) => boolean): T[] {
  const rest = [...pieces]
  const first = rest.shift()
  if (!first) return []
  const loop = [first]
  let head = first.to
  while (rest.length > 0 && !near(head, first.from)) {
    const index = rest.findIndex((piece) => near(piece.from, head) || near(piece.to, head))
    const found = rest[index]
    if (!found) throw new Fault('roof-not-possible', {}, 'outline')
    rest.splice(index, 1)
    const turned = near(found.from, head) ? found : { ...found, from: found.to, to: found.from }
    loop.push(turned)
    head = turned.to
  }
  if (!near(head, first.from)) throw new Fault('roof-not-possible', {}, 'outline')
  return straighten(loop, alike)
}

function straighten<T extends Piece>(loop: readonly T[], alike: (a: T, b: T) => boolean): T[] {
  const out: T[] = []
  for (const piece of loop) {
    const last = out.at(-1)
    if (last && inLine(last, piece) && alike(last, piece)) out[out.length - 1] = { ...last, to: piece.to }
    else out.push(piece)
  }
  const [first, last] = [out[0], out.at(-1)]
  if (first && last && out.length > 3 && inLine(last, first) && alike(last, first)) {
    out.pop()
    out[0] = { ...first, from: last.from }
  }
  return out
}

function inLine(a: Piece, b: Piece): boolean {
  const u = sub3(a.to, a.from)
  const v = sub3(b.to, b.from)
  return length3(cross3(u, v)) <= 1e-7 * Math.max(1, length3(u) * length3(v)) && dot3(u, v) > 0
}
