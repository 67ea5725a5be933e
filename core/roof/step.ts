import { cornerOf, placeOf, type Loop, type SupportLine } from './front'
import { type Seams } from './seams'

/** Where the slope over some sides changes: from there on their front runs on another line. */
export interface Step {
  readonly heightM: number
  /** For each line that ends, by index, the one that goes on from it. */
  readonly onward: ReadonlyMap<number, number>
}

/**
 * Lines for the stretches above the first of every line, each through its predecessor's front at the height where it
 * takes over; and the heights at which that happens, the lowest first.
 * @param lines those of the eaves; the others are added
 * @param above for each line at the eaves the heights over the eave and the speeds of what follows
 */
export function stepsOf(
  lines: SupportLine[],
  above: readonly (readonly { readonly heightM: number; readonly speed: number }[])[],
): Step[] {
  const byHeight = new Map<number, Map<number, number>>()
  above.forEach((stretches, eave) => {
    let below = eave
    for (const { heightM, speed } of stretches) {
      const line = lines[below]
      if (!line) continue
      lines.push({
        ...line,
        step: line.step + 1,
        speed,
        offsetM: line.offsetM + (line.speed - speed) * heightM,
      })
      const onward = byHeight.get(heightM) ?? new Map<number, number>()
      byHeight.set(heightM, onward.set(below, lines.length - 1))
      below = lines.length - 1
    }
  })
  return [...byHeight].map(([heightM, onward]) => ({ heightM, onward })).sort((a, b) => a.heightM - b.heightM)
}

/** Puts the front on the lines that go on, with a level seam along every piece that changes its own. */
export function stepped(
  loop: Loop,
  { heightM, onward }: Step,
  lines: readonly SupportLine[],
  seams: Seams,
): Loop {
  if (!loop.some(({ arrives, leaves }) => onward.has(arrives) || onward.has(leaves))) return loop
  const corners = loop.map((corner) => {
    if (!onward.has(corner.arrives) && !onward.has(corner.leaves)) return corner
    const here = placeOf(corner, heightM)
    const born = seams.nodes[corner.birth]
    const isHere = born && Math.abs(born[2] - heightM) < 1e-12
    const node = isHere ? corner.birth : seams.node(here[0], here[1], heightM)
    seams.between(corner.arrives, corner.leaves, corner.birth, node)
    const [arrives, leaves] = [corner.arrives, corner.leaves].map((line) => onward.get(line) ?? line)
    return cornerOf(lines, arrives ?? 0, leaves ?? 0, node, here)
  })
  loop.forEach(({ leaves }, k) => {
    const above = onward.get(leaves)
    if (above === undefined) return
    seams.between(above, leaves, corners[k]?.birth ?? 0, corners[(k + 1) % corners.length]?.birth ?? 0)
  })
  return corners
}
