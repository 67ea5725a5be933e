import { signedArea } from '../geometry/polygon'
import { type Vec2, type Vec3 } from '../geometry/vector'
import { labelled, type CutFace, type MergedEdge } from './merged-labels'
import { planeHeightM, type Roof, type RoofPlane } from './plane'
import { flattened, visibleParts } from './visible'

/** A plane of a roof of several volumes: what of it is seen from above. */
export interface MergedPlane extends RoofPlane {
  /** Which volume it belongs to. */
  readonly volume: number
}

/**
 * The parts of several roofs that are seen from above, as one roof: each plane less what of the other volumes' planes is
 * higher. Where planes of two volumes lie in one, the earlier volume keeps what both have.
 * @returns planes volume by volume; a plane that falls apart comes as several, told apart behind their ids
 */
export function mergeRoofs(roofs: readonly Pick<Roof, 'planes'>[]): MergedPlane[] {
  const faces = roofs.flatMap(({ planes }, volume) => planes.map((plane) => flattened(plane, volume)))
  const cut = faces.flatMap((face): CutFace[] =>
    visibleParts(face, faces).map((rings, k) => ({
      plane: face.plane,
      volume: face.volume,
      id: k === 0 ? face.plane.id : `${face.plane.id}-${k}`,
      rings,
    })),
  )
  return labelled(cut).map((face): MergedPlane => {
    const { plane, volume, id, rings } = face
    const { edges, edgeStarts } = fromFirst(face, plane)
    const onPlane = ([x, y]: Vec2): Vec3 => [x, y, planeHeightM(plane, [x, y])]
    const planM2 = rings.reduce((sum, ring) => sum + signedArea(ring), 0)
    const { holes: _holes, ...rest } = plane
    const holes = rings.slice(1).map((ring) => ring.map(onPlane))
    return {
      ...rest,
      id,
      volume,
      corners: edgeStarts.map(onPlane),
      edges,
      ...(holes.length > 0 ? { holes } : {}),
      areaM2: planM2 / plane.normal[2],
    }
  })
}

/** Edges in the order they had, from the corner nearest to the one that was the first. */
function fromFirst(
  { edges, edgeStarts }: { readonly edges: readonly MergedEdge[]; readonly edgeStarts: readonly Vec2[] },
  { corners: [first = [0, 0, 0]] }: RoofPlane,
) {
  const away = edgeStarts.map(([x, y]) => Math.hypot(x - first[0], y - first[1]))
  const at = away.indexOf(Math.min(...away))
  const turned = <T>(list: readonly T[]) => [...list.slice(at), ...list.slice(0, at)]
  return { edges: turned(edges), edgeStarts: turned(edgeStarts) }
}
