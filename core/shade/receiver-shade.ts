import { newell, unit3 } from '../geometry/vector'
import { type SunHours } from '../sun/sun-hours'
import { type NamedCast } from './cast'
import {
  farHorizonId,
  type CellGroups,
  type Horizon,
  type Receiver,
  type ReceiverShade,
  type Taken,
} from './engine'
import { exactBeam, type View } from './beam-shade'
import { ofTheSky, PointsLit } from './points-lit'
import { sampleGrid } from './sample-grid'
import { grazing, patches } from './sky-patches'

/**
 * Puts the shadows on one receiver together to a year of shade, exact at the middle of each interval.
 * @param casts as `castOn` gives them for `sun.direction` and `patches.direction`
 * @param horizon nothing is hidden by one that is not given; what it hides stands last among what is taken
 * @param chargedTo whom that is charged to
 */
export function exactShade(
  receiver: Receiver,
  groups: CellGroups,
  casts: readonly NamedCast[],
  sun: SunHours,
  horizon?: Horizon,
  chargedTo = farHorizonId,
): ReceiverShade {
  const view: View = { grid: sampleGrid(groups), casts, normal: unit3(newell(receiver)), horizon }
  const beam = exactBeam(view, sun)
  const sky = skyOf(view)
  return {
    groups: view.grid.groups,
    shaded: beam.shaded,
    litWorst: beam.litWorst,
    litMean: beam.litMean,
    domeSeen: sky.domeSeen,
    horizonSeen: sky.horizonSeen,
    takenBy: [
      ...casts.map(({ caster }, c): Taken => ({
        caster,
        at: beam.taken[c]?.at ?? new Int32Array(0),
        share: beam.taken[c]?.share ?? new Float32Array(0),
        dome: sky.dome[c] ?? 0,
        horizon: sky.horizon[c] ?? 0,
      })),
      ...(horizon
        ? [
            {
              caster: chargedTo,
              at: beam.hidden,
              share: new Float32Array(beam.hidden.length).fill(1),
              dome: sky.hidden,
              horizon: sky.hiddenBand,
            },
          ]
        : []),
    ],
  }
}

function skyOf({ grid, casts, normal, horizon }: View) {
  const points = new PointsLit(
    grid,
    casts.map(({ cast }) => ({ layers: cast.layers, marks: cast.sky })),
    patches.solidAngle.length,
  )
  const dome = new Float64Array(casts.length)
  const band = new Float64Array(casts.length)
  const sums = { seen: 0, all: 0, hidden: 0, bandSeen: 0, bandAll: 0, bandHidden: 0 }
  for (let k = 0; k < patches.solidAngle.length; k++) {
    const dx = patches.direction[k * 3] as number
    const dy = patches.direction[k * 3 + 1] as number
    const dz = patches.direction[k * 3 + 2] as number
    const cosine = normal[0] * dx + normal[1] * dy + normal[2] * dz
    if (cosine < grazing) continue
    const weight = cosine * (patches.solidAngle[k] as number)
    const isBand = patches.ring[k] === 0
    const isHidden = horizon?.(dx, dy, dz) ?? false
    const isShaded = !isHidden && points.seek(k, ofTheSky)
    const seen = isHidden ? 0 : weight * (isShaded ? points.mean : 1)
    sums.all += weight
    sums.seen += seen
    if (isHidden) sums.hidden += weight
    if (isBand) {
      sums.bandAll += weight
      sums.bandSeen += seen
      if (isHidden) sums.bandHidden += weight
    }
    if (!isShaded) continue
    for (let i = 0; i < points.actives; i++) {
      const c = points.active[i] as number
      const share = weight * (points.taken[c] as number)
      dome[c] = (dome[c] as number) + share
      if (isBand) band[c] = (band[c] as number) + share
    }
  }
  const share = (part: number, whole: number, without: number) => (whole > 0 ? part / whole : without)
  return {
    domeSeen: share(sums.seen, sums.all, 1),
    horizonSeen: share(sums.bandSeen, sums.bandAll, 1),
    dome: dome.map((sum) => share(sum, sums.all, 0)),
    horizon: band.map((sum) => share(sum, sums.bandAll, 0)),
    hidden: share(sums.hidden, sums.all, 0),
    hiddenBand: share(sums.bandHidden, sums.bandAll, 0),
  }
}
