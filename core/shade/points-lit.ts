import { type CastShade } from './cast'
import { type Marks } from './marks'
import { bitsIn, type SampleGrid } from './sample-grid'

/** Which share of the light passes a crown: of the sun's in a month, 0 to 11, or of the sky's through the year. */
export type Passing = number
export const ofTheSky: Passing = 12

/** The shadows of one caster. */
interface Shadows {
  readonly masks: Int32Array
  readonly layers: number
  /** Share that passes each layer, by `Passing`. */
  readonly passes: Float64Array
}

const shares = 13

/** Of the sky a crown lets through what it does in the mean of its months. */
function passesOf(layers: CastShade['layers']): Float64Array {
  const passes = new Float64Array(layers.length * shares)
  layers.forEach((months, layer) => {
    if (!months) return
    passes.set(months, layer * shares)
    passes[layer * shares + ofTheSky] = months.reduce((sum, share) => sum + share, 0) / months.length
  })
  return passes
}

/**
 * Puts the shadows of all casters on one receiver together, direction by direction. Shadows of different casters let
 * through the product of what each does; layers of one caster the least of theirs.
 */
export class PointsLit {
  /** Lit share over the receiver, and at the worst point of each group, at the direction sought last. */
  mean = 1
  readonly worst: Float64Array
  /** Blocked share by caster; shared evenly where several block a point, by how much each would alone. */
  readonly taken: Float64Array
  /** Which casters take some, the first `actives` of them. */
  readonly active: Int32Array
  actives = 0
  private readonly shadows: readonly Shadows[]
  private readonly alone: Float64Array
  /** For each direction where its marks begin: casters, and rows of their masks. */
  private readonly starts: Int32Array
  private readonly casters: Int32Array
  private readonly rows: Int32Array
  /** Rows of the active ones. */
  private readonly row: Int32Array

  /** @param directions how many there are */
  constructor(
    private readonly grid: SampleGrid,
    casts: readonly { readonly layers: CastShade['layers']; readonly marks: Marks }[],
    directions: number,
  ) {
    this.worst = new Float64Array(grid.groups)
    this.taken = new Float64Array(casts.length)
    this.alone = new Float64Array(casts.length)
    this.active = new Int32Array(casts.length)
    this.row = new Int32Array(casts.length)
    this.shadows = casts.map(({ layers, marks: { masks } }) => ({
      masks,
      layers: layers.length,
      passes: passesOf(layers),
    }))
    const starts = new Int32Array(directions + 1)
    for (const { marks } of casts)
      for (let i = 0; i < marks.at.length; i++) {
        const next = (marks.at[i] as number) + 1
        starts[next] = (starts[next] as number) + 1
      }
    for (let k = 0; k < directions; k++) starts[k + 1] = (starts[k + 1] as number) + (starts[k] as number)
    const filled = starts.slice()
    this.starts = starts
    this.casters = new Int32Array(starts[directions] as number)
    this.rows = new Int32Array(starts[directions] as number)
    casts.forEach(({ marks }, c) => {
      for (let i = 0; i < marks.at.length; i++) {
        const direction = marks.at[i] as number
        const at = filled[direction] as number
        filled[direction] = at + 1
        this.casters[at] = c
        this.rows[at] = i
      }
    })
  }

  /** Whether any shadow falls on it from a direction. */
  isMarked(direction: number): boolean {
    return (this.starts[direction + 1] as number) > (this.starts[direction] as number)
  }

  private turnTo(direction: number): boolean {
    for (let i = 0; i < this.actives; i++) this.taken[this.active[i] as number] = 0
    const first = this.starts[direction] as number
    this.actives = (this.starts[direction + 1] as number) - first
    if (this.actives === 0) return false
    for (let i = 0; i < this.actives; i++) {
      this.active[i] = this.casters[first + i] as number
      this.row[i] = this.rows[first + i] as number
    }
    return true
  }

  /** Whether anything is blocked in a direction. */
  seek(direction: number, passing: Passing): boolean {
    if (!this.turnTo(direction)) return false
    for (let g = 0; g < this.worst.length; g++) this.worst[g] = 1
    let lost = 0
    for (let q = 0; q < this.grid.words; q++) lost += this.lostIn(q, passing, 0, null)
    const { points } = this.grid
    this.mean = 1 - lost / points
    for (let i = 0; i < this.actives; i++) {
      const c = this.active[i] as number
      this.taken[c] = (this.taken[c] as number) / points
    }
    return true
  }

  /** Whether anything is blocked in a direction; adds what each point loses of `light` to `lost`, row after row. */
  seekPoints(direction: number, passing: Passing, light: number, lost: Float64Array): boolean {
    if (!this.turnTo(direction)) return false
    for (let q = 0; q < this.grid.words; q++) this.lostIn(q, passing, light, lost)
    return true
  }

  /** Points that the same shadows cover are reckoned once. What is lost of a word's points, in points. */
  private lostIn(q: number, passing: Passing, light: number, byPoint: Float64Array | null): number {
    const { words, groups, groupMasks } = this.grid
    const { active, actives, alone, taken, worst } = this
    let lost = 0
    let left = this.coveredIn(q)
    while (left !== 0) {
      const bit = left & -left
      let alike = left
      let rest = 1
      let all = 0
      for (let i = 0; i < actives; i++) {
        const c = active[i] as number
        const { masks, layers, passes } = this.shadows[c] as Shadows
        const at = (this.row[i] as number) * layers
        let least = 1
        for (let layer = 0; layer < layers; layer++) {
          const bits = masks[(at + layer) * words + q] as number
          if ((bits & bit) === 0) alike &= ~bits
          else {
            alike &= bits
            const pass = passes[layer * shares + passing] as number
            if (pass < least) least = pass
          }
        }
        alone[c] = 1 - least
        all += 1 - least
        rest *= least
      }
      left &= ~alike
      if (all === 0) continue
      if (byPoint) this.addTo(byPoint, q, alike, light * (1 - rest))
      const gone = bitsIn(alike) * (1 - rest)
      lost += gone
      for (let i = 0; i < actives; i++) {
        const c = active[i] as number
        taken[c] = (taken[c] as number) + (gone * (alone[c] as number)) / all
      }
      for (let g = 0; g < groups; g++)
        if (rest < (worst[g] as number) && ((groupMasks[g * words + q] as number) & alike) !== 0)
          worst[g] = rest
    }
    return lost
  }

  private addTo(byPoint: Float64Array, q: number, points: number, light: number): void {
    const first = q * this.grid.rowsPerWord * this.grid.columns
    for (let left = points; left !== 0; left &= left - 1) {
      const at = first + 31 - Math.clz32(left & -left)
      byPoint[at] = (byPoint[at] as number) + light
    }
  }

  private coveredIn(q: number): number {
    const { words } = this.grid
    let covered = 0
    for (let i = 0; i < this.actives; i++) {
      const { masks, layers } = this.shadows[this.active[i] as number] as Shadows
      const at = (this.row[i] as number) * layers
      for (let layer = 0; layer < layers; layer++) covered |= masks[(at + layer) * words + q] as number
    }
    return covered
  }
}
