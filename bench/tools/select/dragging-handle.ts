import { type Objects } from '@/core/model/document'
import { isGable, type Volume } from '@/core/model/kinds/volume'
import { toDegrees, toRadians } from '@/core/model/units'
import { heightUnderRay, rayLevel } from '@/core/geometry/ray'
import { snap } from '@/core/geometry/snap'
import { distance2, type Vec2 } from '@/core/geometry/vector'
import { checkOutline } from '@/core/roof/roof'
import { Fault } from '@/core/model/fault'
import { houseId } from '../../store/documents'
import { toast } from '../../store/session'
import { type PointerInput, type ToolContext, ToolState } from '../chart'
import { type Handle } from '../handles'

const clamp = (value: number, low: number, high: number) => Math.max(low, Math.min(high, value))
const round = (value: number, digits = 3) => Number(value.toFixed(digits))

/** Drags a grip: ridge up is pitch, eave up is storey height, corners are the shape, tops are heights. */
export class DraggingHandle extends ToolState {
  readonly #handle: Handle
  readonly #lift: number
  readonly #back: () => ToolState

  constructor(context: ToolContext, handle: Handle, from: PointerInput, back: () => ToolState) {
    super(context)
    this.#handle = handle
    this.#lift = handle.at[2] - heightUnderRay(from.ray, [handle.at[0], handle.at[1]])
    this.#back = back
  }

  override enter(): void {
    this.context.documents.begin()
  }

  override move(input: PointerInput): void {
    this.context.documents.preview(houseId, (before) => this.#moved(before, input))
  }

  override release(): void {
    const volume = this.context.documents.house[this.#handle.objectId]
    try {
      if (volume?.kind === 'volume') checkOutline(volume.outline)
      this.context.documents.commit(this.#handle.label)
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      this.context.documents.cancel()
      toast(this.context.session, error.message)
    }
    this.go(this.#back())
  }

  override cancel(): void {
    this.context.documents.cancel()
    this.go(this.#back())
  }

  #moved(before: Objects, input: PointerInput): Objects {
    const handle = this.#handle
    const object = before[handle.objectId]
    const height = heightUnderRay(input.ray, [handle.at[0], handle.at[1]]) + this.#lift
    if (object?.kind === 'tree') {
      if (handle.kind === 'tree-top')
        return { ...before, [object.id]: { ...object, heightM: round(clamp(height, 0.5, 60)) } }
      const at = rayLevel(input.ray, handle.at[2])
      const radius = at ? distance2([at[0], at[1]], object.center) : object.crownDiameterM / 2
      return { ...before, [object.id]: { ...object, crownDiameterM: round(clamp(2 * radius, 0.3, 40)) } }
    }
    if (object?.kind === 'chimney')
      return {
        ...before,
        [object.id]: { ...object, heightM: round(clamp(object.heightM + height - handle.at[2], 0.05, 20)) },
      }
    if (object?.kind !== 'volume') return before
    if (handle.kind === 'corner') return { ...before, [object.id]: this.#cornerMoved(object, input) }
    if (handle.kind === 'eave')
      return { ...before, [object.id]: { ...object, eaveHeightM: round(clamp(height, 0.5, 60)) } }
    return { ...before, [object.id]: withRidgeAt(object, handle.at[2], height) }
  }

  #cornerMoved(volume: Volume, input: PointerInput): Volume {
    const at = rayLevel(input.ray, volume.eaveHeightM)
    if (!at) return volume
    const n = volume.outline.length
    const { index } = this.#handle
    const beside = [volume.outline[(index + n - 2) % n], volume.outline[(index + n - 1) % n]].filter(
      (p): p is Vec2 => p !== undefined,
    )
    const found = snap({
      pointer: [at[0], at[1]],
      drawn: beside,
      outlines: [],
      reachM: input.reachM,
      off: input.shift,
    })
    const point: Vec2 = found.kind === 'close' ? [at[0], at[1]] : found.point
    const moved = volume.outline.map((corner, i): Vec2 =>
      i === index ? [round(clamp(point[0], -490, 490)), round(clamp(point[1], -490, 490))] : corner,
    )
    return { ...volume, outline: moved }
  }
}

/** All pitches changed alike so that the ridge comes to a height; the plan of the ridges stays. */
export function withRidgeAt(volume: Volume, fromM: number, toM: number): Volume {
  const rise = fromM - volume.eaveHeightM
  const times = Math.max(0.02, (toM - volume.eaveHeightM) / Math.max(rise, 0.01))
  return {
    ...volume,
    edges: volume.edges.map((edge) =>
      isGable(edge)
        ? edge
        : {
            pitchDeg: round(
              clamp(toDegrees(Math.atan(Math.tan(toRadians(edge.pitchDeg)) * times)), 1, 75),
              2,
            ),
          },
    ),
  }
}
