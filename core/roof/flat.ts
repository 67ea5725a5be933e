import { Fault } from '../model/fault'
import { signedArea } from '../geometry/polygon'
import { type Vec2, type Vec3 } from '../geometry/vector'
import { profileOf, slopes, type RoofEdge } from './profile'
import { type Building, type Roof } from './plane'

const isFlat = (edge: RoofEdge) => profileOf(edge)[0]?.[1] === 0

/**
 * A roof without any slope: one level face at the height of the eaves.
 * @returns null where a side rises
 * @throws Fault `flat-edge` where some sides rise and others do not
 */
export function flatRoof({ outline, holes = [], edges, eaveHeightM }: Building): Roof | null {
  const side = edges.findIndex(isFlat)
  if (side < 0) return null
  if (edges.some((edge) => !isFlat(edge) && slopes(edge)))
    throw new Fault('flat-edge', { side: side + 1 }, `edges.${side}`)
  const at = ([x, y]: Vec2): Vec3 => [x, y, eaveHeightM]
  const plane = {
    id: `e${side}`,
    edgeIndex: side,
    step: 0,
    corners: outline.map(at),
    edges: outline.map((a, i) => {
      const b = outline[(i + 1) % outline.length] ?? a
      return { kind: 'eave' as const, lengthM: Math.hypot(b[0] - a[0], b[1] - a[1]) }
    }),
    ...(holes.length > 0 ? { holes: holes.map((hole) => hole.map(at)) } : {}),
    pitchDeg: 0,
    azimuthDeg: 0,
    areaM2: [outline, ...holes].reduce((sum, ring) => sum + signedArea(ring), 0),
    normal: [0, 0, 1] as const,
  }
  return { planes: [plane], gables: [], ridgeHeightM: eaveHeightM }
}
