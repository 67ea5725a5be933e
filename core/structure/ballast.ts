import { type Vec2 } from '../geometry/vector'
import { toFrame } from '../layout/plane-frame'
import { type Ballasted } from './mounting'
import { holdingFactor, knPerKg, loadFactor } from './pressures'
import { zonesOn, type OnPlane } from './racking'
import { parapetShare, type WindZone } from './wind'

export interface Weighed extends OnPlane {
  readonly mounting: Ballasted
  /** Of a parapet over the roof, m; 0 without one. */
  readonly parapetM: number
}

/** One module and the blocks that hold it. */
export interface Tray {
  readonly panelId: string
  readonly zone: WindZone
  readonly blocks: number
  /** Weight that is needed beyond the module and its tray, kg. */
  readonly neededKg: number
}

/** What holds the modules of an array by its weight. */
export interface Ballast {
  readonly is: 'ballast'
  readonly arrayId: string
  readonly mounting: Ballasted
  readonly trays: readonly Tray[]
  readonly blocks: number
  readonly windKpa: number
  readonly weightKg: number
  /** Over the modules' own area, kN/m². */
  readonly deadKpa: number
}

/**
 * Blocks for each module by itself, so that the wind neither lifts nor pushes it: what holds, times 0.9, against lift and
 * push, times 1.5, with the friction of the trays. Neighbours lend no weight. A parapet lessens lift and push near edges
 * as it does on the roof.
 */
export function ballastOf(array: Weighed): Ballast {
  const { mounting, modules, moduleKg, moduleM2, windKpa, parapetM, heightM } = array
  const { frame, zoneAt } = zonesOn(array)
  const ownKg = moduleKg + mounting.weightKg
  const trays = modules.map(({ id, corners }): Tray => {
    const points = corners.map((corner) => toFrame(frame, corner))
    const middle: Vec2 = [0, 1].map(
      (axis) => points.reduce((sum, p) => sum + (p[axis] ?? 0), 0) / points.length,
    ) as unknown as Vec2
    const needs = [middle, ...points].map((p) => {
      const zone = zoneAt(p)
      // Level roofs have no ridge to speak of.
      const column = zone === 'ridge' ? 'middle' : zone
      const kn = windKpa * moduleM2 * parapetShare(column, parapetM, heightM)
      const holdKn =
        (loadFactor * (mounting.lift[column] * kn + (mounting.drag[column] * kn) / mounting.friction)) /
        holdingFactor
      return { zone: column, neededKg: Math.max(0, holdKn / knPerKg - ownKg) }
    })
    const worst = needs.reduce((most, one) => (one.neededKg > most.neededKg ? one : most))
    return { panelId: id, ...worst, blocks: Math.ceil(worst.neededKg / mounting.block.weightKg - 1e-9) }
  })
  const blocks = trays.reduce((sum, tray) => sum + tray.blocks, 0)
  const weightKg = modules.length * ownKg + blocks * mounting.block.weightKg
  return {
    is: 'ballast',
    arrayId: array.arrayId,
    mounting,
    trays,
    blocks,
    windKpa,
    weightKg,
    deadKpa: modules.length === 0 ? 0 : (weightKg * knPerKg) / (modules.length * moduleM2),
  }
}
