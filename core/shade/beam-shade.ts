import { type Vec3 } from '../geometry/vector'
import { type SunHours } from '../sun/sun-hours'
import { type NamedCast } from './cast'
import { type Horizon, type Taken } from './engine'
import { PointsLit } from './points-lit'
import { type SampleGrid } from './sample-grid'
import { grazing } from './sky-patches'
import { type SunTable } from './sun-table'

/** A receiver and what stands before it. */
export interface View {
  readonly grid: SampleGrid
  readonly casts: readonly NamedCast[]
  readonly normal: Vec3
  readonly horizon: Horizon | undefined
}

/** As in `ReceiverShade`; `taken` by the casts in their order. */
export interface BeamShade {
  readonly shaded: Int32Array
  readonly litMean: Float32Array
  readonly litWorst: Float32Array
  readonly taken: readonly Pick<Taken, 'at' | 'months' | 'share'>[]
}

const pointsOf = ({ grid, casts }: View, directions: number) =>
  new PointsLit(
    grid,
    casts.map(({ cast }) => ({ layers: cast.layers, marks: cast.sun })),
    directions,
  )

/** The beam at the middle of each interval. */
export function exactBeam(view: View, sun: SunHours): BeamShade {
  const { normal, horizon } = view
  const { groups } = view.grid
  const entries = sun.interval.length
  const points = pointsOf(view, entries)
  const shaded = new Int32Array(entries)
  const litMean = new Float32Array(entries)
  const litWorst = new Float32Array(entries * groups)
  const taken = view.casts.map(() => new TakenSoFar())
  let count = 0
  for (let entry = 0; entry < entries; entry++) {
    const dx = sun.direction[entry * 3] as number
    const dy = sun.direction[entry * 3 + 1] as number
    const dz = sun.direction[entry * 3 + 2] as number
    const cosine = normal[0] * dx + normal[1] * dy + normal[2] * dz
    if (cosine <= 0) continue
    if (cosine < grazing || horizon?.(dx, dy, dz)) {
      shaded[count++] = entry
      continue
    }
    if (!points.seek(entry, sun.month[entry] as number)) continue
    shaded[count] = entry
    litMean[count] = points.mean
    for (let g = 0; g < groups; g++) litWorst[count * groups + g] = points.worst[g] as number
    takeFrom(points, taken, entry, 1 << (sun.month[entry] as number))
    count++
  }
  return {
    shaded: shaded.slice(0, count),
    litMean: litMean.slice(0, count),
    litWorst: litWorst.slice(0, count * groups),
    taken: taken.map((one) => one.series()),
  }
}

/** What one caster takes, direction after direction. */
class TakenSoFar {
  private readonly at: number[] = []
  private readonly months: number[] = []
  private readonly share: number[] = []

  add(direction: number, months: number, share: number): void {
    this.at.push(direction)
    this.months.push(months)
    this.share.push(share)
  }

  series(): Pick<Taken, 'at' | 'months' | 'share'> {
    return {
      at: Int32Array.from(this.at),
      months: Uint16Array.from(this.months),
      share: Float32Array.from(this.share),
    }
  }
}

function takeFrom(points: PointsLit, taken: readonly TakenSoFar[], direction: number, months: number): void {
  for (let i = 0; i < points.actives; i++) {
    const c = points.active[i] as number
    const share = points.taken[c] as number
    if (share > 0) taken[c]?.add(direction, months, share)
  }
}

/** Shares below are the rounding of the table's parts. */
const negligible = 1e-6

/**
 * The beam's mean over each interval, interpolated between the nodes of a table and weighted by how squarely each meets
 * the receiver. Nodes in whose light it does not stand take no part.
 */
