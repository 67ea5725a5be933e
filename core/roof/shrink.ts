import { type Vec2 } from '../geometry/vector'
import { Fault } from '../model/fault'
import { cornerOf, placeOf, relation, type FrontCorner, type SupportLine } from './front'
import { outside, Seams } from './seams'

/**
 * The weighted straight skeleton of an outline (Aichholzer & Aurenhammer 1995, "Straight skeletons for general polygonal
 * figures", and with unlike pitches Eppstein & Erickson 1999), without telling kinds of events apart: the front goes up to
 * the next height at which something touches; there whatever lies together becomes one node, sides are cut at nodes,
 * pieces that lie on each other cancel into level ridges, and at every node what arrives is tied to what leaves so that
 * the inside stays on the left. An edge that vanishes, a front that splits, and many of both at once are all the same.
 */

type Loop = readonly FrontCorner[]

/** A stretch of a side between two ends at one height. */
interface Piece {
  readonly line: number
  readonly from: End
  readonly to: End
}
type End =
  { readonly node: number; readonly corner: null } | { readonly node: null; readonly corner: FrontCorner }

/** Events that no outline needs: each takes a side away, or splits a loop at a reflex corner. */
const eventsPerSide = 40

/**
 * @param lines see `SupportLine`; walls inside that neighbours of unlike slope in one line need are added
 * @param rings for every closed outline its sides' lines and its corners' places
 * @param touchM what is nearer than this lies together
 * @throws Fault `roof-not-possible` when the front gets lost in rounding; another `touchM` may help
 */
export function shrinkFront(
  lines: SupportLine[],
  rings: readonly { readonly corners: readonly Vec2[]; readonly lineOf: readonly number[] }[],
  touchM: number,
): Seams {
  const seams = new Seams()
  let side = 0
  let loops: Loop[] = rings.map(({ corners, lineOf }) => {
    const births = corners.map(([x, y]) => seams.node(x, y, 0))
    const n = corners.length
    births.forEach((node, i) => seams.eave(lineOf[i] ?? 0, side++, node, births[(i + 1) % n] ?? node))
    return corners.flatMap((here, i) =>
      firstCorners(lines, lineOf[(i + n - 1) % n] ?? 0, lineOf[i] ?? 0, births[i] ?? 0, here),
    )
  })
  loops = loops.map((loop) => settled(loop, lines, 0, seams))
  const sides = rings.reduce((sum, { corners }) => sum + corners.length, 0)
  let height = 0
  for (let events = eventsPerSide * sides + 40; ; events--) {
    if (events < 0) throw new Fault('roof-not-possible', {}, 'edges')
    const next = nextHeight(loops, lines, height, touchM)
    if (next === Infinity) break
    height = next
    loops = eventAt(height, loops, lines, seams, touchM)
  }
  for (const loop of loops) fill(loop, lines, seams, touchM)
  return seams
}

/**
 * The corner of an outline; between neighbours of unlike slope in one line two of them, with a wall between that is
 * square to both and has no length yet.
 */
function firstCorners(
  lines: SupportLine[],
  arrives: number,
  leaves: number,
  birth: number,
  here: Vec2,
): FrontCorner[] {
  const [a, b] = [lines[arrives], lines[leaves]]
  if (!a || !b || arrives === leaves || relation(a, b) !== 'alike')
    return [cornerOf(lines, arrives, leaves, birth, here)]
  // The front steps towards the plane that lies farther in.
  const sign = b.speed > a.speed ? 1 : -1
  const way: Vec2 = [a.inward[0] * sign, a.inward[1] * sign]
  const inward: Vec2 = [-way[1], way[0]]
  lines.push({ side: outside, way, inward, offsetM: inward[0] * here[0] + inward[1] * here[1], speed: 0 })
  const wall = lines.length - 1
  return [cornerOf(lines, arrives, wall, birth, here), cornerOf(lines, wall, leaves, birth, here)]
}

