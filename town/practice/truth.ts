import { turnedRectangle } from '@/core/geometry/polygon'
import { sub2, type Vec2, type Vec3 } from '@/core/geometry/vector'
import { dormerGeometry } from '@/core/kinds/dormer/geometry'
import { dormerGround } from '@/core/kinds/dormer/ground'
import { volumeGeometry } from '@/core/kinds/volume/geometry'
import { mergeRoofs, type MergedPlane } from '@/core/roof/merge'
import { roofOverM } from '../height-scene'
import { planesOver } from '../lot-planes'
import { type Lot } from '../lot'
import { type PracticeHouse } from './houses'

/** The planes of a lot's roofs as they are seen from above, heights over its ground. */
export function planesSeen({ volumes, dormers }: Pick<Lot, 'volumes' | 'dormers'>): MergedPlane[] {
  const buildings = volumes.map((volume, i) => ({
    id: `volume-${i + 1}`,
    geometry: volumeGeometry({ ...volume, role: 'house' }),
  }))
  const small = dormers.map((dormer) =>
    dormerGeometry(dormer, dormerGround({ objects: buildings }, dormer.front)),
  )
  return mergeRoofs(
    [...buildings.map(({ geometry }) => geometry), ...small].map(({ faces }) => ({ planes: faces })),
  )
}

/** What stands at a practice house, in the form and the frame of a fitted one: east and north of the outline's first point. */
export function truthOf({ lot, lots, outline, groundAt }: PracticeHouse) {
  const [origin = [0, 0]] = outline
  const baseM = groundAt(lot.center)
  const flat = (p: Vec2): Vec2 => sub2(p, origin)
  const raised = ([x, y, z]: Vec3): Vec3 => [x - origin[0], y - origin[1], z + baseM]
  const planes = planesSeen(lot)
  const under = planesOver(lot)
  return {
    outline: outline.map(flat),
    planes: planes.map(({ id, volume, corners, holes, pitchDeg, azimuthDeg, areaM2, edges }) => ({
      id: volume === 0 ? id : `v${volume}-${id}`,
      corners: corners.map(raised),
      ...(holes ? { holes: holes.map((hole) => hole.map(raised)) } : {}),
      pitchDeg,
      azimuthDeg,
      areaM2,
      edges,
    })),
    obstructions: lot.chimneys.map((chimney) => {
      const base = turnedRectangle(chimney.center, chimney.widthM, chimney.depthM, chimney.rotationDeg ?? 0)
      return {
        kind: 'chimney',
        base: base.map(flat),
        bottomM: baseM + Math.min(...base.map((p) => roofOverM(under, p))),
        topM: baseM + roofOverM(under, chimney.center) + chimney.heightM,
      }
    }),
    trees: lots.flatMap(({ trees }) =>
      trees.map(({ center, heightM, crownDiameterM }) => {
        const [x, y] = flat(center)
        return { x, y, heightM, crownDiameterM }
      }),
    ),
    groundM: baseM,
  }
}
