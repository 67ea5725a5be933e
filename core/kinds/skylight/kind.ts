import { planeHeightM } from '../../roof/plane'
import { topFaceAt } from '../below'
import { noParts, type Kind } from '../kind'
import { round } from '../place'
import { noCheck, standing, type Handle } from '../standing'
import { stretch } from '../stretch'
import { gripsOf, skylightGeometry, type Ground } from './geometry'
import {
  largestSideM,
  skylightMigrations,
  skylightSchema,
  skylightVersion,
  smallestSideM,
  type Skylight,
} from './skylight'

const side = (metres: number) => round(Math.max(smallestSideM, Math.min(largestSideM, metres)))

export const skylightKind: Kind<Skylight> = {
  kind: 'skylight',
  document: 'house',
  schema: skylightSchema,
  version: skylightVersion,
  migrations: skylightMigrations,
  singles: null,
  standing: standing<Skylight, 'name', Ground | null>({
    rank: 'roof',
    ignores: ['name'],
    reads: ({ center }, below) => {
      const face = topFaceAt(below, center)
      return face && { normal: face.normal, heightM: planeHeightM(face, center) }
    },
    build: skylightGeometry,
    handles: (_skylight, geometry): Handle[] => {
      const grips = gripsOf(geometry)
      if (!grips) return []
      return [
        { name: 'width', index: 0, at: grips[0], moves: 'width' },
        { name: 'length', index: 0, at: grips[1], moves: 'width' },
      ]
    },
    drag: ({ center, widthM, lengthM }, { name, at }, to) => {
      if (!to.at) return {}
      const by = stretch(center, at, to.at)
      return name === 'width' ? { widthM: side(widthM * by) } : { lengthM: side(lengthM * by) }
    },
    check: noCheck,
    move: {
      middle: ({ center }) => center,
      to: (_skylight, center) => ({ center }),
      along: 'faces',
    },
    carrier: null,
  }),
  parts: noParts,
}