/** The least height at which a side is gone or a reflex corner reaches another side; what is past is now. */
function nextHeight(
  loops: readonly Loop[],
  lines: readonly SupportLine[],
  now: number,
  touchM: number,
): number {
  let least = Infinity
  for (const loop of loops)
    loop.forEach((a, k) => {
      const b = loop[(k + 1) % loop.length] ?? a
      const line = lines[a.leaves]
      if (!line) return
      const [x, y] = line.way
      const shrinks = (b.motion[0] - a.motion[0]) * x + (b.motion[1] - a.motion[1]) * y
      const length = (b.at0[0] - a.at0[0]) * x + (b.at0[1] - a.at0[1]) * y + shrinks * now
      if (shrinks < -1e-12) least = Math.min(least, now + Math.max(0, length / -shrinks))
      else if (length < touchM && shrinks < 1e-12) least = now
    })
  for (const loop of loops)
    for (const corner of loop) if (corner.reflex) least = reached(corner, loops, lines, now, least, touchM)
  return least
}

function reached(
  corner: FrontCorner,
  loops: readonly Loop[],
  lines: readonly SupportLine[],
  now: number,
  least: number,
  touchM: number,
): number {
  let found = least
  for (const loop of loops)
    loop.forEach((a, k) => {
      const b = loop[(k + 1) % loop.length] ?? a
      if (a === corner || b === corner) return
      const line = lines[a.leaves]
      if (!line || a.leaves === corner.arrives || a.leaves === corner.leaves) return
      const { inward, way } = line
      const closing = corner.motion[0] * inward[0] + corner.motion[1] * inward[1] - line.speed
      if (closing > -1e-12) return
      const gap = corner.at0[0] * inward[0] + corner.at0[1] * inward[1] - line.offsetM + closing * now
      if (gap < -touchM) return
      const height = now + Math.max(0, gap / -closing)
      if (height >= found) return
      const p = placeOf(corner, height)
      const [from, to] = [placeOf(a, height), placeOf(b, height)]
      const along = (q: Vec2) => (q[0] - p[0]) * way[0] + (q[1] - p[1]) * way[1]
      if (along(from) <= touchM / 2 && along(to) >= -touchM / 2) found = height
    })
  return found
}

/** One event: everything that touches at a height. */
function eventAt(
  height: number,
  loops: readonly Loop[],
  lines: readonly SupportLine[],
  seams: Seams,
  touchM: number,
): Loop[] {
  const corners = loops.flat()
  const places = corners.map((corner) => placeOf(corner, height))
  const indexOf = new Map(corners.map((corner, i) => [corner, i]))
  const groups = gathered(loops, corners, places, lines, indexOf, touchM)
  const cuts = cutsOf(loops, groups, places, lines, indexOf, touchM)

  // What touches becomes a node, and the seams of its corners end there.
  const nodeOf = new Map<number, number>()
  for (const [group, members] of groups.members) {
    if (members.length < 2 && !cuts.cutting.has(group)) continue
    const [x, y] = groups.middle(group)
    const node = seams.node(x, y, height)
    nodeOf.set(group, node)
    for (const i of members) {
      const corner = corners[i]
      if (corner) seams.between(corner.arrives, corner.leaves, corner.birth, node)
    }
  }
  const endOf = (corner: FrontCorner): End => {
    const node = nodeOf.get(groups.of(indexOf.get(corner) ?? 0))
    return node === undefined ? { node: null, corner } : { node, corner: null }
  }

  const untouched: Loop[] = []
  const pieces: Piece[] = []
  for (const loop of loops) {
    const isTouched = loop.some((corner) => endOf(corner).node !== null || cuts.byCorner.has(corner))
    if (!isTouched) {
      untouched.push(loop)
      continue
    }
    loop.forEach((a, k) => {
      const b = loop[(k + 1) % loop.length] ?? a
      const between = (cuts.byCorner.get(a) ?? []).map((group): End => ({
        node: nodeOf.get(group) ?? 0,
        corner: null,
      }))
      const ends = [endOf(a), ...between, endOf(b)]
      for (let i = 0; i + 1 < ends.length; i++) {
        const [from, to] = [ends[i], ends[i + 1]]
        if (from && to && (from.node === null || from.node !== to.node))
          pieces.push({ line: a.leaves, from, to })
      }
    })
  }
  const left = cancelled(pieces, seams)
  const tied = tie(left, lines, seams)
  const loopsLeft = tied.map((loop) => settled(loop, lines, height, seams))
  for (const loop of loopsLeft) if (loop.length === 2) zipped(loop, height, seams)
  return [...untouched, ...loopsLeft.filter(({ length }) => length > 2)]
}

