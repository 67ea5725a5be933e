import { centroid, containsPoint, signedArea } from '../geometry/polygon'
import { type Vec2 } from '../geometry/vector'
import { type Arrangement } from './arrangement'
import { heightOn, type Flat } from './flat'
import { type Survey } from './survey'

/** What of the plan a plane covers: an outer ring, counter-clockwise, and openings, clockwise. */
export interface Parcel {
  readonly region: number
  readonly rings: readonly (readonly Vec2[])[]
  readonly areaM2: number
}

/** One cell far off every plane says no more than this for or against any, in squares of the scatter. */
const mostSquares = 12
/** What a metre of border between two planes costs, in squares of the scatter: borders run short and straight. */
const borderPerM = 4
/** A parcel smaller than this goes to what stands beside it, m2. */
const leastParcelM2 = 0.8
const passes = 6

interface Cost {
  /** By region; what it costs that the piece belongs to it. */
  readonly costs: Float64Array
  readonly areaM2: number
  readonly inside: boolean
}

/** Pieces of the plan put together by the plane that fits the cells over them best. */
export function parcelsOf(
  survey: Survey,
  arrangement: Arrangement,
  outline: readonly Vec2[],
  flats: readonly Flat[],
  scatterM: number,
): Parcel[] {
  const costs = costsOf(survey, arrangement, outline, flats, scatterM)
  const beside = besidesOf(arrangement)
  const labels = labelled(costs, beside)
  let parcels = put(arrangement, labels, costs, beside)
  // Small ones, the smallest first, go to the neighbour with the longest common border.
  for (let round = 0; round < 200; round++) {
    const small = [...parcels]
      .sort((a, b) => a.areaM2 - b.areaM2)
      .find(({ areaM2 }) => areaM2 < leastParcelM2)
    if (!small || !givenAway(small, labels, beside)) break
    parcels = put(arrangement, labels, costs, beside)
  }
  const weld = welder(outline)
  return parcels.map(({ region, rings, areaM2 }) => ({
    region,
    rings: rings.map((ring) => straightOut(welded(ring, weld))).filter((ring) => ring.length > 2),
    areaM2,
  }))
}

/** Points nearer to each other than this are one, m. */
const sameM = 0.02

/** Gives points that are one the same place, the outline's corners theirs: lines that meant to meet in one pass it by a hair. */
function welder(corners: readonly Vec2[]): (p: Vec2) => Vec2 {
  const known: Vec2[] = [...corners]
  return (p) => {
    const same = known.find((q) => Math.hypot(p[0] - q[0], p[1] - q[1]) < sameM)
    if (same) return same
    known.push(p)
    return p
  }
}

const welded = (ring: readonly Vec2[], weld: (p: Vec2) => Vec2): Vec2[] =>
  ring.map(weld).filter((p, i, all) => p !== all[(i + all.length - 1) % all.length])

/** How well each plane fits the cells over each piece. */
function costsOf(
  survey: Survey,
  { points, pieces }: Arrangement,
  outline: readonly Vec2[],
  flats: readonly Flat[],
  scatterM: number,
): Cost[] {
  const rings = pieces.map(({ corners }) => corners.map((k) => points[k] ?? ([0, 0] as Vec2)))
  const made = rings.map((ring): Cost => {
    const areaM2 = signedArea(ring)
    return {
      costs: new Float64Array(flats.length),
      areaM2,
      inside: areaM2 > 1e-9 && containsPoint(outline, centroid(ring)),
    }
  })
  const finder = finderOf(rings.map((ring, i) => (made[i]?.inside ? ring : [])))
  survey.inside.forEach((isIn, k) => {
    if (!isIn) return
    const [x, y, z] = [survey.x[k] ?? 0, survey.y[k] ?? 0, survey.z[k] ?? 0]
    const cost = made[finder([x, y])]
    if (!cost) return
    flats.forEach((flat, region) => {
      const off = (z - heightOn(flat, x, y)) / scatterM
      cost.costs[region] = (cost.costs[region] ?? 0) + Math.min(mostSquares, (off * off) / 2)
    })
  })
  return made
}

