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
/** Grown from, and found too small. */
const tried = -2
/** A plane is looked for around each cell within about this, m; then among what is left as near as cells allow. */
const reachM = 0.55
/** What grows among what is left is the roof of a dormer from these on: as large, m2, or half as large and so steep. */
const [dormerM2, dormerSlope] = [1.4, 0.3]
/** And as far from every plane that was found before, m. */
const standsOffM = 0.3
/** And with at least this share of its cells inside it: a parapet is all border. */
const leastInner = 0.3
/** The least scatter that is reckoned with, m: a raster without noise still has rounded figures. */
const leastScatterM = 0.02
/** A region smaller than this is no plane of a roof, m2. */
export const leastRegionM2 = 1.2

interface Local {
  readonly flat: Flat
  readonly rmsM: number
}

/** The plane around every cell that counts and has enough such cells around it. */
function localPlanes(
  { grid, x, y, z }: Survey,
  reach: number,
  counts: (k: number) => boolean,
): (Local | null)[] {
  const least = Math.ceil(0.6 * (2 * reach + 1) ** 2)
  const { columns, rows } = grid
  return Array.from(z, (_, k) => {
    if (!counts(k)) return null
    const column = k % columns
    const row = (k - column) / columns
    const sums = new Sums()
    const [x0, y0] = [x[k] ?? 0, y[k] ?? 0]
    for (let r = Math.max(0, row - reach); r <= Math.min(rows - 1, row + reach); r++)
      for (let c = Math.max(0, column - reach); c <= Math.min(columns - 1, column + reach); c++) {
        const j = r * columns + c
        if (counts(j)) sums.add((x[j] ?? 0) - x0, (y[j] ?? 0) - y0, z[j] ?? 0)
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
 * it and slope as it does (Rottensteiner & Briese 2002 grow theirs so). Then once more among what is left, looking
 * less far around: the roof of a dormer is hardly wider than that.
 */
export function grownRegions(survey: Survey): Grown {
  const { inside, sideM } = survey
  const reach = Math.max(1, Math.round(reachM / sideM))
  const labels = new Int32Array(inside.length).fill(none)
  const regions: Region[] = []
  const local = localPlanes(survey, reach, (k) => inside[k] === 1)
  const scatterM = Math.max(leastScatterM, medianOf(local.flatMap((one) => (one ? [one.rmsM] : []))))
  const cellM2 = sideM * sideM
  // Cells where the slope turns are missing along its borders: a strip of about the reach.
  grow(
    survey,
    local,
    reach,
    scatterM,
    { regions, labels },
    ({ n }, _, innerShare) => n * cellM2 >= leastRegionM2 / 2 && innerShare >= leastInner / 2,
  )
  const open = Uint8Array.from(labels, (label, k) => (inside[k] && label === none ? 1 : 0))
  const left = localPlanes(survey, 1, (k) => open[k] === 1)
  const main = [...regions]
  grow(survey, left, 1, scatterM, { regions, labels }, (sums, { a, b }, innerShare) => {
    const areaM2 = sums.n * cellM2
    const isLarge = areaM2 >= dormerM2 || (areaM2 >= dormerM2 / 2 && Math.hypot(a, b) > dormerSlope)
    // Strips along a ridge lie near the planes on both sides, and a parapet is narrow.
    return (
      isLarge &&
      innerShare >= leastInner &&
      main.every(({ flat }) => sums.squares(flat) > sums.n * standsOffM ** 2)
    )
  })
  return { regions, labels, scatterM }
}

/** Grows regions from the best seeds on and keeps those that are accepted. */
function grow(
  { grid, sideM, x, y, z }: Survey,
  local: readonly (Local | null)[],
  reach: number,
  scatterM: number,
  { regions, labels }: { readonly regions: Region[]; readonly labels: Int32Array },
  accepts: (sums: Sums, flat: Flat, innerShare: number) => boolean,
): void {
  // How far the slope around a cell is off by chance: scatter over the root of the sum of squared distances.
  const side = 2 * reach + 1
  const lever = Math.sqrt((side * side * (side * side - 1)) / 12) * sideM
  const slopeOff = Math.max(0.06, (4 * scatterM) / lever)
  const slopesAs = (flat: Flat, k: number) => {
    const own = local[k]
    return own ? Math.hypot(own.flat.a - flat.a, own.flat.b - flat.b) < slopeOff : false
  }
  const seeds = local
    .flatMap((one, k) => (one && one.rmsM < 2 * scatterM ? [{ k, rmsM: one.rmsM }] : []))
    .sort((a, b) => a.rmsM - b.rmsM)
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
      for (const next of around(grid, k)) {
        if (!local[next] || (labels[next] ?? 0) >= 0) continue
        const off = (z[next] ?? 0) - heightOn(flat, x[next] ?? 0, y[next] ?? 0)
        if (Math.abs(off) > 3 * scatterM || !slopesAs(flat, next)) continue
        labels[next] = number
        members.push(next)
      }
    }
    const grown = sums.flat() ?? flat
    const inner = members.filter((k) => around(grid, k).every((j) => labels[j] === number))
    if (accepts(sums, grown, inner.length / members.length)) regions.push({ flat: grown, sums })
    else for (const k of members) labels[k] = tried
  }
  for (let k = 0; k < labels.length; k++) if (labels[k] === tried) labels[k] = none
}
