import { Group } from 'three'
import { hatchOf } from '@/core/geometry/hatch'
import { type Vec2, type Vec3 } from '@/core/geometry/vector'
import { type Margins } from '@/core/kinds/standing'
import { planeParts } from '@/core/layout/kept-free'
import { fromFrame } from '@/core/layout/plane-frame'
import { InkBatch } from './ink'
import { type Paints } from './paints'
import { type Palette } from './palette'
import { hatchPen, marginPen } from './pens'
import { disposeShapes } from './shapes'

/** How far off the roof it is drawn, and how far apart its lines, m. */
const liftM = 0.03
const apartM = 0.2

type Line = readonly [Vec3, Vec3]
interface Drawn {
  readonly hatching: readonly Line[]
  readonly borders: readonly Line[]
}

/** Lines over what a plane keeps free of modules, and around what it leaves to them. */
function linesOf(margins: Margins): Drawn {
  const { frame, free, usable } = planeParts(margins)
  const at = (p: Vec2) => fromFrame(frame, p, liftM)
  return {
    hatching: hatchOf(free, apartM).map(([a, b]) => [at(a), at(b)]),
    borders: usable.flatMap((ring) =>
      ring.map((a, i): Line => [at(a), at(ring[(i + 1) % ring.length] ?? a)]),
    ),
  }
}

/** Hatched setbacks of the arrays that are shown; drawn anew only where one of them has changed. */
export class MarginShapes {
  readonly group = new Group()
  readonly #paints: Paints
  readonly #known = new WeakMap<Margins, Drawn>()
  #shown: readonly Margins[] = []
  #palette: Palette | null = null

  constructor(paints: Paints) {
    this.#paints = paints
  }

  show(margins: readonly Margins[], palette: Palette): void {
    const same =
      palette === this.#palette &&
      margins.length === this.#shown.length &&
      margins.every((one, i) => one === this.#shown[i])
    if (same) return
    disposeShapes(this.group)
    this.group.clear()
    const ink = new InkBatch()
    for (const one of margins) {
      const { hatching, borders } = this.#linesOf(one)
      for (const [a, b] of hatching) ink.line(a, b, hatchPen(palette))
      for (const [a, b] of borders) ink.line(a, b, marginPen(palette))
    }
    if (ink.count > 0) this.group.add(ink.mesh(this.#paints.ink()))
    this.#shown = margins
    this.#palette = palette
  }

  #linesOf(margins: Margins): Drawn {
    const known = this.#known.get(margins)
    if (known) return known
    const drawn = linesOf(margins)
    this.#known.set(margins, drawn)
    return drawn
  }
}
