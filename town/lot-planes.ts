import { canopyGeometry } from '@/core/kinds/canopy/geometry'
import { dormerGeometry } from '@/core/kinds/dormer/geometry'
import { dormerGround } from '@/core/kinds/dormer/ground'
import { volumeGeometry } from '@/core/kinds/volume/geometry'
import { type RoofPlane } from '@/core/roof/plane'
import { type Lot } from './lot'

/** Every roof plane that stands on a lot: houses, dormers, carports. */
export function planesOver({ volumes, dormers, canopies }: Lot): RoofPlane[] {
  const buildings = volumes.map((volume, i) => ({
    id: `volume-${i + 1}`,
    geometry: volumeGeometry({ ...volume, role: 'house' }),
  }))
  const small = dormers.map((dormer) =>
    dormerGeometry(dormer, dormerGround({ objects: buildings }, dormer.front)),
  )
  return [...buildings.map(({ geometry }) => geometry), ...small, ...canopies.map(canopyGeometry)].flatMap(
    ({ faces }) => faces,
  )
}
