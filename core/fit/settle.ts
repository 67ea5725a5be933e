import { heightOn, Sums, type Flat } from './flat'
import { leastRegionM2, none, type Grown, type Region } from './grow'
import { around, type Survey } from './survey'

/** Cells further than this many times the scatter from a plane are not of it. */
const beyondScatter = 3.5
/** Planes whose common fit is worse by less than this share of the scatter are one. */
const sameShare = 0.7
const rounds = 3
/** Regions with a strip of at most twice so many cells between them stand side by side. */
const spreads = 2
/** How far from a plane's cells others of it may lie, with something in between, m. */
const strayM = 1.2

/** Regions with every cell that lies near one of them; what is one plane is one region, and small ones are gone. */
export function settled(survey: Survey, grown: Grown): Grown {
  // While regions are what grew, without what is on their borders: they say best whether they are one.
  let now = merged(survey, grown)
  for (let round = 0; round < rounds; round++) {
    now = merged(survey, claimed(survey, now))
    now = withoutSmall(survey, smoothed(survey, now))
  }
  return now
}

const offOf = ({ x, y, z }: Survey, flat: Flat, k: number) =>
  Math.abs((z[k] ?? 0) - heightOn(flat, x[k] ?? 0, y[k] ?? 0))

/** Every cell goes to the plane it lies nearest to, of those that stand around it; from there outwards. */
function claimed(survey: Survey, { regions, labels, scatterM }: Grown): Grown {
  const next = Int32Array.from(labels)
  const most = beyondScatter * scatterM
  let open = [...survey.inside.keys()].filter((k) => survey.inside[k])
  // Twice as far as the strip that growing leaves along its borders.
  for (let pass = 0; pass < 8 && open.length > 0; pass++) {
    const touched = new Set<number>()
    const before = Int32Array.from(next)
    for (const k of open) {
      const near = new Set<number>([before[k] ?? none])
      for (const j of around(survey.grid, k, true)) near.add(before[j] ?? none)
      near.delete(none)
      let best = none
      let bestOff = most
      for (const label of near) {
        const region = regions[label]
        const off = region ? offOf(survey, region.flat, k) : Infinity
        if (off < bestOff) [best, bestOff] = [label, off]
      }
      if (best !== before[k]) {
        next[k] = best
        touched.add(k)
        for (const j of around(survey.grid, k, true)) if (survey.inside[j]) touched.add(j)
      }
    }
    open = [...touched]
  }
  strayed(survey, regions, next, most)
  return refitted(survey, regions.length, next, scatterM)
}

/** Cells without a plane go to one nearby that they lie in: a strip of it between two walls has no neighbours of it. */
function strayed(survey: Survey, regions: readonly Region[], labels: Int32Array, mostM: number): void {
  const reach = Math.round(strayM / survey.sideM)
  const { columns, rows } = survey.grid
  const before = Int32Array.from(labels)
  survey.inside.forEach((isIn, k) => {
    if (!isIn || before[k] !== none) return
    const column = k % columns
    const row = (k - column) / columns
    let bestOff = mostM
    for (let r = Math.max(0, row - reach); r <= Math.min(rows - 1, row + reach); r++)
      for (let c = Math.max(0, column - reach); c <= Math.min(columns - 1, column + reach); c++) {
        const label = before[r * columns + c] ?? none
        const region = regions[label]
        if (!region) continue
        const off = offOf(survey, region.flat, k)
        if (off < bestOff) {
          bestOff = off
          labels[k] = label
        }
      }
  })
}

/** Planes fitted anew to the cells that are theirs, or to some of them alone. */
export function refitted(
  survey: Survey,
  count: number,
  labels: Int32Array,
  scatterM: number,
  counts: (k: number) => boolean = () => true,
): Grown {
  const sums = Array.from({ length: count }, () => new Sums())
  labels.forEach((label, k) => {
    if (label >= 0 && counts(k)) sums[label]?.add(survey.x[k] ?? 0, survey.y[k] ?? 0, survey.z[k] ?? 0)
  })
  const numbers = new Map<number, number>()
  const regions: Region[] = []
  sums.forEach((sum, label) => {
    const flat = sum.flat()
    if (flat) numbers.set(label, regions.push({ flat, sums: sum }) - 1)
  })
  return { regions, labels: labels.map((label) => numbers.get(label) ?? none), scatterM }
}