/** Two pieces that run to and fro between two corners are a ridge, however thin the sliver between them was. */
function zipped(loop: Loop, height: number, seams: Seams): void {
  const [a, b] = loop
  if (!a || !b) return
  const [from, to] = [nodeHere(a, height, seams), nodeHere(b, height, seams)]
  seams.between(b.leaves, a.leaves, from, to)
}

interface Groups {
  readonly of: (index: number) => number
  readonly members: ReadonlyMap<number, readonly number[]>
  readonly middle: (group: number) => Vec2
}

/** Corners that lie together, and the two ends of a side that has turned over. */
function gathered(
  loops: readonly Loop[],
  corners: readonly FrontCorner[],
  places: readonly Vec2[],
  lines: readonly SupportLine[],
  indexOf: ReadonlyMap<FrontCorner, number>,
  touchM: number,
): Groups {
  const parent = corners.map((_, i) => i)
  const find = (i: number): number => {
    let at = i
    while (parent[at] !== at) at = parent[at] ?? at
    return at
  }
  const join = (i: number, j: number) => {
    const [a, b] = [find(i), find(j)]
    if (a !== b) parent[Math.max(a, b)] = Math.min(a, b)
  }
  for (let i = 0; i < places.length; i++)
    for (let j = i + 1; j < places.length; j++) {
      const [p, q] = [places[i], places[j]]
      if (p && q && Math.abs(p[0] - q[0]) < touchM && Math.abs(p[1] - q[1]) < touchM) join(i, j)
    }
  for (const loop of loops)
    loop.forEach((a, k) => {
      const b = loop[(k + 1) % loop.length] ?? a
      const [i, j] = [indexOf.get(a) ?? 0, indexOf.get(b) ?? 0]
      const [p, q, line] = [places[i], places[j], lines[a.leaves]]
      if (p && q && line && (q[0] - p[0]) * line.way[0] + (q[1] - p[1]) * line.way[1] < 0) join(i, j)
    })
  const members = new Map<number, number[]>()
  corners.forEach((_, i) => {
    const group = find(i)
    const known = members.get(group)
    if (known) known.push(i)
    else members.set(group, [i])
  })
  return {
    of: find,
    members,
    middle: (group) => {
      const all = (members.get(group) ?? []).map((i) => places[i] ?? ([0, 0] as Vec2))
      return [
        all.reduce((sum, p) => sum + p[0], 0) / all.length,
        all.reduce((sum, p) => sum + p[1], 0) / all.length,
      ]
    },
  }
}

/** Where sides are cut: by the corner a side begins at, the groups on it in order. */
function cutsOf(
  loops: readonly Loop[],
  groups: Groups,
  places: readonly Vec2[],
  lines: readonly SupportLine[],
  indexOf: ReadonlyMap<FrontCorner, number>,
  touchM: number,
): { readonly byCorner: ReadonlyMap<FrontCorner, readonly number[]>; readonly cutting: ReadonlySet<number> } {
  const byCorner = new Map<FrontCorner, number[]>()
  const cutting = new Set<number>()
  const middles = [...groups.members.keys()].map((group) => ({ group, at: groups.middle(group) }))
  for (const loop of loops)
    loop.forEach((a, k) => {
      const b = loop[(k + 1) % loop.length] ?? a
      const [i, j] = [indexOf.get(a) ?? 0, indexOf.get(b) ?? 0]
      const [p, q, line] = [places[i], places[j], lines[a.leaves]]
      if (!p || !q || !line) return
      const [start, end] = [groups.of(i), groups.of(j)]
      const long = (q[0] - p[0]) * line.way[0] + (q[1] - p[1]) * line.way[1]
      const on = middles.flatMap(({ group, at }) => {
        if (group === start || group === end) return []
        const [x, y] = [at[0] - p[0], at[1] - p[1]]
        const along = x * line.way[0] + y * line.way[1]
        const aside = x * line.inward[0] + y * line.inward[1]
        return along > 0 && along < long && Math.abs(aside) < touchM ? [{ group, along }] : []
      })
      if (on.length === 0) return
      on.sort((one, other) => one.along - other.along)
      byCorner.set(
        a,
        on.map(({ group }) => group),
      )
      for (const { group } of on) cutting.add(group)
    })
  return { byCorner, cutting }
}

