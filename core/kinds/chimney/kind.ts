import { roofHeightM } from '../below'
import { noParts, type Kind } from '../kind'
import { turnedOver } from '../mirror'
import { round } from '../place'
import { turnedRound } from '../turn'
import { noCheck, removable, standing } from '../standing'
import {
  chimneyMigrations,
  chimneySchema,
  chimneyVersion,
  highestChimneyM,
  lowestChimneyM,
  type Chimney,
} from './chimney'
import { chimneyGeometry } from './geometry'

export const chimneyKind: Kind<Chimney> = {
  kind: 'chimney',
  document: 'house',
  schema: chimneySchema,
  version: chimneyVersion,
  migrations: chimneyMigrations,
  singles: null,
  standing: standing<Chimney, 'name', number>({
    rank: 'roof',
    ignores: ['name'],
    reads: ({ center }, below) => roofHeightM(below, center),
    build: chimneyGeometry,
    handles: ({ center: [x, y] }, { topM }) => [
      { name: 'chimney-top', index: 0, at: [x, y, topM], moves: 'up' },
    ],
    drag: ({ heightM }, handle, to) => ({
      heightM: round(
        Math.max(lowestChimneyM, Math.min(highestChimneyM, heightM + to.heightM - handle.at[2])),
      ),
    }),
    check: noCheck,
    move: {
      middle: (chimney) => chimney.center,
      to: (_chimney, center) => ({ center }),
      along: 'level',
      mirrored: turnedOver,
      turned: turnedRound,
    },
    carrier: null,
    height: 'heightM',
    altered: removable,
  }),
  parts: noParts,
}
