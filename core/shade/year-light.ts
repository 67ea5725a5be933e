import { shareOfYear } from '../model/model-year'
import { dot3, newell, unit3, type Vec3 } from '../geometry/vector'
import { type NamedCast } from './cast'
import { type CellGroups, type Horizon, type Receiver } from './engine'
import { ofTheSky, PointsLit } from './points-lit'
import { sampleGrid } from './sample-grid'
import { grazing, patches } from './sky-patches'
import { type SunTable } from './sun-table'
import { type SunHours } from '../sun/sun-hours'

/** A year's light on an open plane, kWh/m². */
export interface OpenLight {
  /** Beam and circumsolar, by month and node of a table: `month * nodes + node`. */
  readonly beam: Float64Array
  /** Of the dome, of the lowest band of the sky, and from the ground. */
  readonly dome: number
  readonly band: number
  readonly ground: number
}

/**
 * Divides a year's beam on a plane among the nodes of a table, by how squarely each meets the plane.
 * @param direct in each entry that the table was made for, W/m²
 * @param month of each entry, 0 to 11
 * @param stepMinutes length of an entry
 * @returns kWh/m²: `month * nodes + node`
 */
export function beamByNode(
  direct: Float32Array | Float64Array,
  month: Uint8Array,
  stepMinutes: number,
  normal: Vec3,
  { direction, starts, node, part }: SunTable,
): Float64Array {
  const nodes = direction.length / 3
  const cosines = new Float64Array(nodes)
  for (let n = 0; n < nodes; n++) {
    const cosine =
      normal[0] * (direction[n * 3] as number) +
      normal[1] * (direction[n * 3 + 1] as number) +
      normal[2] * (direction[n * 3 + 2] as number)
    cosines[n] = cosine < grazing ? 0 : cosine
  }
  const beam = new Float64Array(12 * nodes)
  for (let entry = 0; entry < direct.length; entry++) {
    if (direct[entry] === 0) continue
    const from = starts[entry] as number
    const to = starts[entry + 1] as number
    let light = 0
    for (let i = from; i < to; i++) light += (cosines[node[i] as number] as number) * (part[i] as number)
    if (light <= 0) continue
    const kwhM2 = ((direct[entry] as number) * stepMinutes) / 60_000 / light
    const first = (month[entry] as number) * nodes
    for (let i = from; i < to; i++) {
      const at = first + (node[i] as number)
      beam[at] = (beam[at] as number) + kwhM2 * (cosines[node[i] as number] as number) * (part[i] as number)
    }
  }
  return beam
}

/**
 * The hours in which the sun stands before a plane, divided among the nodes of a table.
 * @param sun that the table was made for
 * @param months that are counted, 0 to 11
 * @returns hours a day, in the mean of the days of these months: `month * nodes + node`
 */
export function hoursByNode(
  { month, upShare, stepMinutes, intervals }: SunHours,
  normal: Vec3,
  { direction, starts, node, part }: SunTable,
  months: readonly number[],
): Float64Array {
  const nodes = direction.length / 3
  const isBefore = Uint8Array.from({ length: nodes }, (_, n) => {
    const way: Vec3 = [
      direction[n * 3] as number,
      direction[n * 3 + 1] as number,
      direction[n * 3 + 2] as number,
    ]
    return dot3(normal, way) < grazing ? 0 : 1
  })
  const days = ((intervals * stepMinutes) / 1440) * shareOfYear(months)
  const hours = new Float64Array(12 * nodes)
  for (let entry = 0; entry < month.length; entry++) {
    const own = month[entry] as number
    if (!months.includes(own)) continue
    const long = ((upShare[entry] as number) * stepMinutes) / 60 / days
    for (let i = starts[entry] as number; i < (starts[entry + 1] as number); i++) {
      const n = node[i] as number
      if (isBefore[n] === 1)
        hours[own * nodes + n] = (hours[own * nodes + n] as number) + long * (part[i] as number)
    }
  }
  return hours
}

/**
 * The year's light at each sampled point of a receiver, by a table of the sun's directions. It errs by half a point at
 * most for a module (see the tests); what single intervals give it does not tell.
 * @param casts as `castOn` gives them for `table.direction` and `patches.direction`
 * @param open on the receiver's plane
 * @returns kWh/m², row after row of the columns of `sampleGrid`
 */
export function yearByPoint(
  receiver: Receiver,
  groups: CellGroups,
  casts: readonly NamedCast[],
  { direction }: Pick<SunTable, 'direction'>,
  open: OpenLight,
  horizon?: Horizon,
): Float64Array {
  const grid = sampleGrid(groups)
  const normal = unit3(newell(receiver))
  const lost = new Float64Array(grid.points)
  const nodes = direction.length / 3
  const marksOf = (which: 'sun' | 'sky', directions: number) =>
    new PointsLit(
      grid,
      casts.map(({ cast }) => ({ layers: cast.layers, marks: cast[which] })),
      directions,
    )
  const wayOf = (directions: Float64Array, k: number): Vec3 => [
    directions[k * 3] as number,
    directions[k * 3 + 1] as number,
    directions[k * 3 + 2] as number,
  ]
  let all = open.dome + open.band + open.ground
  for (let i = 0; i < open.beam.length; i++) all += open.beam[i] as number
  let hidden = 0
  const points = marksOf('sun', nodes)
  for (const months of monthsAlike(casts))
    for (let n = 0; n < nodes; n++) {
      if (!horizon && !points.isMarked(n)) continue
      let light = 0
      for (const month of months) light += open.beam[month * nodes + n] as number
      if (light === 0) continue
      if (horizon?.(...wayOf(direction, n))) hidden += light
      else points.seekPoints(n, months[0] as number, light, lost)
    }
  const sky = marksOf('sky', patches.solidAngle.length)
  const weights = skyWeights(normal, open)
  for (let k = 0; k < weights.length; k++) {
    const light = weights[k] as number
    if (light === 0) continue
    if (horizon?.(...wayOf(patches.direction, k))) hidden += light
    else sky.seekPoints(k, ofTheSky, light, lost)
  }
  return lost.map((light) => all - hidden - light)
}

/** What each patch of the sky gives an open plane, kWh/m². */
function skyWeights(normal: Vec3, { dome, band }: OpenLight): Float64Array {
  const weights = new Float64Array(patches.solidAngle.length)
  let [all, lowest] = [0, 0]
  for (let k = 0; k < weights.length; k++) {
    const cosine = dot3(normal, [
      patches.direction[k * 3] as number,
      patches.direction[k * 3 + 1] as number,
      patches.direction[k * 3 + 2] as number,
    ])
    const weight = cosine < grazing ? 0 : cosine * (patches.solidAngle[k] as number)
    weights[k] = weight
    all += weight
    if (patches.ring[k] === 0) lowest += weight
  }
  return weights.map(
    (weight, k) =>
      (all > 0 ? (dome * weight) / all : 0) +
      (patches.ring[k] === 0 && lowest > 0 ? (band * weight) / lowest : 0),
  )
}

/** Months in which all crowns let the same through. */
function monthsAlike(casts: readonly NamedCast[]): number[][] {
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
