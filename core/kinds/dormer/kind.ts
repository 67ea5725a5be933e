import { type Vec3 } from '../../geometry/vector'
import { toDegrees, toRadians } from '../../model/units'
import { noParts, type Kind } from '../kind'
import { round } from '../place'
import { noCheck, standing, type Drag, type Geometry, type Handle } from '../standing'
import { stretch } from '../stretch'
import {
  dormerMigrations,
  dormerSchema,
  dormerVersion,
  flattestDormerDeg,
  highestWallM,
  lowestWallM,
  narrowestDormerM,
  steepestDormerDeg,
  widestDormerM,
  type Dormer,
} from './dormer'
import { dormerGeometry } from './geometry'
import { dormerGround, type DormerGround } from './ground'

const within = (low: number, high: number, value: number) => Math.max(low, Math.min(high, value))

export const dormerKind: Kind<Dormer> = {
  kind: 'dormer',
  document: 'house',
  schema: dormerSchema,
  version: dormerVersion,
  migrations: dormerMigrations,
  singles: null,
  standing: standing<Dormer, 'name', DormerGround | null>({
    rank: 'dormer',
    ignores: ['name'],
    reads: ({ front }, below) => dormerGround(below, front),
    build: dormerGeometry,
    handles: dormerHandles,
    drag: dragDormer,
    check: noCheck,
    move: { middle: ({ front }) => front, to: (_dormer, front) => ({ front }), along: 'faces' },
    carrier: null,
    joins: true,
  }),
  parts: noParts,
}

/** Width at the front's side, wall height at its top, and pitch at the ridge where there is one. */
function dormerHandles({ front, wallHeightM }: Dormer, { faces, strokes, topM }: Geometry): Handle[] {
  const sides = strokes.filter(({ is }) => is === 'corner')
  const right = sides[1]
  if (faces.length === 0 || !right) return []
  const [x, y, footM] = right.from
  const handles: Handle[] = [
    { name: 'dormer-width', index: 0, at: [x, y, footM + wallHeightM / 2], moves: 'width' },
    { name: 'dormer-wall', index: 0, at: [front[0], front[1], footM + wallHeightM], moves: 'up' },
  ]
  const ridge = strokes.find(({ is }) => is === 'ridge')
  if (ridge)
    handles.push({ name: 'dormer-ridge', index: 0, at: middleOf(ridge.from, ridge.to, topM), moves: 'up' })
  return handles
}

const middleOf = (a: Vec3, b: Vec3, heightM: number): Vec3 => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, heightM]

function dragDormer(
  { front, widthM, wallHeightM, pitchDeg }: Dormer,
  { name, at }: Handle,
  to: Drag,
): Partial<Dormer> {
  if (name === 'dormer-width')
    return to.at
      ? { widthM: round(within(narrowestDormerM, widestDormerM, widthM * stretch(front, at, to.at))) }
      : {}
  const up = to.heightM - at[2]
  if (name === 'dormer-wall')
    return { wallHeightM: round(within(lowestWallM, highestWallM, wallHeightM + up)) }
  const pitched = toDegrees(Math.atan(Math.tan(toRadians(pitchDeg)) + up / (widthM / 2)))
  return { pitchDeg: Number(within(flattestDormerDeg, steepestDormerDeg, pitched).toFixed(2)) }
}
