import { noParts, type Kind } from '../kind'
import { emptyGeometry, noCheck, noDrag, standing } from '../standing'
import { turnedRound } from '../turn'
import { underlayMigrations, underlaySchema, underlayVersion, type Underlay } from './underlay'

/** Nothing of it stands: it is taken hold of by its grip alone, so that a click on it means what lies over it. */
export const underlayKind: Kind<Underlay> = {
  kind: 'underlay',
  document: 'house',
  schema: underlaySchema,
  version: underlayVersion,
  migrations: underlayMigrations,
  singles: null,
  standing: standing<Underlay, keyof Underlay, null>({
    rank: 'ground',
    ignores: [
      'kind',
      'name',
      'fileId',
      'content',
      'width',
      'height',
      'metresPerUnit',
      'center',
      'rotationDeg',
      'strength',
      'order',
      'season',
      'hiddenLayers',
    ],
    reads: () => null,
    build: () => emptyGeometry,
    handles: ({ center: [x, y] }) => [
      { name: 'place', index: 0, at: [x, y, 0], moves: 'level', whole: true },
    ],
    drag: noDrag,
    check: noCheck,
    move: {
      middle: ({ center }) => center,
      to: (_underlay, center) => ({ center }),
      along: 'grip',
      turned: turnedRound,
    },
    carrier: null,
  }),
  parts: noParts,
}
