import { type CrownBody } from '../geometry/body'
import { type Caster, type CellGroups, type Receiver } from './engine'
import { CrownBefore } from './crown-before'
import { inSight } from './in-sight'
import { MarkStream, noMarks, type Marks } from './marks'
import { outlookOn, type Outlook } from './outlook'
import { receivingPlanes, type ReceivingPlane } from './receiving-plane'
import { sampleGrid, type SampleGrid } from './sample-grid'
import { type Rows, type Shadow } from './shadow'
import { grazing } from './sky-patches'
import { SolidBefore } from './solid-before'

/** What one caster does to one receiver. */
export interface CastShade {
  /** By layer: null stops the light, others let a share through by month. */
  readonly layers: readonly (readonly number[] | null)[]
  /** By directions of the sun, as they were given. */
  readonly sun: Marks
  /** By patches of the sky. */
  readonly sky: Marks
}

/** The same with the caster's name. */
export interface NamedCast {
  readonly caster: string
  readonly cast: CastShade
}

/** Memory it takes. */
export const castBytes = ({ sun, sky }: CastShade): number =>
  200 + sun.at.byteLength + sun.masks.byteLength + sky.at.byteLength + sky.masks.byteLength

/**
 * The shadows that one caster throws on receivers, by projecting its bodies along the light onto each plane that
 * receivers lie in. Exact for the points it samples.
 * @param sun towards the sun, unit vectors, three numbers each
 * @param sky the same for the sky
 * @returns what it does to each receiver; null where it never stands before it
 */
export function castOn(
  receivers: readonly Receiver[],
  groups: CellGroups,
  caster: Caster,
  sun: Float64Array,
  sky: Float64Array,
): (CastShade | null)[] {
  const grid = sampleGrid(groups)
  const found: (CastShade | null)[] = receivers.map(() => null)
  const layers = layersOf(caster)
  for (const plane of receivingPlanes(receivers)) {
    const before = caster.flatMap((body): Drawn[] => {
      const shadow = body.kind === 'solid' ? SolidBefore.of(body, plane) : CrownBefore.of(body, plane)
      const layer = body.kind === 'solid' ? 0 : layerOf(layers, body)
      return shadow ? [{ shadow, layer, outlook: outlookOn(body, plane.center, plane.radiusM) }] : []
    })
    if (before.length === 0) continue
    const canvas = new Canvas(receivers.length, layers.length, grid)
    const bySun = canvas.marksOf(plane, before, sun)
    const bySky = canvas.marksOf(plane, before, sky)
    for (let i = 0; i < Math.max(bySun.length, bySky.length); i++) {
      const [ofSun, ofSky] = [bySun[i], bySky[i]]
      if (ofSun || ofSky) found[i] = { layers, sun: ofSun ?? noMarks, sky: ofSky ?? noMarks }
    }
  }
  return found
}

/** Crowns that let the same through are one layer. */
function layersOf(caster: Caster): (readonly number[] | null)[] {
  const layers: (readonly number[] | null)[] = []
  if (caster.some(({ kind }) => kind === 'solid')) layers.push(null)
  for (const body of caster)
    if (body.kind === 'crown' && layerOf(layers, body) < 0) layers.push(body.transmissivity)
  return layers
}

const layerOf = (layers: readonly (readonly number[] | null)[], { transmissivity }: CrownBody) =>
  layers.findIndex((layer) => layer?.every((share, month) => share === transmissivity[month]))

/** One body's shadow and the layer that it belongs to. */
interface Drawn {
  readonly shadow: Shadow
  readonly layer: number
  /** Where the body stands as seen from the plane's receivers. */
  readonly outlook: Outlook
}

/** Where shadows are drawn as bit masks, direction after direction. */
class Canvas {
  private readonly masks: Int32Array
  private readonly isTouched: Uint8Array
  /** Receivers that the direction's shadows fall on, the first `touches` of them. */
  private readonly touched: Int32Array
  private touches = 0
  /** Words of one receiver. */
  private readonly size: number
  /** Rows of a line of receivers, and the span of each. */
  private readonly band: Rows = { start: 0, step: 0, first: 0, last: 0 }
  private readonly rowFrom: Float64Array
  private readonly rowTo: Float64Array
  /** Which word each row is in, and by how much it is shifted there. */
  private readonly rowWord: Int32Array
  private readonly rowShift: Int32Array
  /** All points of a receiver. */
  private readonly whole: Int32Array

  constructor(
    private readonly receivers: number,
    layers: number,
    private readonly grid: SampleGrid,
  ) {
    this.size = layers * grid.words
    this.masks = new Int32Array(receivers * this.size)
    this.isTouched = new Uint8Array(receivers)
    this.touched = new Int32Array(receivers)
    this.rowFrom = new Float64Array(grid.rows)
    this.rowTo = new Float64Array(grid.rows)
    const rows = Array.from({ length: grid.rows }, (_, row) => row)
    this.rowWord = Int32Array.from(rows, (row) => Math.floor(row / grid.rowsPerWord))
    this.whole = new Int32Array(grid.words)
    grid.groupMasks.forEach((mask, i) => {
      this.whole[i % grid.words] = (this.whole[i % grid.words] as number) | mask
    })
    this.rowShift = Int32Array.from(rows, (row) => (row % grid.rowsPerWord) * grid.columns)
  }