/** How many sides of cells two regions share, by both numbers, the lower first. */
function sharedSides(survey: Survey, labels: Int32Array): Map<string, [number, number, number]> {
  const shared = new Map<string, [number, number, number]>()
  const { columns, rows } = survey.grid
  for (let k = 0; k < labels.length; k++) {
    const column = k % columns
    for (const j of [column + 1 < columns ? k + 1 : -1, k + columns < columns * rows ? k + columns : -1]) {
      const [p, q] = [labels[k] ?? none, j < 0 ? none : (labels[j] ?? none)]
      if (p === q || p < 0 || q < 0) continue
      const [low, high] = [Math.min(p, q), Math.max(p, q)]
      const entry = shared.get(`${low} ${high}`)
      if (entry) entry[2]++
      else shared.set(`${low} ${high}`, [low, high, 1])
    }
  }
  return shared
}

/** Regions grown by some cells into what belongs to none: those with a strip of such between them stand side by side. */
function spread(survey: Survey, labels: Int32Array): Int32Array {
  let now = labels
  for (let step = 0; step < spreads; step++) {
    const next = Int32Array.from(now)
    now.forEach((label, k) => {
      if (label !== none || !survey.inside[k]) return
      const beside = around(survey.grid, k).find((j) => (now[j] ?? none) >= 0)
      if (beside !== undefined) next[k] = now[beside] ?? none
    })
    now = next
  }
  return now
}

/** Regions side by side that one plane fits as well as two become one. */
function merged(survey: Survey, grown: Grown): Grown {
  const { regions, labels, scatterM } = grown
  const parent = regions.map((_, i) => i)
  const rootOf = (i: number): number => {
    const up = parent[i] ?? i
    return up === i ? i : rootOf(up)
  }
  const sums = regions.map((region) => {
    const own = new Sums()
    own.addAll(region.sums)
    return own
  })
  for (const [p, q, sides] of [...sharedSides(survey, spread(survey, labels)).values()].sort(
    (a, b) => b[2] - a[2],
  )) {
    const [i, j] = [rootOf(p), rootOf(q)]
    const [one, other] = [sums[i], sums[j]]
    if (i === j || sides < 3 || !one || !other) continue
    const both = new Sums()
    both.addAll(one)
    both.addAll(other)
    const [flatI, flatJ, flat] = [one.flat(), other.flat(), both.flat()]
    if (!flatI || !flatJ || !flat) continue
    const worse = both.squares(flat) - one.squares(flatI) - other.squares(flatJ)
    if (Math.sqrt(Math.max(0, worse) / Math.min(one.n, other.n)) > sameShare * scatterM) continue
    parent[j] = i
    sums[i] = both
  }
  return refitted(
    survey,
    regions.length,
    labels.map((label) => (label < 0 ? none : rootOf(label))),
    scatterM,
  )
}

/** A cell with another plane on most sides, which fits it too, goes over to it. */
function smoothed(survey: Survey, { regions, labels, scatterM }: Grown): Grown {
  const next = Int32Array.from(labels)
  labels.forEach((label, k) => {
    if (!survey.inside[k]) return
    const votes = new Map<number, number>()
    for (const j of around(survey.grid, k, true)) {
      const other = labels[j] ?? none
      if (other >= 0) votes.set(other, (votes.get(other) ?? 0) + 1)
    }
    for (const [other, count] of votes) {
      const region = regions[other]
      if (other !== label && count >= 5 && region && offOf(survey, region.flat, k) < beyondScatter * scatterM)
        next[k] = other
    }
  })
  return refitted(survey, regions.length, next, scatterM)
}

function withoutSmall(survey: Survey, { regions, labels, scatterM }: Grown): Grown {
  const cellM2 = survey.sideM ** 2
  const keep = regions.map(({ sums }) => sums.n * cellM2 >= leastRegionM2)
  return refitted(
    survey,
    regions.length,
    labels.map((label) => (keep[label] ? label : none)),
    scatterM,
  )
}