/** Finds the piece that a point lies in, -1 for none, by a coarse grid of the pieces' boxes. */
function finderOf(rings: readonly (readonly Vec2[])[]): (p: Vec2) => number {
  const buckets = new Map<string, number[]>()
  const bucketM = 1
  rings.forEach((ring, i) => {
    if (ring.length === 0) return
    const [xs, ys] = [ring.map(([x]) => x), ring.map(([, y]) => y)]
    const range = (values: number[]) => [
      Math.floor(Math.min(...values) / bucketM),
      Math.floor(Math.max(...values) / bucketM),
    ]
    const [x0 = 0, x1 = 0] = range(xs)
    const [y0 = 0, y1 = 0] = range(ys)
    for (let x = x0; x <= x1; x++)
      for (let y = y0; y <= y1; y++) {
        const key = `${x} ${y}`
        const list = buckets.get(key)
        if (list) list.push(i)
        else buckets.set(key, [i])
      }
  })
  return (p) => {
    const near = buckets.get(`${Math.floor(p[0] / bucketM)} ${Math.floor(p[1] / bucketM)}`) ?? []
    return near.find((i) => containsPoint(rings[i] ?? [], p)) ?? -1
  }
}

interface Beside {
  readonly piece: number
  readonly lengthM: number
}

/** Which pieces share a side with each, and how long it is. */
function besidesOf({ points, pieces }: Arrangement): Beside[][] {
  const owner = new Map<string, number>()
  const found: Beside[][] = pieces.map(() => [])
  pieces.forEach(({ corners }, piece) =>
    corners.forEach((k, i) => owner.set(`${k} ${corners[(i + 1) % corners.length]}`, piece)),
  )
  pieces.forEach(({ corners }, piece) =>
    corners.forEach((k, i) => {
      const next = corners[(i + 1) % corners.length] ?? k
      const other = owner.get(`${next} ${k}`)
      const [a, b] = [points[k], points[next]]
      if (other === undefined || !a || !b) return
      found[piece]?.push({ piece: other, lengthM: Math.hypot(b[0] - a[0], b[1] - a[1]) })
    }),
  )
  return found
}

/** The cheapest plane for each piece, its neighbours' borders reckoned in; -1 outside. */
function labelled(costs: readonly Cost[], beside: readonly (readonly Beside[])[]): Int32Array {
  const labels = Int32Array.from(costs, ({ costs: own, inside }) => (inside ? cheapest(own, () => 0) : -1))
  // Large pieces say most: they settle first.
  const order = [...costs.keys()].sort((a, b) => (costs[b]?.areaM2 ?? 0) - (costs[a]?.areaM2 ?? 0))
  for (let pass = 0; pass < passes; pass++) {
    let changed = false
    for (const i of order) {
      const cost = costs[i]
      if (!cost?.inside) continue
      const borders = beside[i] ?? []
      const around = borders.filter(({ piece }) => (labels[piece] ?? -1) >= 0)
      const best = cheapest(cost.costs, (region) =>
        around.reduce(
          (sum, { piece, lengthM }) => sum + (labels[piece] === region ? 0 : lengthM * borderPerM),
          0,
        ),
      )
      if (best !== labels[i]) {
        labels[i] = best
        changed = true
      }
    }
    if (!changed) break
  }
  return labels
}

function cheapest(costs: Float64Array, more: (region: number) => number): number {
  let [best, least] = [-1, Infinity]
  costs.forEach((cost, region) => {
    const all = cost + more(region)
    if (all < least) [best, least] = [region, all]
  })
  return best
}

interface Put extends Parcel {
  readonly pieces: readonly number[]
}

/** Pieces side by side with one label, as one parcel each. */
function put(
  { points, pieces }: Arrangement,
  labels: Int32Array,
  costs: readonly Cost[],
  beside: readonly (readonly Beside[])[],
): Put[] {
  const seen = new Uint8Array(pieces.length)
  const parcels: Put[] = []
  for (let start = 0; start < pieces.length; start++) {
    const region = labels[start] ?? -1
    if (region < 0 || seen[start]) continue
    seen[start] = 1
    const members = [start]
    for (const k of members)
      for (const { piece } of beside[k] ?? [])
        if (!seen[piece] && labels[piece] === region) {
          seen[piece] = 1
          members.push(piece)
        }
    parcels.push({
      region,
      pieces: members,
      areaM2: members.reduce((sum, k) => sum + (costs[k]?.areaM2 ?? 0), 0),
      rings: ringsOf(
        members.map((k) => pieces[k]?.corners ?? []),
        points,
      ),
    })
  }
  return parcels
}

