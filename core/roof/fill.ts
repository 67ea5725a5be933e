import { type Vec2 } from '../geometry/vector'
import { Fault } from '../model/fault'
import { type Loop, type SupportLine } from './front'
import { type Seams } from './seams'

/** More than any plane can be off, m. */
const dipping = 1e6

/** A front of gables alone stands still: it is filled with the plane that goes on most evenly. */
export function fill(loop: Loop, lines: readonly SupportLine[], seams: Seams, touchM: number): void {
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
