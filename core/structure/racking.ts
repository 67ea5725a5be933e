import { containsPoint } from '../geometry/polygon'
import { type Vec3 } from '../geometry/vector'
import { frameOf, fromFrame, toFrame } from '../layout/plane-frame'
import { type RoofPlane } from '../roof/plane'
import { stockFor } from './feet'
import { type Railed } from './mounting'
import { knPerKg, pressuresOn, type Pressures } from './pressures'
import { linesUnder, railUnder, type Ground, type Rail } from './rail'
import { rowsOf, turned } from './rows'
import { windZones, type WindZone } from './wind'
import { windyEdges, zonesOf } from './zones'

/** Modules of an array on one plane of a building, and what the place does to them. */
export interface OnPlane {
  readonly arrayId: string
  readonly plane: RoofPlane
  /** All planes of the building, its greatest width and its height over the ground, m. */
  readonly faces: readonly RoofPlane[]
  readonly widthM: number
  readonly heightM: number
  readonly modules: readonly { readonly id: string; readonly corners: readonly Vec3[] }[]
  readonly moduleKg: number
  readonly moduleM2: number
  /** Peak velocity pressure there, kN/m². */
  readonly windKpa: number
}

export interface Flush extends OnPlane {
  readonly mounting: Railed
  /** Of the ground, kN/m². */
  readonly snowLoadKpa: number
  readonly rafterSpacingM: number
  /** A foot on every so many rafters or seams; null for as few as hold. */
  readonly every: number | null
}

/** What holds the modules of an array that lies flush on a plane. */
export interface Racking {
  readonly is: 'rails'
  readonly arrayId: string
  readonly mounting: Railed
  /** Of the plane, upwards. */
  readonly normal: Vec3
  readonly rails: readonly Rail[]
  readonly clamps: readonly { readonly at: Vec3; readonly is: 'end' | 'middle' }[]
  /** Rails of the stock length to order. */
  readonly stock: number
  readonly windKpa: number
  /** Design pressures of the zones that feet stand in. */
  readonly pressures: readonly (Pressures & { readonly zone: WindZone })[]
  /** Of all of it with the modules, kg, and spread over the modules, kN/m². */
  readonly weightKg: number
  readonly deadKpa: number
}

/** Where the rows' coordinates are turned to be the plane's, and each zone of it. */
export function zonesOn({ plane, faces, widthM, heightM }: OnPlane) {
  const frame = frameOf(plane)
  const corners = plane.corners.map((corner) => toFrame(frame, corner))
  return { frame, corners, zoneAt: zonesOf({ corners, edges: windyEdges(plane, faces), widthM, heightM }) }
}

/**
 * Rails, feet and clamps under modules, two rails to a row. Rafters and seams run up the slope, the first on the plane's
 * left border as seen from below its eave.
 */
export function rackingOf(array: Flush): Racking {
  const { plane, modules, mounting, every, moduleM2, moduleKg } = array
  const { frame, corners, zoneAt } = zonesOn(array)
  const { turn, runs } = rowsOf(
    modules.map((module) => module.corners.map((corner) => toFrame(frame, corner))),
  )
  const areaM2 = modules.length * moduleM2
  const spread = (kg: number) => (areaM2 === 0 ? 0 : (kg * knPerKg) / areaM2)
  // Rails that go on to a rafter beyond weigh a little more.
  const railedKg = runs.reduce(
    (sum, { fromM, toM }) => sum + 2 * (toM - fromM + 2 * mounting.endM) * mounting.rail.weightKgPerM,
    modules.length * moduleKg,
  )
  const pressures = windZones.map((zone) => ({
    zone,
    ...pressuresOn(zone, plane.pitchDeg, array.windKpa, array.snowLoadKpa, spread(railedKg)),
  }))
  const { on } = mounting.foot
  const apartM = on.is === 'seams' ? on.apartM : array.rafterSpacingM
  const across = corners.map(([u]) => u)
  const [left, right] = [Math.min(...across), Math.max(...across)]
  const ground: Ground = {
    mounting,
    turn,
    rafters: Array.from(
      { length: Math.floor((right - left) / apartM + 1e-9) + 1 },
      (_, k) => left + k * apartM,
    ),
    apartM,
    every,
    isOn: (p) => containsPoint(corners, p),
    zoneAt,
    pressureIn: (zone) => pressures.find((one) => one.zone === zone) ?? { upKpa: 0, downKpa: 0 },
    inSpace: (p) => fromFrame(frame, turned(p, -turn)),
  }
  const rails = runs.flatMap((run) => [railUnder(run, 'lower', ground), railUnder(run, 'upper', ground)])
  const feet = rails.flatMap((rail) => rail.feet)
  const weightKg =
    modules.length * moduleKg +
    rails.reduce((sum, { lengthM }) => sum + lengthM, 0) * mounting.rail.weightKgPerM +
    feet.length * mounting.foot.weightKg
  return {
    is: 'rails',
    arrayId: array.arrayId,
    mounting,
    normal: plane.normal,
    rails,
    clamps: runs.flatMap(({ fromM, toM, gaps, ...run }) =>
      linesUnder({ fromM, toM, gaps, ...run }).flatMap((y) => [
        { at: ground.inSpace([fromM, y]), is: 'end' as const },
        ...gaps.map(([a, b]) => ({ at: ground.inSpace([(a + b) / 2, y]), is: 'middle' as const })),
        { at: ground.inSpace([toM, y]), is: 'end' as const },
      ]),
    ),
    stock: stockFor(
      rails.map(({ lengthM }) => lengthM),
      mounting.rail.lengthM,
    ),
    windKpa: array.windKpa,
    pressures: pressures.filter(({ zone }) => feet.some((foot) => foot.zone === zone)),
    weightKg,
    deadKpa: spread(weightKg),
  }
}

/** The load on the feet of an array that comes nearest to what they hold, kN. */
export function worstFoot({ mounting: { foot }, rails }: Pick<Racking, 'mounting' | 'rails'>): {
  readonly side: 'up' | 'down'
  readonly figure: number
  readonly limit: number
} {
  const feet = rails.flatMap((rail) => rail.feet)
  const up = Math.max(0, ...feet.map(({ upKn }) => upKn))
  const down = Math.max(0, ...feet.map(({ downKn }) => downKn))
  return up / foot.upKn >= down / foot.downKn
    ? { side: 'up', figure: up, limit: foot.upKn }
    : { side: 'down', figure: down, limit: foot.downKn }
}
