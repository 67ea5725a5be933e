import { type Vec3 } from '../geometry/vector'
import { type SunHours } from '../sun/sun-hours'
import { type NamedCast } from './cast'
import { type Horizon, type Taken } from './engine'
import { PointsLit } from './points-lit'
import { type SampleGrid } from './sample-grid'
import { grazing } from './sky-patches'

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
  readonly taken: readonly Pick<Taken, 'at' | 'share'>[]
  /** Entries in which a far horizon hides the sun that stands before the receiver. */
  readonly hidden: Int32Array
}

/** The beam at the middle of each interval. */
export function exactBeam(view: View, sun: SunHours): BeamShade {
  const { normal, horizon } = view
  const { groups } = view.grid
  const entries = sun.interval.length
  const points = new PointsLit(
    view.grid,
    view.casts.map(({ cast }) => ({ layers: cast.layers, marks: cast.sun })),
    entries,
  )
  const shaded = new Int32Array(entries)
  const litMean = new Float32Array(entries)
  const litWorst = new Float32Array(entries * groups)
  const taken = view.casts.map(() => new TakenSoFar())
  const hidden = new TakenSoFar()
  let count = 0
  for (let entry = 0; entry < entries; entry++) {
    const dx = sun.direction[entry * 3] as number
    const dy = sun.direction[entry * 3 + 1] as number
    const dz = sun.direction[entry * 3 + 2] as number
    const cosine = normal[0] * dx + normal[1] * dy + normal[2] * dz
    if (cosine <= 0) continue
    const isHidden = horizon?.(dx, dy, dz) ?? false
    if (isHidden) hidden.add(entry, 1)
    if (cosine < grazing || isHidden) {
      shaded[count++] = entry
      continue
    }
    if (!points.seek(entry, sun.month[entry] as number)) continue
    shaded[count] = entry
    litMean[count] = points.mean
    for (let g = 0; g < groups; g++) litWorst[count * groups + g] = points.worst[g] as number
    for (let i = 0; i < points.actives; i++) {
      const c = points.active[i] as number
      const share = points.taken[c] as number
      if (share > 0) taken[c]?.add(entry, share)
    }
    count++
  }
  return {
    shaded: shaded.slice(0, count),
    litMean: litMean.slice(0, count),
    litWorst: litWorst.slice(0, count * groups),
    taken: taken.map((one) => one.series()),
    hidden: hidden.series().at,
  }
}

/** What one caster takes, entry after entry. */
class TakenSoFar {
  private readonly at: number[] = []
  private readonly share: number[] = []

  add(entry: number, share: number): void {
    this.at.push(entry)
    this.share.push(share)
  }

  series(): Pick<Taken, 'at' | 'share'> {
    return {
      at: new Int32Array(this.at),
      share: new Float32Array(this.share),
    }
  }
}
