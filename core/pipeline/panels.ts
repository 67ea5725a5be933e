import { ofKind, type Objects } from '../model/document'
import { type PanelArray } from '../model/kinds/array'
import { type Rack } from '../model/kinds/rack'
import { type Cover } from '../model/kinds/cover'
import { type ModuleType } from '../electrical/catalogue'
import { centroid, containsPoint, turnedRectangle } from '../geometry/polygon'
import { type Vec2, type Vec3 } from '../geometry/vector'
import { layOnPlane, setbacksOf } from '../layout/lay'
import { layRack } from '../layout/lay-rack'
import { type Mount } from '../energy/cell-temperature'
import { type RoofPlane } from '../roof/roof'
import { type Tracker } from '../sun/tracker'
import { columnsUnder, type Body } from '../shade/body'
import { planeHeightM, type Roofs } from '../shade/scene'

/** Height of the module's face over the roof. */
export const panelLiftM = 0.12

export interface Panel {
  /** "array/row:column" */
  readonly id: string
  readonly arrayId: string
  readonly slot: string
  readonly corners: readonly [Vec3, Vec3, Vec3, Vec3]
  readonly orientation: 'portrait' | 'landscape'
}

export interface LaidArray {
  readonly id: string
  /** What the modules lie on: a roof's plane, or the face of a rack as it is drawn. */
  readonly plane: Pick<RoofPlane, 'normal' | 'pitchDeg' | 'azimuthDeg'>
  /** Null on the ground. */
  readonly volumeId: string | null
  readonly mount: Mount
  /** How it turns after the sun; null where it does not. */
  readonly tracker: Tracker | null
  /** Whole rows of a rack, which stand in the light of others. */
  readonly rows: readonly (readonly Vec3[])[]
  readonly panels: readonly Panel[]
  /** Places where a module would fit but was taken away. */
  readonly empty: readonly Panel[]
  /** Places taken away that no longer exist, and are kept for when they come back. */
  readonly vanished: number
}

export interface Laid {
  readonly arrays: readonly LaidArray[]
  /** Arrays whose plane is gone. */
  readonly homeless: readonly string[]
}

/** Where every module lies. */
export function layPanels(
  arrays: readonly PanelArray[],
  racks: readonly Rack[],
  cover: Cover,
  module: Pick<ModuleType, 'widthM' | 'lengthM'>,
  house: Objects,
  roofs: Roofs['roofs'],
): Laid {
  const chimneys = ofKind(house, 'chimney').map((chimney) => ({
    base: turnedRectangle(chimney.center, chimney.widthM, chimney.depthM, chimney.rotationDeg),
    clearanceM: chimney.clearanceM,
  }))
  const laid: LaidArray[] = []
  const homeless: string[] = []
  for (const array of arrays) {
    const plane = roofs.get(array.volumeId)?.planes.find((p) => p.edgeIndex === array.edgeIndex)
    if (!plane) {
      homeless.push(array.id)
      continue
    }
    const slots = layOnPlane({
      plane,
      setbacksM: setbacksOf(plane, cover.setbacksM),
      obstructions: [...chimneys, ...standingThrough(plane, array.volumeId, house, roofs)],
      module,
      gapM: array.gapM,
      orientation: array.orientation,
      liftM: panelLiftM,
    })
    const removed = new Set(array.removed)
    const all = slots.map((slot): Panel => ({
      id: `${array.id}/${slot.key}`,
      arrayId: array.id,
      slot: slot.key,
      corners: slot.corners,
      orientation: slot.orientation,
    }))
    const empty = all.filter((panel) => removed.has(panel.slot))
    laid.push({
      id: array.id,
      plane,
      volumeId: array.volumeId,
      mount: array.mount,
      tracker: null,
      rows: [],
      panels: all.filter((panel) => !removed.has(panel.slot)),
      empty,
      vanished: removed.size - empty.length,
    })
  }
  return { arrays: [...laid, ...racks.map((rack) => standRack(rack, module))], homeless }
}

function standRack(rack: Rack, module: Pick<ModuleType, 'widthM' | 'lengthM'>): LaidArray {
  const { slots, rows, normal, tiltDeg, azimuthDeg, groundCover } = layRack(rack, module)
  const removed = new Set(rack.removed)
  const all = slots.map((slot): Panel => ({
    id: `${rack.id}/${slot.key}`,
    arrayId: rack.id,
    slot: slot.key,
    corners: slot.corners,
    orientation: rack.orientation,
  }))
  const empty = all.filter((panel) => removed.has(panel.slot))
  return {
    id: rack.id,
    plane: { normal, pitchDeg: tiltDeg, azimuthDeg },
    volumeId: null,
    mount: 'open',
    tracker: trackerOf(rack, groundCover),
    rows,
    panels: all.filter((panel) => !removed.has(panel.slot)),
    empty,
    vanished: removed.size - empty.length,
  }
}

function trackerOf(rack: Rack, groundCover: number): Tracker | null {
  if (rack.tracking === 'fixed') return null
  if (rack.tracking === 'two-axis') return { kind: 'two-axis', limitDeg: rack.limitDeg }
  return {
    kind: 'one-axis',
    axisTiltDeg: rack.tiltDeg,
    axisAzimuthDeg: rack.azimuthDeg,
    limitDeg: rack.limitDeg,
    groundCover,
    backtracking: rack.backtracking,
  }
}

/** Under the face that the modules of a row make: what stops light is a little behind it. */
const behindFaceM = 0.04

/** The rows of racks as bodies that stop light, each under its own array's id. */
export const rackBodies = (laid: Laid): Body[] =>
  laid.arrays.flatMap(({ id, rows }) =>
    rows.flatMap((row) => {
      const lid = row.map(([x, y, z]): Vec3 => [x, y, z - behindFaceM])
      return columnsUnder(id, lid, Math.min(...lid.map(([, , z]) => z)) - behindFaceM)
    }),
  )

/** Strip kept free around another part of the house that comes up through a plane, such as a dormer. */
const besideVolumeM = 0.3

/** Other volumes whose roof stands over the plane somewhere on their outline. */
function standingThrough(plane: RoofPlane, volumeId: string, house: Objects, roofs: Roofs['roofs']) {
  return ofKind(house, 'volume').flatMap((other) => {
    const roof = roofs.get(other.id)
    if (other.id === volumeId || !roof) return []
    const plan = plane.corners.map((c): Vec2 => [c[0], c[1]])
    const middle = centroid(other.outline)
    if (![...other.outline, middle].some((p) => containsPoint(plan, p))) return []
    return roof.ridgeHeightM > planeHeightM(plane, middle)
      ? [{ base: other.outline, clearanceM: besideVolumeM }]
      : []
  })
}
