import { Fault } from '../model/fault'
import { cornerOf, type FrontCorner, type Loop, type SupportLine } from './front'
import { type Seams } from './seams'

/** A stretch of a side between two ends at one height. */
export interface Piece {
  readonly line: number
  readonly from: End
  readonly to: End
}
export type End =
  { readonly node: number; readonly corner: null } | { readonly node: null; readonly corner: FrontCorner }

/** Pieces that run against each other between the same two nodes are a level ridge. */
export function cancelled(pieces: readonly Piece[], seams: Seams): Piece[] {
  const waiting = new Map<string, Piece[]>()
  const gone = new Set<Piece>()
  for (const piece of pieces) {
    const { from, to } = piece
    if (from.node === null || to.node === null) continue
    const against = waiting.get(`${to.node} ${from.node}`)?.find((other) => !gone.has(other))
    if (against) {
      gone.add(piece).add(against)
      // The face of each lies on its right here, for it is walked against the front.
      seams.between(against.line, piece.line, from.node, to.node)
      continue
    }
    const key = `${from.node} ${to.node}`
    const known = waiting.get(key)
    if (known) known.push(piece)
    else waiting.set(key, [piece])
  }
  return pieces.filter((piece) => !gone.has(piece))
}

/** Ties pieces at their nodes into loops: each that leaves follows the next arriving one counter-clockwise. */
export function tie(pieces: readonly Piece[], lines: readonly SupportLine[], seams: Seams): Loop[] {
  const arriving = new Map<number, Piece[]>()
  const leaving = new Map<number, Piece[]>()
  const byCorner = new Map<FrontCorner, Piece>()
  const put = (map: Map<number, Piece[]>, node: number, piece: Piece) => {
    const known = map.get(node)
    if (known) known.push(piece)
    else map.set(node, [piece])
  }
  for (const piece of pieces) {
    if (piece.from.corner) byCorner.set(piece.from.corner, piece)
    else put(leaving, piece.from.node, piece)
    if (piece.to.node !== null) put(arriving, piece.to.node, piece)
  }
  const after = new Map<Piece, Piece>()
  for (const [node, outs] of leaving) {
    const ins = arriving.get(node) ?? []
    if (ins.length !== outs.length) throw new Fault('roof-not-possible', {}, 'edges')
    pairUp(ins, outs, lines, after)
  }
  for (const piece of pieces) {
    if (!piece.to.corner) continue
    const next = byCorner.get(piece.to.corner)
    if (!next) throw new Fault('roof-not-possible', {}, 'edges')
    after.set(piece, next)
  }
  const loops: Loop[] = []
  const seen = new Set<Piece>()
  for (const first of pieces) {
    if (seen.has(first)) continue
    const loop: FrontCorner[] = []
    let piece = first
    while (!seen.has(piece)) {
      seen.add(piece)
      const next = after.get(piece)
      if (!next) throw new Fault('roof-not-possible', {}, 'edges')
      loop.push(next.from.corner ?? begun(piece.line, next.line, next.from.node, lines, seams))
      piece = next
    }
    loops.push(loop)
  }
  return loops
}

function begun(
  arrives: number,
  leaves: number,
  node: number,
  lines: readonly SupportLine[],
  seams: Seams,
): FrontCorner {
  const [x, y] = seams.nodes[node] ?? [0, 0, 0]
  return cornerOf(lines, arrives, leaves, node, [x, y])
}

function pairUp(
  ins: readonly Piece[],
  outs: readonly Piece[],
  lines: readonly SupportLine[],
  after: Map<Piece, Piece>,
): void {
  const angle = (piece: Piece, sign: 1 | -1) => {
    const [x, y] = lines[piece.line]?.way ?? [1, 0]
    return Math.atan2(sign * y, sign * x)
  }
  const free = ins.map((piece) => ({ piece, angle: angle(piece, -1) }))
  // The narrowest wedges first: they are surely wedges.
  const wedges = outs.flatMap((out) => {
    const from = angle(out, 1)
    return free.map((one) => {
      const turn = (one.angle - from + 4 * Math.PI) % (2 * Math.PI)
      return { out, one, turn: turn > 2 * Math.PI - 1e-9 ? 0 : turn }
    })
  })
  wedges.sort((a, b) => a.turn - b.turn)
  const done = new Set<Piece>()
  for (const { out, one } of wedges) {
    if (done.has(out) || done.has(one.piece)) continue
    done.add(out).add(one.piece)
    after.set(one.piece, out)
  }
}
