import { turnedRectangle } from '../../geometry/polygon'
import { type Geometry } from '../standing'
import { uprightGeometry } from '../upright'
import { defaultChimney, type Chimney } from './chimney'

type Shape = Omit<Chimney, 'id' | 'name' | 'kind'>

/**
 * An upright box on the roof.
 * @param roofM height of the roof at the middle of the base
 */
export const chimneyGeometry = (
  { center, widthM, depthM, rotationDeg, heightM, clearanceM }: Shape,
  roofM: number,
): Geometry =>
  uprightGeometry({
    base: turnedRectangle(center, widthM, depthM, rotationDeg),
    heightM,
    clearanceM,
    underM: roofM,
    round: false,
    usualM: defaultChimney.heightM,
  })