/** The border of pieces: sides that no other of them has the other way round, one after the other. */
function ringsOf(pieces: readonly (readonly number[])[], points: readonly Vec2[]): Vec2[][] {
  const sides = new Set<string>()
  for (const corners of pieces)
    corners.forEach((k, i) => sides.add(`${k} ${corners[(i + 1) % corners.length]}`))
  const onward = new Map<number, number[]>()
  for (const side of sides) {
    const [from = 0, to = 0] = side.split(' ').map(Number)
    if (!sides.has(`${to} ${from}`)) onward.set(from, [...(onward.get(from) ?? []), to])
  }
  const rings: Vec2[][] = []
  for (const start of [...onward.keys()]) {
    while ((onward.get(start) ?? []).length > 0) {
      const ring: number[] = []
      let [at, before] = [start, null as number | null]
      do {
        ring.push(at)
        const next = leftmost(onward.get(at) ?? [], at, before, points)
        if (next === null) break
        onward.set(
          at,
          (onward.get(at) ?? []).filter((k) => k !== next),
        )
        ;[before, at] = [at, next]
      } while (at !== start)
      rings.push(straightOut(ring.map((k) => points[k] ?? ([0, 0] as Vec2))))
    }
  }
  return rings
    .filter((ring) => ring.length > 2)
    .sort((a, b) => Math.abs(signedArea(b)) - Math.abs(signedArea(a)))
}

/** Where borders touch in a point, the way round that keeps to the same piece: the sharpest turn to the left. */
function leftmost(
  open: readonly number[],
  at: number,
  before: number | null,
  points: readonly Vec2[],
): number | null {
  if (open.length < 2 || before === null) return open[0] ?? null
  const heading = (from: number, to: number) => {
    const [a, b] = [points[from] ?? [0, 0], points[to] ?? [0, 0]]
    return Math.atan2(b[1] - a[1], b[0] - a[0])
  }
  const back = heading(at, before)
  const turn = (k: number) => (back - heading(at, k) + 4 * Math.PI) % (2 * Math.PI)
  return [...open].sort((p, q) => turn(p) - turn(q))[0] ?? null
}

/** How far a corner on a straight side may lie beside it, m. */
const straightM = 2e-3

/** A ring without corners on straight sides. */
function straightOut(ring: readonly Vec2[]): Vec2[] {
  const kept = [...ring]
  // One at a time: of two corners that lie close together one has to stay.
  for (let i = 0; i < kept.length && kept.length > 3;) {
    const [a, b, c] = [kept[(i + kept.length - 1) % kept.length], kept[i], kept[(i + 1) % kept.length]]
    if (!a || !b || !c) break
    const [ux, uy] = [c[0] - a[0], c[1] - a[1]]
    const long = Math.hypot(ux, uy)
    if (long > sameM && Math.abs(ux * (b[1] - a[1]) - uy * (b[0] - a[0])) < straightM * long) {
      kept.splice(i, 1)
      i = Math.max(0, i - 1)
    } else i++
  }
  return kept
}

/** Pieces of a parcel given to the plane beside them with the longest border; false where it stands alone. */
function givenAway(
  { pieces, region }: Put,
  labels: Int32Array,
  beside: readonly (readonly Beside[])[],
): boolean {
  const shared = new Map<number, number>()
  for (const k of pieces)
    for (const { piece, lengthM } of beside[k] ?? []) {
      const other = labels[piece] ?? -1
      if (other >= 0 && other !== region) shared.set(other, (shared.get(other) ?? 0) + lengthM)
    }
  const [longest] = [...shared].sort((a, b) => b[1] - a[1])
  if (!longest) return false
  for (const k of pieces) labels[k] = longest[0]
  return true
}
