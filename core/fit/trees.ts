import { type Vec2 } from '../geometry/vector'
import { heightOn, type Flat } from './flat'
import { around, medianOf, quantileOf, type Survey } from './survey'

/** A tree as it was found: its middle, metres east and north, its height over the ground and the width of its crown, m. */
export interface FittedTree {
  readonly x: number
  readonly y: number
  readonly heightM: number
  readonly crownDiameterM: number
}

/** Lower things are no trees that shade, m. */
const leastHeightM = 2
/** Crowns that grow together are two where the dip between them is deeper than this, m. */
const dipM = 0.5
/** A smaller crown is a pole, or an accident, m. */
const leastCrownM = 1
/** How far the surface is looked at around a cell to tell a crown from a roof, m, and how round a crown is at least, 1/m. */
const [lookM, leastRound] = [1, -0.12]
/** How far under its summit a crown still tells where its middle is, m. */
const crestM = 0.8
/** A slender thing with less than this share of its border to the open stands on a roof: a chimney of the neighbours. */
const [slenderM, leastOpen] = [2.5, 0.3]
/** How alike slopes look, turned by quarters: 1 for planes square to each other, 0 for a crown; a small one has few cells to say so. */
const [squareShare, smallSquareShare, smallM] = [0.4, 0.7, 4.5]
/** What slopes less looks nowhere, by rise over run. */
const levelSlope = 0.12
const none = -1

export interface Trees {
  readonly trees: readonly FittedTree[]
  /** Number of the thing that each cell belongs to, -1 for none; and which things are trees. */
  readonly crowns: Int32Array
  readonly isTree: readonly boolean[]
}

/**
 * Trees around a house, and over it: what stands high over the ground is parted where the surface dips, and what is
 * round everywhere is a crown; roofs are flat nearly everywhere.
 * @param standing 1 for cells inside the outline that stand over the roof
 */
export function treesAround(survey: Survey, ground: Flat, standing: Uint8Array): Trees {
  const { z, x, y } = survey
  const overGround = (k: number) => (z[k] ?? NaN) - heightOn(ground, x[k] ?? 0, y[k] ?? 0)
  const isHigh = Uint8Array.from(z, (_, k) =>
    survey.inside[k] ? (standing[k] ?? 0) : overGround(k) > leastHeightM ? 1 : 0,
  )
  const smooth = smoothed(survey, isHigh)
  const { crowns, count } = parted(survey, isHigh, smooth)
  const members: number[][] = Array.from({ length: count }, () => [])
  crowns.forEach((crown, k) => crown >= 0 && members[crown]?.push(k))
  const isTree = members.map((cells) => {
    const outside = cells.filter((k) => !survey.inside[k]).length
    const crownM = 2 * Math.sqrt((cells.length * survey.sideM ** 2) / Math.PI)
    if (crownM < leastCrownM || outside < 0.25 * cells.length) return false
    if (crownM < slenderM && openShare(survey, isHigh, crowns, cells) < leastOpen) return false
    return (
      isRound(survey, smooth, crowns, cells) &&
      !isSquare(survey, smooth, crowns, cells, crownM < smallM ? smallSquareShare : squareShare)
    )
  })
  const trees = members.flatMap((cells, crown): FittedTree[] => {
    if (!isTree[crown]) return []
    const peak = cells.reduce((best, k) => ((smooth[k] ?? 0) > (smooth[best] ?? 0) ? k : best), cells[0] ?? 0)
    const top = cells.filter(
      (k) => Math.hypot((x[k] ?? 0) - (x[peak] ?? 0), (y[k] ?? 0) - (y[peak] ?? 0)) < 0.75,
    )
    // The middle of what is highest: a crown grown into another is not seen whole.
    const crest = cells.filter((k) => (smooth[k] ?? 0) > (smooth[peak] ?? 0) - crestM)
    const [mx, my] = meanOf(survey, crest)
    return [
      {
        x: mx,
        y: my,
        heightM:
          quantileOf(
            top.map((k) => z[k] ?? 0),
            0.8,
          ) - heightOn(ground, mx, my),
        crownDiameterM: 2 * Math.sqrt((cells.length * survey.sideM ** 2) / Math.PI),
      },
    ]
  })
  return { trees: trees.filter(({ heightM }) => heightM > leastHeightM), crowns, isTree }
}

function meanOf({ x, y }: Survey, cells: readonly number[]): Vec2 {
  let [sx, sy] = [0, 0]
  for (const k of cells) [sx, sy] = [sx + (x[k] ?? 0), sy + (y[k] ?? 0)]
  return [sx / cells.length, sy / cells.length]
}

