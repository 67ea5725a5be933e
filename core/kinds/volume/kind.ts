import { type Vec2, type Vec3 } from '../../geometry/vector'
import { checkOutline } from '../../roof/check-outline'
import { noParts, type Kind } from '../kind'
import { boxMiddle } from '../mirror'
import { inWorld, round } from '../place'
import { standing, type Drag, type Geometry, type Handle } from '../standing'
import { volumeCorners } from './corners'
import { volumeGeometry } from './geometry'
import { volumeMovement } from './movement'
import { edgesWithRidgeAt } from './ridge'
import {
  highestEaveM,
  highestParapetM,
  lowestEaveM,
  volumeMigrations,
  volumeSchema,
  volumeVersion,
  type Volume,
} from './volume'

export const volumeKind: Kind<Volume> = {
  kind: 'volume',
  document: 'house',
  schema: volumeSchema,
  version: volumeVersion,
  migrations: volumeMigrations,
  singles: null,
  standing: standing<Volume, 'name' | 'planeNames', null>({
    rank: 'ground',
    ignores: ['name', 'planeNames'],
    reads: () => null,
    build: volumeGeometry,
    handles: volumeHandles,
    drag: dragVolume,
    check: ({ outline }) => checkOutline(outline),
    move: volumeMovement,
    carrier: null,
    joins: true,
    corners: volumeCorners,
  }),
  parts: noParts,
}

function volumeHandles({ outline, eaveHeightM, flat }: Volume, geometry: Geometry): Handle[] {
  const n = outline.length
  const corner = (i: number) => outline[(i + n) % n]
  const handles: Handle[] = outline.map(([x, y], index) => ({
    name: 'corner',
    index,
    at: [x, y, eaveHeightM],
    moves: 'level',
    beside: [corner(index - 2), corner(index - 1)].filter((p): p is Vec2 => p !== undefined),
    corner: 'own',
  }))
  outline.forEach((a, index) => {
    const b = corner(index + 1) ?? a
    const at: Vec3 = [a[0] + (b[0] - a[0]) / 4, a[1] + (b[1] - a[1]) / 4, eaveHeightM]
    handles.push({ name: 'new-corner', index, at, moves: 'level', beside: [a], corner: 'new' })
  })
  const [first, second] = outline
  if (first && second)
    handles.push({
      name: 'eave',
      index: 0,
      at: [(first[0] + second[0]) / 2, (first[1] + second[1]) / 2, eaveHeightM],
      moves: 'up',
    })
  const [x, y] = boxMiddle(outline)
  handles.push({ name: 'place', index: 0, at: [x, y, eaveHeightM], moves: 'level', whole: true })
  if (flat) {
    const [a, b] = [corner(1), corner(2)]
    if (a && b)
      handles.push({
        name: 'parapet',
        index: 0,
        at: [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, eaveHeightM + flat.parapetM],
        moves: 'up',
      })
    return handles
  }
  const ridge = ridgeMiddle(geometry)
  if (ridge) handles.push({ name: 'ridge', index: 0, at: ridge, moves: 'up' })
  return handles
}

/** The middle of the roof's highest points. */
function ridgeMiddle({ faces, topM }: Geometry): Vec3 | null {
  const high = faces.flatMap((face) => face.corners).filter((c) => topM - c[2] < 0.02)
  if (high.length === 0) return null
  const xs = high.map((c) => c[0])
  const ys = high.map((c) => c[1])
  return [(Math.min(...xs) + Math.max(...xs)) / 2, (Math.min(...ys) + Math.max(...ys)) / 2, topM]
}

/** Ridge up is pitch, eave up is storey height, corners are the shape. */
function dragVolume(volume: Volume, handle: Handle, to: Drag): Partial<Volume> {
  if (handle.name === 'eave')
    return { eaveHeightM: round(Math.max(lowestEaveM, Math.min(highestEaveM, to.heightM))) }
  if (handle.name === 'parapet')
    return {
      flat: { parapetM: round(Math.max(0, Math.min(highestParapetM, to.heightM - volume.eaveHeightM))) },
    }
  if (handle.name === 'ridge') return { edges: edgesWithRidgeAt(volume, handle.at[2], to.heightM) }
  const { at } = to
  if (!at || handle.corner !== 'own') return {}
  return { outline: volume.outline.map((corner, i) => (i === handle.index ? inWorld(at) : corner)) }
}
