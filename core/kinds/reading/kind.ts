import { type Vec3 } from '../../geometry/vector'
import { roofHeightM } from '../below'
import { noParts, type Kind } from '../kind'
import { round } from '../place'
import { emptyGeometry, noCheck, standing, type Geometry } from '../standing'
import { highestReadingM, readingMigrations, readingSchema, readingVersion, type Reading } from './reading'

export const readingKind: Kind<Reading> = {
  kind: 'reading',
  document: 'house',
  schema: readingSchema,
  version: readingVersion,
  migrations: readingMigrations,
  singles: null,
  standing: standing<Reading, 'name' | 'heights', number>({
    rank: 'roof',
    ignores: ['name', 'heights'],
    reads: ({ center }, below) => roofHeightM(below, center),
    build: readingGeometry,
    handles: ({ center: [x, y] }, { topM }) => [
      { name: 'reading-height', index: 0, at: [x, y, topM], moves: 'up' },
    ],
    drag: ({ heightM }, handle, to) => ({
      heightM: round(Math.max(0, Math.min(highestReadingM, heightM + to.heightM - handle.at[2]))),
    }),
    check: noCheck,
    move: {
      middle: ({ center }) => center,
      to: (_reading, center) => ({ center }),
      along: 'level',
    },
    carrier: null,
  }),
  parts: noParts,
}

/** Half the side of the plate that it is taken hold of by, half the cross, and how far both keep clear of what they lie on, m. */
const [plateM, crossM, clearM] = [0.18, 0.3, 0.03]

/** A cross at the point and a plate under it: it stops no light and keeps no module off. */
function readingGeometry(
  { center: [x, y], heightM }: Pick<Reading, 'center' | 'heightM'>,
  underM: number,
): Geometry {
  const topM = underM + heightM
  const seenM = topM + clearM
  const corner = (dx: number, dy: number): Vec3 => [x + dx, y + dy, seenM]
  return {
    ...emptyGeometry,
    surfaces: [
      {
        corners: [
          corner(-plateM, -plateM),
          corner(plateM, -plateM),
          corner(plateM, plateM),
          corner(-plateM, plateM),
        ],
        tone: 'open',
      },
    ],
    strokes: [
      { from: corner(-crossM, 0), to: corner(crossM, 0), is: 'mark' },
      { from: corner(0, -crossM), to: corner(0, crossM), is: 'mark' },
      { from: [x, y, underM], to: [x, y, seenM + crossM], is: 'mark' },
    ],
    topM,
  }
}
