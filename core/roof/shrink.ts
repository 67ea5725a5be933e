import { type Vec2 } from '../geometry/vector'
import { Fault } from '../model/fault'
import { fill } from './fill'
import { cornerOf, placeOf, relation, type FrontCorner, type Loop, type SupportLine } from './front'
import { nextHeight } from './next-event'
import { outside, Seams } from './seams'
import { settled, zipped } from './settle'
import { stepped, type Step } from './step'
import { cancelled, tie, type End, type Piece } from './tie'
import { cutsOf, gathered } from './touching'

/** Events that no outline needs: each takes a side away, or splits a loop at a reflex corner. */
const eventsPerSide = 40

/**
 * The weighted straight skeleton of an outline (Aichholzer & Aurenhammer 1995, "Straight skeletons for general polygonal
 * figures", and with unlike pitches Eppstein & Erickson 1999), without telling kinds of events apart: the front goes up to
 * the next height at which something touches; there whatever lies together becomes one node, sides are cut at nodes,
 * pieces that lie on each other cancel into level ridges, and at every node what arrives is tied to what leaves so that
 * the inside stays on the left. An edge that vanishes, a front that splits, and many of both at once are all the same.
 *
 * @param lines see `SupportLine`; walls inside that neighbours of unlike slope in one line need are added
 * @param rings for every closed outline its sides' lines and its corners' places
 * @param steps where slopes change on the way up, the lowest first
 * @param touchM what is nearer than this lies together
 * @throws Fault `roof-not-possible` when the front gets lost in rounding; another `touchM` may help
 */
export function shrinkFront(
  lines: SupportLine[],
  rings: readonly { readonly corners: readonly Vec2[]; readonly lineOf: readonly number[] }[],
  steps: readonly Step[],
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
  let coming = 0
  for (let events = eventsPerSide * sides + 40; ; events--) {
    if (events < 0) throw new Fault('roof-not-possible', {}, 'edges')
    const next = nextHeight(loops, lines, height, touchM)
    const step = steps[coming]
    if (step && step.heightM < next) {
      coming++
      height = step.heightM
      loops = loops
        .map((loop) => settled(stepped(loop, step, lines, seams), lines, height, seams))
        .filter(({ length }) => length > 2)
      continue
    }
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
  const offsetM = inward[0] * here[0] + inward[1] * here[1]
  lines.push({ side: outside, step: 0, way, inward, offsetM, speed: 0 })
  const wall = lines.length - 1
  return [cornerOf(lines, arrives, wall, birth, here), cornerOf(lines, wall, leaves, birth, here)]
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
