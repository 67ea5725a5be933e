import { columnsUnder } from '../geometry/body'
import { type Vec2, type Vec3 } from '../geometry/vector'
import { emptyGeometry, type Geometry, type Stroke, type Surface } from './standing'

/** The foot goes this far below what is under the middle of the base, so that no light passes under it. */
const footM = 1

/** What stands upright with a level top: where, how high over what is under it, and how much free strip it keeps. */
export interface Upright {
  /** Counter-clockwise, convex. */
  readonly base: readonly Vec2[]
  readonly heightM: number
  readonly clearanceM: number
  /** Height of the roof or the ground under the middle of the base. */
  readonly underM: number
  /** Whether its sides are one round face, of which no edge is drawn. */
  readonly round: boolean
  /** The height it was put up with. */
  readonly usualM: number
}

/** An upright prism on a roof or on the ground. */
export function uprightGeometry({ base, heightM, clearanceM, underM, round, usualM }: Upright): Geometry {
  const bottomM = Math.max(0, underM - footM)
  const topM = underM + heightM
  const lid = base.map((p): Vec3 => [p[0], p[1], topM])
  const surfaces: Surface[] = [{ corners: lid, tone: 'obstruction' }]
  const strokes: Stroke[] = []
  lid.forEach((a, i) => {
    const b = lid[(i + 1) % lid.length] ?? a
    const [footA, footB]: [Vec3, Vec3] = [
      [a[0], a[1], bottomM],
      [b[0], b[1], bottomM],
    ]
    surfaces.push({ corners: [footA, footB, b, a], tone: 'obstruction' })
    strokes.push({ from: a, to: b, is: 'edge' })
    if (!round) strokes.push({ from: footA, to: a, is: 'edge' })
  })
  return {
    ...emptyGeometry,
    solids: columnsUnder(lid, bottomM),
    keepOuts: [{ base, clearanceM, topM: null }],
    surfaces,
    strokes,
    plan: [{ points: base, tone: 'obstruction' }],
    topM,
    presetM: heightM === usualM ? usualM : null,
  }
}