export function tableBeam(view: View, table: SunTable, { month }: Pick<SunHours, 'month'>): BeamShade {
  const { groups } = view.grid
  const { starts, node, part } = table
  const cosines = cosinesOf(view, table.direction)
  const { lost, rowOf, taken } = nodesLost(view, table, cosines)
  const entries = starts.length - 1
  const shaded = new Int32Array(entries)
  const litMean = new Float32Array(entries)
  const litWorst = new Float32Array(entries * groups)
  const worst = new Float64Array(groups)
  let count = 0
  for (let entry = 0; entry < entries; entry++) {
    const rows = rowOf[month[entry] as number] as Int32Array
    let light = 0
    let gone = 0
    for (let g = 0; g < groups; g++) worst[g] = 0
    for (let i = starts[entry] as number; i < (starts[entry + 1] as number); i++) {
      const n = node[i] as number
      const cosine = cosines[n] as number
      if (cosine < grazing) continue
      const weight = cosine * (part[i] as number)
      light += weight
      const row = rows[n] as number
      if (row < 0) continue
      const at = row * (groups + 1)
      gone += weight * (lost[at] as number)
      for (let g = 0; g < groups; g++) worst[g] = (worst[g] as number) + weight * (lost[at + 1 + g] as number)
    }
    if (gone <= negligible * light) continue
    shaded[count] = entry
    litMean[count] = Math.max(0, 1 - gone / light)
    for (let g = 0; g < groups; g++)
      litWorst[count * groups + g] = Math.max(0, 1 - (worst[g] as number) / light)
    count++
  }
  return {
    shaded: shaded.slice(0, count),
    litMean: litMean.slice(0, count),
    litWorst: litWorst.slice(0, count * groups),
    taken,
  }
}

/**
 * What is lost at each node: over the receiver, then by group, for each row. Rows by month and node, -1 where nothing is
 * lost.
 */
function nodesLost(view: View, { direction }: SunTable, cosines: Float64Array) {
  const { groups } = view.grid
  const points = pointsOf(view, cosines.length)
  const taken = view.casts.map(() => new TakenSoFar())
  const rowOf: Int32Array[] = []
  const lost: number[] = []
  let count = 0
  for (const months of monthClasses(view.casts)) {
    const bits = months.reduce((all, m) => all | (1 << m), 0)
    const rows = new Int32Array(cosines.length).fill(-1)
    for (const m of months) rowOf[m] = rows
    for (let n = 0; n < cosines.length; n++) {
      if ((cosines[n] as number) < grazing) continue
      const isHidden = view.horizon?.(
        direction[n * 3] as number,
        direction[n * 3 + 1] as number,
        direction[n * 3 + 2] as number,
      )
      if (!isHidden && !points.seek(n, months[0] as number)) continue
      rows[n] = count++
      lost.push(isHidden ? 1 : 1 - points.mean)
      for (let g = 0; g < groups; g++) lost.push(isHidden ? 1 : 1 - (points.worst[g] as number))
      if (!isHidden) takeFrom(points, taken, n, bits)
    }
  }
  return { lost: Float64Array.from(lost), rowOf, taken: taken.map((one) => one.series()) }
}

function cosinesOf({ normal }: View, directions: Float64Array): Float64Array {
  const cosines = new Float64Array(directions.length / 3)
  for (let k = 0; k < cosines.length; k++)
    cosines[k] =
      normal[0] * (directions[k * 3] as number) +
      normal[1] * (directions[k * 3 + 1] as number) +
      normal[2] * (directions[k * 3 + 2] as number)
  return cosines
}

/** Months in which all crowns let the same through. */
function monthClasses(casts: readonly NamedCast[]): number[][] {
  const crowns = casts.flatMap(({ cast }) => cast.layers.filter((layer) => layer !== null))
  const alike = new Map<string, number[]>()
  for (let month = 0; month < 12; month++) {
    const key = crowns.map((layer) => layer[month]).join(' ')
    const others = alike.get(key)
    if (others) others.push(month)
    else alike.set(key, [month])
  }
  return [...alike.values()]
}
