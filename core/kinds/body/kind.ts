import { noParts, type Kind } from '../kind'
import { wrappedDeg } from '../mirror'
import { noCheck, removable, standing } from '../standing'
import { turnedRound } from '../turn'
import { bodyGeometry } from './geometry'
import { bodyMigrations, bodySchema, bodyVersion, largestScale, smallestScale, type Body } from './body'

export const bodyKind: Kind<Body> = {
  kind: 'body',
  document: 'house',
  schema: bodySchema,
  version: bodyVersion,
  migrations: bodyMigrations,
  singles: null,
  standing: standing<Body, 'name', null>({
    rank: 'ground',
    ignores: ['name'],
    reads: () => null,
    build: bodyGeometry,
    handles: ({ center: [x, y] }, { topM }) => [
      { name: 'body-top', index: 0, at: [x, y, topM], moves: 'up' },
    ],
    // Its top is dragged, and the whole of it grows alike.
    drag: (body, _handle, to) => ({ scale: scaleFor(body, to.heightM - body.footM) ?? body.scale }),
    check: noCheck,
    move: {
      middle: ({ center }) => center,
      to: (_body, center) => ({ center }),
      along: 'level',
      mirrored: ({ vertices, triangles, rotationDeg }, axis) => ({
        fields: {
          vertices: vertices.map(([x, y, z]) => (axis === 'east-west' ? [-x, y, z] : [x, -y, z])),
          // Turned over, so that their outer sides stay outside.
          triangles: triangles.map(([a, b, c]) => [a, c, b]),
          rotationDeg: wrappedDeg(-rotationDeg),
        },
        sideAfter: (side) => side,
      }),
      turned: turnedRound,
    },
    carrier: null,
    altered: removable,
  }),
  parts: noParts,
}

/** Its height over its foot before it is scaled, m. */
export const ownHeightM = ({ vertices }: Pick<Body, 'vertices'>): number =>
  Math.max(...vertices.map(([, , z]) => z))

/** The scale by which it is so high, as far as there is one; null for what is flat. */
export function scaleFor(body: Pick<Body, 'vertices'>, heightM: number): number | null {
  const own = ownHeightM(body)
  if (own < 1e-6) return null
  return Math.max(smallestScale, Math.min(largestScale, Number((heightM / own).toPrecision(6))))
}
