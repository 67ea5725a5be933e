import { cornerOf, placeOf, relation, type FrontCorner, type Loop, type SupportLine } from './front'
import { type Seams } from './seams'

/**
 * Takes corners out that are none: between two pieces of one line, and between parallel ones of unlike slope, where the
 * flatter plane takes over the whole front of the steeper with a level seam, and any plane that of a gable.
 */
export function settled(loop: Loop, lines: readonly SupportLine[], height: number, seams: Seams): Loop {
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

/** Two pieces that run to and fro between two corners are a ridge, however thin the sliver between them was. */
export function zipped(loop: Loop, height: number, seams: Seams): void {
  const [a, b] = loop
  if (!a || !b) return
  const [from, to] = [nodeHere(a, height, seams), nodeHere(b, height, seams)]
  seams.between(b.leaves, a.leaves, from, to)
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