  /** Draws all bodies for each direction in turn. */
  marksOf(
    plane: ReceivingPlane,
    before: readonly Drawn[],
    directions: Float64Array,
  ): readonly (Marks | null)[] {
    const { extent, normal, toX, toY } = plane
    const stream = new MarkStream(this.receivers, this.size)
    const { starts, which } = inSight(
      before.map(({ outlook }) => outlook),
      directions,
    )
    for (let k = 0; k < directions.length; k += 3) {
      const first = starts[k / 3] as number
      const end = starts[k / 3 + 1] as number
      if (first === end) continue
      const dx = directions[k] as number
      const dy = directions[k + 1] as number
      const dz = directions[k + 2] as number
      const cosine = normal[0] * dx + normal[1] * dy + normal[2] * dz
      if (cosine < grazing) continue
      // How far a shadow moves for each metre before the plane.
      const kx = (toX[0] * dx + toX[1] * dy + toX[2] * dz) / cosine
      const ky = (toY[0] * dx + toY[1] * dy + toY[2] * dz) / cosine
      for (let i = first; i < end; i++) {
        const { shadow, layer } = before[which[i] as number] as Drawn
        if (shadow.turnTo(dx, dy, dz, kx, ky, extent)) this.draw(plane, shadow, layer)
      }
      for (let t = 0; t < this.touches; t++) {
        const i = this.touched[t] as number
        stream.take(i, k / 3, this.masks, i * this.size)
        for (let w = i * this.size; w < (i + 1) * this.size; w++) this.masks[w] = 0
        this.isTouched[i] = 0
      }
      this.touches = 0
    }
    return stream.byReceiver()
  }

  private draw({ lines }: ReceivingPlane, shadow: Shadow, layer: number): void {
    const { extent } = shadow
    const x0 = extent[0]
    const x1 = extent[1]
    const y0 = extent[2]
    const y1 = extent[3]
    const { rows, columns } = this.grid
    const { rowFrom, rowTo, band } = this
    for (const { from, lengthM, widthM, starts, which } of lines) {
      if (from > y1 || from + lengthM < y0) continue
      if ((starts[0] as number) > x1 || (starts[starts.length - 1] as number) + widthM < x0) continue
      const stepY = lengthM / rows
      const first = Math.max(0, Math.ceil((y0 - from) / stepY - 0.5))
      const last = Math.min(rows - 1, Math.floor((y1 - from) / stepY - 0.5))
      if (first > last) continue
      // The columns' middles that the shadow's rows begin after and end before, counted from x = 0.
      const perM = columns / widthM
      let begins = Infinity
      let ends = -Infinity
      // Between these every row is in shadow.
      let allBegun = first === 0 && last === rows - 1 ? -Infinity : Infinity
      let noneEnded = Infinity
      band.start = from + 0.5 * stepY
      band.step = stepY
      band.first = first
      band.last = last
      shadow.spans(band, rowFrom, rowTo)
      for (let row = first; row <= last; row++) {
        const begin = (rowFrom[row] as number) * perM - 0.5
        const end = (rowTo[row] as number) * perM - 0.5
        rowFrom[row] = begin
        rowTo[row] = end
        if (begin > allBegun) allBegun = begin
        if (end < noneEnded) noneEnded = end
        if (begin > end) continue
        if (begin < begins) begins = begin
        if (end > ends) ends = end
      }
      for (let k = firstNotLess(starts, (begins + 0.5) / perM - widthM); k < starts.length; k++) {
        const start = (starts[k] as number) * perM
        if (start > ends) break
        if (allBegun <= start && noneEnded >= start + columns - 1) this.fill(which[k] as number, layer)
        else this.drawOn(which[k] as number, layer, start, first, last)
      }
    }
  }

  private fill(receiver: number, layer: number): void {
    const { masks, whole } = this
    const at = receiver * this.size + layer * whole.length
    for (let q = 0; q < whole.length; q++) masks[at + q] = whole[q] as number
    this.touch(receiver)
  }

  private touch(receiver: number): void {
    if (this.isTouched[receiver] === 1) return
    this.isTouched[receiver] = 1
    this.touched[this.touches++] = receiver
  }

  /** @param start where the receiver begins, in columns */
  private drawOn(receiver: number, layer: number, start: number, first: number, last: number): void {
    const { rowFrom, rowTo, rowWord, rowShift, masks } = this
    const { columns, words } = this.grid
    const at = receiver * this.size + layer * words
    let any = 0
    for (let row = first; row <= last; row++) {
      const begin = Math.max(0, Math.ceil((rowFrom[row] as number) - start))
      const end = Math.min(columns - 1, Math.floor((rowTo[row] as number) - start))
      if (begin > end) continue
      const word = at + (rowWord[row] as number)
      const bits = ((1 << (end - begin + 1)) - 1) << ((rowShift[row] as number) + begin)
      masks[word] = (masks[word] as number) | bits
      any |= bits
    }
    if (any !== 0) this.touch(receiver)
  }
}

/** The first of ascending values that is not less. */
function firstNotLess(values: Float64Array, least: number): number {
  let low = 0
  let high = values.length
  while (low < high) {
    const middle = (low + high) >> 1
    if ((values[middle] as number) < least) low = middle + 1
    else high = middle
  }
  return low
}