/** Heights averaged over the high cells around each. */
function smoothed({ grid, z }: Survey, isHigh: Uint8Array): Float32Array {
  return Float32Array.from(z, (height, k) => {
    if (!isHigh[k]) return NaN
    let [sum, n] = [height, 1]
    for (const j of around(grid, k, true)) if (isHigh[j]) [sum, n] = [sum + (z[j] ?? 0), n + 1]
    return sum / n
  })
}

/** High cells by the summit they lie around: from the highest down, summits with a shallow dip between them are one. */
function parted(
  { grid }: Survey,
  isHigh: Uint8Array,
  smooth: Float32Array,
): { readonly crowns: Int32Array; readonly count: number } {
  const order = [...isHigh.keys()]
    .filter((k) => isHigh[k])
    .sort((a, b) => (smooth[b] ?? 0) - (smooth[a] ?? 0))
  const of = new Int32Array(isHigh.length).fill(none)
  const parent: number[] = []
  const peaks: number[] = []
  const rootOf = (i: number): number => {
    let root = i
    while (parent[root] !== root) root = parent[root] ?? root
    parent[i] = root
    return root
  }
  for (const k of order) {
    const height = smooth[k] ?? 0
    const summits = [
      ...new Set(around(grid, k, true).flatMap((j) => ((of[j] ?? none) >= 0 ? [rootOf(of[j] ?? 0)] : []))),
    ].sort((a, b) => (peaks[b] ?? 0) - (peaks[a] ?? 0))
    const [highest] = summits
    if (highest === undefined) {
      of[k] = parent.push(parent.length) - 1
      peaks.push(height)
      continue
    }
    of[k] = highest
    for (const other of summits.slice(1)) if ((peaks[other] ?? 0) - height < dipM) parent[other] = highest
  }
  const numbers = new Map<number, number>()
  const crowns = Int32Array.from(of, (crown) => {
    if (crown < 0) return none
    const root = rootOf(crown)
    const known = numbers.get(root) ?? numbers.size
    numbers.set(root, known)
    return known
  })
  return { crowns, count: numbers.size }
}

/** Whether the surface bends down on all sides nearly everywhere: by the sum of both curvatures in the middle of its cells. */
function isRound(
  { grid, sideM }: Survey,
  smooth: Float32Array,
  crowns: Int32Array,
  cells: readonly number[],
): boolean {
  const reach = Math.max(1, Math.round(lookM / sideM))
  const { columns, rows } = grid
  const bends = (step: number) =>
    cells.flatMap((k) => {
      const column = k % columns
      const row = (k - column) / columns
      if (column < step || row < step || column + step >= columns || row + step >= rows) return []
      const sides = [k - step, k + step, k - step * columns, k + step * columns]
      if (sides.some((j) => crowns[j] !== crowns[k])) return []
      const sum = sides.reduce((all, j) => all + (smooth[j] ?? 0), 0)
      return [(sum - 4 * (smooth[k] ?? 0)) / (step * sideM) ** 2]
    })
  const wide = bends(reach)
  const known = wide.length >= 6 ? wide : bends(Math.max(1, reach >> 1))
  return known.length > 0 && medianOf(known) < leastRound
}

/** Share of the sides of a thing's border that have nothing high beyond. */
function openShare(
  { grid }: Survey,
  isHigh: Uint8Array,
  crowns: Int32Array,
  cells: readonly number[],
): number {
  const beyond = cells.flatMap((k) => around(grid, k).filter((j) => crowns[j] !== crowns[k]))
  return beyond.filter((j) => !isHigh[j]).length / Math.max(1, beyond.length)
}

/** Whether slopes look the ways of a roof: its planes stand square to each other, or it is level. */
function isSquare(
  { grid, sideM }: Survey,
  smooth: Float32Array,
  crowns: Int32Array,
  cells: readonly number[],
  share: number,
): boolean {
  const reach = Math.max(1, Math.round(lookM / 2 / sideM))
  const { columns, rows } = grid
  let [cosine, sine, weight, level, count] = [0, 0, 0, 0, 0]
  for (const k of cells) {
    const column = k % columns
    const row = (k - column) / columns
    if (column < reach || row < reach || column + reach >= columns || row + reach >= rows) continue
    const [west, east, north, south] = [k - reach, k + reach, k - reach * columns, k + reach * columns]
    if ([west, east, north, south].some((j) => crowns[j] !== crowns[k])) continue
    const [dx, dy] = [(smooth[east] ?? 0) - (smooth[west] ?? 0), (smooth[north] ?? 0) - (smooth[south] ?? 0)]
    const steep = Math.hypot(dx, dy)
    count++
    if (steep < levelSlope * 2 * reach * sideM) level++
    const angle = 4 * Math.atan2(dy, dx)
    cosine += steep * Math.cos(angle)
    sine += steep * Math.sin(angle)
    weight += steep
  }
  if (count < 6) return false
  return level > count / 2 || Math.hypot(cosine, sine) > share * weight
}