/** Pieces that run against each other between the same two nodes are a level ridge. */
function cancelled(pieces: readonly Piece[], seams: Seams): Piece[] {
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
function tie(pieces: readonly Piece[], lines: readonly SupportLine[], seams: Seams): Loop[] {
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

/**
 * Takes corners out that are none: between two pieces of one line, and between parallel ones of unlike slope, where the
 * flatter plane takes over the whole front of the steeper with a level seam, and any plane that of a gable.
 */
function settled(loop: Loop, lines: readonly SupportLine[], height: number, seams: Seams): Loop {
  const corners = [...loop]
  for (let k = 0; k < corners.length && corners.length > 2;) {
    const corner = corners[k]
    const [a, b] = [lines[corner?.arrives ?? 0], lines[corner?.leaves ?? 0]]
    if (!corner || !a || !b) break
    if (corner.arrives === corner.leaves) {
      corners.splice(k, 1)
      k = Math.max(0, k - 1)
      continue
    }
    if (relation(a, b) !== 'alike') {
      k++
      continue
    }
    const arrivesWins = a.speed >= b.speed
    const n = corners.length
    const far = arrivesWins ? (k + 1) % n : (k + n - 1) % n
    const end = corners[far]
    if (!end) break
    const [x, y] = placeOf(end, height)
    const born = seams.nodes[end.birth]
    const isHere = born && Math.hypot(born[0] - x, born[1] - y, born[2] - height) < 1e-12
    const node = isHere ? end.birth : seams.node(x, y, height)
    seams.between(end.arrives, end.leaves, end.birth, node)
    const here = nodeHere(corner, height, seams)
    const [winner, loser] = arrivesWins ? [corner.arrives, corner.leaves] : [corner.leaves, corner.arrives]
    // Along the front: the winner begins anew at the left, and the loser ends below.
    if (arrivesWins) seams.between(winner, loser, here, node)
    else seams.between(winner, loser, node, here)
    corners[far] = arrivesWins
      ? cornerOf(lines, winner, end.leaves, node, [x, y])
      : cornerOf(lines, end.arrives, winner, node, [x, y])
    corners.splice(k, 1)
    k = 0
  }
  return corners
}

/** The node of a corner at a height; its seam ends there. */
function nodeHere(corner: FrontCorner, height: number, seams: Seams): number {
  const born = seams.nodes[corner.birth]
  const [x, y] = placeOf(corner, height)
  if (born && Math.abs(born[2] - height) < 1e-12) return corner.birth
  const node = seams.node(x, y, height)
  seams.between(corner.arrives, corner.leaves, corner.birth, node)
  return node
}

/** More than any plane can be off, m. */
const dipping = 1e6

/** A front of gables alone stands still: it is filled with the plane that goes on most evenly. */
function fill(loop: Loop, lines: readonly SupportLine[], seams: Seams, touchM: number): void {
  let best = -1
  let least = Infinity
  const heightAt = (line: SupportLine, [x, y]: Vec2) =>
    (line.inward[0] * x + line.inward[1] * y - line.offsetM) / line.speed
  lines.forEach((line, i) => {
    if (line.speed === 0) return
    const heights = loop.map((corner) => heightAt(line, corner.at0))
    const dip = Math.max(0, ...heights.map((height) => -height))
    const off = Math.min(
      ...loop.map(({ birth }, k) => {
        const [, , z] = seams.nodes[birth] ?? [0, 0, 0]
        return Math.abs((heights[k] ?? 0) - z)
      }),
    )
    // One that dips under the eaves is worse than any that does not.
    const worse = off + (dip > touchM ? dipping + dip : 0)
    if (worse < least) [best, least] = [i, worse]
  })
  const plane = lines[best]
  if (!plane) throw new Fault('no-closed-roof', {}, 'edges')
  const nodes = loop.map((corner) => {
    const z = heightAt(plane, corner.at0)
    const node = seams.node(corner.at0[0], corner.at0[1], z)
    seams.between(corner.arrives, corner.leaves, corner.birth, node)
    return node
  })
  loop.forEach((corner, k) => {
    const [from, to] = [nodes[k] ?? 0, nodes[(k + 1) % nodes.length] ?? 0]
    seams.between(best, corner.leaves, from, to)
  })
}
