import { rotate2, type Vec2 } from '../../geometry/vector'
import { toDegrees, toRadians } from '../../model/units'
import { noParts, type Kind } from '../kind'
import { turnedOver } from '../mirror'
import { round } from '../place'
import { turnedRound } from '../turn'
import { noCheck, removable, standing, type Drag, type Handle } from '../standing'
import {
  canopyMigrations,
  canopySchema,
  canopyVersion,
  highestCanopyM,
  longestCanopyM,
  lowestCanopyM,
  shortestCanopyM,
  steepestCanopyDeg,
  type Canopy,
} from './canopy'
import { canopyGeometry } from './geometry'

const within = (low: number, high: number, value: number) => Math.max(low, Math.min(high, value))

export const canopyKind: Kind<Canopy> = {
  kind: 'canopy',
  document: 'house',
  schema: canopySchema,
  version: canopyVersion,
  migrations: canopyMigrations,
  singles: null,
  standing: standing<Canopy, 'name', null>({
    rank: 'ground',
    ignores: ['name'],
    reads: () => null,
    build: canopyGeometry,
    handles: canopyHandles,
    drag: dragCanopy,
    check: noCheck,
    move: {
      middle: ({ center }) => center,
      to: (_canopy, center) => ({ center }),
      along: 'level',
      mirrored: turnedOver,
      turned: turnedRound,
    },
    carrier: null,
    height: 'eaveHeightM',
    altered: removable,
  }),
  parts: noParts,
}

/** How far a leaf runs from its eave to its upper edge, in plan. */
const runM = ({ leaves, depthM }: Pick<Canopy, 'leaves' | 'depthM'>) =>
  leaves === 'one' ? depthM : depthM / 2

/** Width at its right side, depth and height at its first eave, pitch at its upper edge. */
function canopyHandles(canopy: Canopy, { topM }: { readonly topM: number }): Handle[] {
  const { center, widthM, depthM, rotationDeg, eaveHeightM } = canopy
  const at = (u: number, v: number): Vec2 => {
    const [x, y] = rotate2([u, v], toRadians(rotationDeg))
    return [center[0] + x, center[1] + y]
  }
  return [
    { name: 'canopy-width', index: 0, at: [...at(widthM / 2, -depthM / 4), eaveHeightM], moves: 'width' },
    { name: 'canopy-depth', index: 0, at: [...at(widthM / 4, -depthM / 2), eaveHeightM], moves: 'width' },
    { name: 'canopy-eave', index: 0, at: [...at(-widthM / 4, -depthM / 2), eaveHeightM], moves: 'up' },
    { name: 'canopy-ridge', index: 0, at: [...at(0, runM(canopy) - depthM / 2), topM], moves: 'up' },
  ]
}

function dragCanopy(canopy: Canopy, { name, at }: Handle, to: Drag): Partial<Canopy> {
  const { center, rotationDeg, eaveHeightM } = canopy
  if (name === 'canopy-eave')
    return { eaveHeightM: round(within(lowestCanopyM, highestCanopyM, eaveHeightM + to.heightM - at[2])) }
  if (name === 'canopy-ridge') {
    const riseM = Math.max(0, to.heightM - eaveHeightM)
    const pitchDeg = within(0, steepestCanopyDeg, toDegrees(Math.atan(riseM / runM(canopy))))
    return { pitchDeg: Number(pitchDeg.toFixed(2)) }
  }
  if (!to.at) return {}
  const field = name === 'canopy-width' ? 'widthM' : 'depthM'
  const axis = rotate2(field === 'widthM' ? [1, 0] : [0, -1], toRadians(rotationDeg))
  const along = ([x, y]: Vec2) => (x - center[0]) * axis[0] + (y - center[1]) * axis[1]
  const length = within(shortestCanopyM, longestCanopyM, 2 * along(to.at))
  return { [field]: round(length) }
}
