import { toRadians } from '../model/units'
import { type Vec2, type Vec3 } from '../geometry/vector'
import { type Slot } from './lay'

/** How the rows of a rack stand. */
export interface RackRows {
  readonly center: Vec2
  readonly rows: number
  /** Modules side by side in a row. */
  readonly columns: number
  readonly orientation: 'portrait' | 'landscape'
  /** `one-axis`: rows turn about their length, which points to the azimuth. */
  readonly tracking: 'fixed' | 'one-axis' | 'two-axis'
  readonly tiltDeg: number
  readonly azimuthDeg: number
  /** Ground to the lower edge. */
  readonly clearanceM: number
  readonly rowPitchM: number
  readonly gapM: number
}

/** Slots of all rows and the whole face of each row. */
export interface RackLayout {
  readonly slots: readonly Slot[]
  readonly rows: readonly (readonly [Vec3, Vec3, Vec3, Vec3])[]
  readonly normal: Vec3
  /** How the face stands as drawn: a turning rack lies level. */
  readonly tiltDeg: number
  readonly azimuthDeg: number
  /** Module height up the slope over the row pitch. */
  readonly groundCover: number
}

/**
 * Where the modules of a rack stand. Fixed rows face the azimuth; rows of one axis run along it and are drawn level,
 * as their axis lies.
 */
export function layRack(
  rack: RackRows,
  module: { readonly widthM: number; readonly lengthM: number },
): RackLayout {
  const portrait = rack.orientation === 'portrait'
  const [width, height] = portrait ? [module.widthM, module.lengthM] : [module.lengthM, module.widthM]
  const tiltDeg = rack.tracking === 'fixed' ? rack.tiltDeg : 0
  // Along the row and towards the next one, in plan; the row's front looks along `front`.
  const frontDeg = rack.tracking === 'one-axis' ? rack.azimuthDeg + 90 : rack.azimuthDeg
  const [tilt, front] = [toRadians(tiltDeg), toRadians(frontDeg)]
  const forward: Vec3 = [Math.sin(front), Math.cos(front), 0]
  // Seen from the front the row runs to the right: up x forward.
  const right: Vec3 = [-forward[1], forward[0], 0]
  const slope: Vec3 = [-forward[0] * Math.cos(tilt), -forward[1] * Math.cos(tilt), Math.sin(tilt)]
  const at = (row: number, u: number, v: number): Vec3 => {
    const along = u - ((rack.columns - 1) * (width + rack.gapM) + width) / 2
    const back = (row - (rack.rows - 1) / 2) * rack.rowPitchM
    const depth = (height * Math.cos(tilt)) / 2
    return [
      rack.center[0] + right[0] * along + slope[0] * v + forward[0] * (depth - back),
      rack.center[1] + right[1] * along + slope[1] * v + forward[1] * (depth - back),
      rack.clearanceM + slope[2] * v,
    ]
  }
  const slots: Slot[] = []
  const rows: [Vec3, Vec3, Vec3, Vec3][] = []
  const length = rack.columns * (width + rack.gapM) - rack.gapM
  for (let row = 0; row < rack.rows; row++) {
    rows.push([at(row, 0, 0), at(row, length, 0), at(row, length, height), at(row, 0, height)])
    for (let column = 0; column < rack.columns; column++) {
      const u = column * (width + rack.gapM)
      const [a, b, c, d] = [
        at(row, u, 0),
        at(row, u + width, 0),
        at(row, u + width, height),
        at(row, u, height),
      ]
      slots.push({
        key: `${row}:${column}`,
        corners: portrait ? [a, b, c, d] : [b, c, d, a],
        orientation: rack.orientation,
      })
    }
  }
  return {
    slots,
    rows,
    normal: [Math.sin(tilt) * forward[0], Math.sin(tilt) * forward[1], Math.cos(tilt)],
    tiltDeg,
    azimuthDeg: ((frontDeg % 360) + 360) % 360,
    groundCover: Math.min(1, height / rack.rowPitchM),
  }
}
