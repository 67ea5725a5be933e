import { columnsUnder } from '../../geometry/body'
import { type Vec3 } from '../../geometry/vector'
import { layRack } from '../../layout/lay-rack'
import { planOf } from '../../roof/plane'
import { type Tracker } from '../../sun/tracker'
import { type ModuleSize, emptyGeometry, type Geometry } from '../standing'
import { type Rack } from './rack'

type Shape = Omit<Rack, 'id' | 'kind' | 'name' | 'removed'>

/** Under the face that the modules of a row make: what stops light is a little behind it. */
const behindFaceM = 0.04

/** Rows on posts, whole whatever modules were taken out of them: a gap changes nobody's view. */
export function rackGeometry(rack: Shape, module: ModuleSize | null): Geometry {
  if (!module) return emptyGeometry
  const { slots, rows, normal, tiltDeg, azimuthDeg, groundCover } = layRack(rack, module)
  return {
    ...emptyGeometry,
    solids: rows.flatMap((row) => {
      const lid = row.map(([x, y, z]): Vec3 => [x, y, z - behindFaceM])
      return columnsUnder(lid, Math.min(...lid.map(([, , z]) => z)) - behindFaceM)
    }),
    strokes: rows.flatMap((row) =>
      row.map((top) => ({ from: [top[0], top[1], 0] as Vec3, to: top, is: 'post' as const })),
    ),
    frame: rows.flatMap((row) => planOf(row)),
    field: {
      plane: { normal, pitchDeg: tiltDeg, azimuthDeg },
      slots,
      tracker: trackerOf(rack, groundCover),
    },
    topM: Math.max(...rows.flat().map((corner) => corner[2])),
  }
}

function trackerOf(rack: Shape, groundCover: number): Tracker | null {
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
