import { type RoofPlane } from '../../roof/plane'
import { topFaceAt } from '../below'
import { noParts, type Kind } from '../kind'
import { round } from '../place'
import { noCheck, standing } from '../standing'
import { walkwayGeometry, widthGrip, type Under } from './geometry'
import {
  narrowestM,
  walkwayMigrations,
  walkwaySchema,
  walkwayVersion,
  widestM,
  type Walkway,
} from './walkway'

export const walkwayKind: Kind<Walkway> = {
  kind: 'walkway',
  document: 'house',
  schema: walkwaySchema,
  version: walkwayVersion,
  migrations: walkwayMigrations,
  singles: null,
  standing: standing<Walkway, 'name', Under | null>({
    rank: 'roof',
    ignores: ['name'],
    reads: ({ center }, below) => underOf(topFaceAt(below, center)),
    build: walkwayGeometry,
    handles: widthGrip,
    drag: (_walkway, _handle, { alongM }) =>
      typeof alongM !== 'number'
        ? {}
        : { widthM: round(Math.max(narrowestM, Math.min(widestM, 2 * Math.abs(alongM)))) },
    check: noCheck,
    move: {
      middle: ({ center }) => center,
      to: (_walkway, center) => ({ center }),
      along: 'faces',
    },
    carrier: null,
  }),
  parts: noParts,
}

const underOf = (plane: RoofPlane | null): Under | null =>
  plane && {
    corners: plane.corners,
    normal: plane.normal,
    ...(plane.holes ? { holes: plane.holes } : {}),
  }
