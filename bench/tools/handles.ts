import { type Objects } from '@/core/model/document'
import { type Vec3 } from '@/core/geometry/vector'
import { type StageScene } from '../stage/scene'
import { type Selection } from '../store/session'

/** A grip on the selected object: what it does follows from what it sits on. */
export interface Handle {
  readonly objectId: string
  readonly kind: 'ridge' | 'eave' | 'corner' | 'tree-top' | 'crown' | 'chimney-top'
  readonly index: number
  readonly at: Vec3
  readonly label: string
}

export function handlesOf(scene: StageScene, house: Objects, selection: Selection | null): Handle[] {
  if (selection?.kind !== 'object') return []
  const object = house[selection.id]
  if (object?.kind === 'tree') {
    const [x, y] = object.center
    const drawn = scene.trees.find(({ tree }) => tree.id === object.id)
    return [
      { objectId: object.id, kind: 'tree-top', index: 0, at: [x, y, object.heightM], label: 'Height' },
      {
        objectId: object.id,
        kind: 'crown',
        index: 0,
        at: [x + object.crownDiameterM / 2, y, drawn?.center[2] ?? object.heightM / 2],
        label: 'Crown',
      },
    ]
  }
  if (object?.kind === 'chimney') {
    const drawn = scene.chimneys.find(({ chimney }) => chimney.id === object.id)
    return drawn
      ? [
          {
            objectId: object.id,
            kind: 'chimney-top',
            index: 0,
            at: [object.center[0], object.center[1], drawn.topM],
            label: 'Height',
          },
        ]
      : []
  }
  if (object?.kind !== 'volume') return []
  const handles: Handle[] = object.outline.map(([x, y], index) => ({
    objectId: object.id,
    kind: 'corner',
    index,
    at: [x, y, object.eaveHeightM],
    label: 'Corner',
  }))
  const first = object.outline[0]
  const second = object.outline[1]
  if (first && second)
    handles.push({
      objectId: object.id,
      kind: 'eave',
      index: 0,
      at: [(first[0] + second[0]) / 2, (first[1] + second[1]) / 2, object.eaveHeightM],
      label: 'Storey height',
    })
  const roof = scene.roofs.get(object.id)
  const ridge =
    roof &&
    ridgeMiddle(
      roof.planes.flatMap((plane) => plane.corners),
      roof.ridgeHeightM,
    )
  if (ridge) handles.push({ objectId: object.id, kind: 'ridge', index: 0, at: ridge, label: 'Pitch' })
  return handles
}

/** The middle of the roof's highest points. */
function ridgeMiddle(corners: readonly Vec3[], top: number): Vec3 | null {
  const high = corners.filter((c) => top - c[2] < 0.02)
  if (high.length === 0) return null
  const xs = high.map((c) => c[0])
  const ys = high.map((c) => c[1])
  return [(Math.min(...xs) + Math.max(...xs)) / 2, (Math.min(...ys) + Math.max(...ys)) / 2, top]
}
