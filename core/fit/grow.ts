import { heightOn, Sums, type Flat } from './flat'
import { around, medianOf, type Survey } from './survey'

/** A stretch of cells that lie in one plane. */
export interface Region {
  readonly flat: Flat
  readonly sums: Sums
}

/** Cells by the region they belong to, and what the measuring scatters. */
export interface Grown {
  readonly regions: Region[]
  /** One a cell of the grid: the number of its region, -1 for none. */
  readonly labels: Int32Array
  /** Standard deviation of a height about its plane, m. */
  readonly scatterM: number
}

export const none = -1
/** A plane is looked for around each cell within about this, m. */
const reachM = 0.55
/** The least scatter that is reckoned with, m: a raster without noise still has rounded figures. */
const leastScatterM = 0.02
/** A region smaller than this is no plane of a roof, m2. */
export const leastRegionM2 = 1.2

interface Local {
  readonly flat: Flat
  readonly rmsM: number
}

/** The plane around every cell of the house that has enough of them around it. */
function localPlanes({ grid, sideM, x, y, z, inside }: Survey): (Local | null)[] {
  const reach = Math.max(1, Math.round(reachM / sideM))
  const least = Math.ceil(0.6 * (2 * reach + 1) ** 2)
  const { columns, rows } = grid
  return Array.from(inside, (isIn, k) => {
    if (!isIn) return null
    const column = k % columns
    const row = (k - column) / columns
    const sums = new Sums()
    const [x0, y0] = [x[k] ?? 0, y[k] ?? 0]
    for (let r = Math.max(0, row - reach); r <= Math.min(rows - 1, row + reach); r++)
      for (let c = Math.max(0, column - reach); c <= Math.min(columns - 1, column + reach); c++) {
        const j = r * columns + c
        if (inside[j]) sums.add((x[j] ?? 0) - x0, (y[j] ?? 0) - y0, z[j] ?? 0)
      }
    if (sums.n < least) return null
    const flat = sums.flat()
    if (!flat) return null
    const rmsM = Math.sqrt(sums.squares(flat) / (sums.n - 3))
    return { flat: { ...flat, c: flat.c - flat.a * x0 - flat.b * y0 }, rmsM }
  })
}

/**
 * Regions of cells that lie in one plane: grown from where the cells around lie best in one, as long as they stay near
 * it and slope as it does (Rottensteiner & Briese 2002 grow theirs so).
 */
export function grownRegions(survey: Survey): Grown {
  const { x, y, z, inside, sideM } = survey
  const local = localPlanes(survey)
  const known = local.flatMap((one) => (one ? [one.rmsM] : []))
  const scatterM = Math.max(leastScatterM, medianOf(known))
  const reach = Math.max(1, Math.round(reachM / sideM))
  // How far the slope around a cell is off by chance: scatter over the root of the sum of squared distances.
  const side = 2 * reach + 1
  const lever = Math.sqrt((side * side * (side * side - 1)) / 12) * sideM
  const slopeOff = Math.max(0.06, (4 * scatterM) / lever)
  const labels = new Int32Array(inside.length).fill(none)
  const regions: Region[] = []
  const seeds = local
    .flatMap((one, k) => (one && one.rmsM < 2 * scatterM ? [{ k, rmsM: one.rmsM }] : []))
    .sort((a, b) => a.rmsM - b.rmsM)
  const slopesAs = (flat: Flat, k: number) => {
    const own = local[k]
    return own ? Math.hypot(own.flat.a - flat.a, own.flat.b - flat.b) < slopeOff : false
  }
  for (const { k: seed } of seeds) {
    const start = local[seed]
    if (!start || labels[seed] !== none) continue
    const number = regions.length
    let flat = start.flat
    let refitAt = 12
    const sums = new Sums()
    const members = [seed]
    labels[seed] = number
    for (const k of members) {
      sums.add(x[k] ?? 0, y[k] ?? 0, z[k] ?? 0)
      if (sums.n >= refitAt) {
        flat = sums.flat() ?? flat
        refitAt = sums.n * 1.25
      }
      for (const next of around(survey.grid, k)) {
        if (!inside[next] || (labels[next] ?? 0) >= 0) continue
        const off = (z[next] ?? 0) - heightOn(flat, x[next] ?? 0, y[next] ?? 0)
        if (Math.abs(off) > 3 * scatterM || !slopesAs(flat, next)) continue
        labels[next] = number
        members.push(next)
      }
    }
    // Cells where the slope turns are missing along its borders: a strip of about the reach.
    if (members.length * sideM * sideM < leastRegionM2 / 2) {
      for (const k of members) labels[k] = -2
      continue
    }
    regions.push({ flat: sums.flat() ?? flat, sums })
  }
  for (let k = 0; k < labels.length; k++) if (labels[k] === -2) labels[k] = none
  return { regions, labels, scatterM }
}
