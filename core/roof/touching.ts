import { type Vec2 } from '../geometry/vector'
import { type FrontCorner, type Loop, type SupportLine } from './front'

export interface Groups {
  readonly of: (index: number) => number
  readonly members: ReadonlyMap<number, readonly number[]>
  readonly middle: (group: number) => Vec2
}

/** Corners that lie together, and the two ends of a side that has turned over. */
export function gathered(
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
export function cutsOf(
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
