import { type Vec2 } from '../geometry/vector'

/** Modules side by side that two rails run under, in the rows' own coordinates: x along the rails, y across them, m. */
export interface Run {
  readonly fromM: number
  readonly toM: number
  readonly lowM: number
  readonly highM: number
  /** Where modules end and begin inside the run, both edges of each gap. */
  readonly gaps: readonly (readonly [number, number])[]
}

/** Rows in coordinates that are turned against the plane's. */
export interface Rows {
  /** Of x against the plane's level direction, counter-clockwise, over -pi/4 and up to pi/4. */
  readonly turn: number
  readonly runs: readonly Run[]
}

/** Gaps wider than this are not bridged: a clamp reaches no further. */
const widestGapM = 0.08
/** Edges closer than this are one line. */
const sameM = 0.005

/** From the plane's coordinates to the rows', and back with the turn the other way. */
export const turned = ([x, y]: Vec2, turn: number): Vec2 => [
  x * Math.cos(turn) + y * Math.sin(turn),
  y * Math.cos(turn) - x * Math.sin(turn),
]

/**
 * Modules as the runs that rails lie under. Rails go along that side of the modules that is nearer to level, so that they
 * cross the rafters.
 * @param modules four corners each on one plane, all turned alike
 */
export function rowsOf(modules: readonly (readonly Vec2[])[]): Rows {
  const [first] = modules
  const [a, b] = [first?.[0], first?.[1]]
  if (!a || !b) return { turn: 0, runs: [] }
  const quarter = Math.PI / 2
  const angle = Math.atan2(b[1] - a[1], b[0] - a[0])
  const turn = angle - Math.ceil(angle / quarter - 0.5 - 1e-9) * quarter
  const boxes = modules.map((corners) => {
    const own = corners.map((p) => turned(p, turn))
    const [xs, ys] = [own.map(([x]) => x), own.map(([, y]) => y)]
    return { x0: Math.min(...xs), x1: Math.max(...xs), y0: Math.min(...ys), y1: Math.max(...ys) }
  })
  const near = (v: number) => Math.round(v / sameM)
  const rows = new Map<string, typeof boxes>()
  for (const box of boxes.toSorted((p, q) => p.y0 - q.y0 || p.x0 - q.x0)) {
    // A row a hair off a step of the grid is the neighbouring step's.
    const keys = [0, -1, 1].flatMap((i) => [0, -1, 1].map((k) => `${near(box.y0) + i}:${near(box.y1) + k}`))
    const key = keys.find((one) => rows.has(one)) ?? keys[0] ?? ''
    rows.set(key, [...(rows.get(key) ?? []), box])
  }
  return { turn, runs: [...rows.values()].flatMap(runsIn) }
}

function runsIn(
  row: readonly { readonly x0: number; readonly x1: number; readonly y0: number; readonly y1: number }[],
): Run[] {
  const runs: { fromM: number; toM: number; lowM: number; highM: number; gaps: [number, number][] }[] = []
  for (const { x0, x1, y0, y1 } of row.toSorted((p, q) => p.x0 - q.x0)) {
    const last = runs.at(-1)
    if (last && x0 - last.toM <= widestGapM) {
      last.gaps.push([last.toM, x0])
      last.toM = x1
    } else runs.push({ fromM: x0, toM: x1, lowM: y0, highM: y1, gaps: [] })
  }
  return runs
}
