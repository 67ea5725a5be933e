import { Group } from 'three'
import { type Vec3 } from '@/core/geometry/vector'
import { type Margins } from '@/core/kinds/standing'
import { InkBatch } from './ink'
import { type Paints } from './paints'
import { type Palette } from './palette'
import { hatchPen, marginPen } from './pens'
import { disposeShapes } from './shapes'

type Line = readonly [Vec3, Vec3]

/** Lines over what a plane keeps free of modules, and around what it leaves to them. */
export interface DrawnMargins {
  readonly hatching: readonly Line[]
  readonly borders: readonly Line[]
}
export type DrawMargins = (margins: Margins) => DrawnMargins

/** Hatched setbacks of the arrays that are shown; drawn anew only where one of them has changed. */
export class MarginShapes {
  readonly group = new Group()
  readonly #paints: Paints
  readonly #known = new WeakMap<Margins, DrawnMargins>()
  #shown: readonly Margins[] = []
  #palette: Palette | null = null

  constructor(paints: Paints) {
    this.#paints = paints
  }

  show(margins: readonly Margins[], draw: DrawMargins | undefined, palette: Palette): void {
    const same =
      palette === this.#palette &&
      margins.length === this.#shown.length &&
      margins.every((one, i) => one === this.#shown[i])
    if (same) return
    disposeShapes(this.group)
    this.group.clear()
    const ink = new InkBatch()
    for (const one of margins) {
      if (!draw) break
      const { hatching, borders } = this.#linesOf(one, draw)
      for (const [a, b] of hatching) ink.line(a, b, hatchPen(palette))
      for (const [a, b] of borders) ink.line(a, b, marginPen(palette))
    }
    if (ink.count > 0) this.group.add(ink.mesh(this.#paints.ink()))
    this.#shown = margins
    this.#palette = palette
  }

  #linesOf(margins: Margins, draw: DrawMargins): DrawnMargins {
    const drawn = this.#known.get(margins) ?? draw(margins)
    this.#known.set(margins, drawn)
    return drawn
  }
}
