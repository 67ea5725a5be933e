import { isGable, type RoofEdge, type Volume } from '@/core/kinds/volume/volume'
import { ofKind } from '@/core/kinds/documents'
import { Fault } from '@/core/model/fault'
import { rayLevel } from '@/core/geometry/ray'
import { nearestOnSegment } from '@/core/geometry/polygon'
import { type Vec2 } from '@/core/geometry/vector'
import { buildRoof } from '@/core/roof/roof'
import { houseId } from '../../store/documents'
import { type PointerInput, ToolState } from '../../tools/chart'
import { unlockedOf } from '../../tools/select/lock'
import { showSketch } from '../../tools/sketch'
import { toggled } from './toggled'

/** Metres from an eave within which a click means it. */
const nearM = 1.5

interface EdgeHit {
  readonly volume: Volume
  readonly index: number
  readonly edge: RoofEdge
  readonly ends: readonly [Vec2, Vec2]
}

/** Makes the clicked eave a gable, or a gable an eave again. */
export class TogglingGable extends ToolState {
  override enter(): void {
    showSketch(this.context, { message: this.#hint })
  }

  override move(input: PointerInput): void {
    const edge = this.#edgeAt(input)
    showSketch(this.context, {
      points: edge ? edge.ends : [],
      message: edge ? this.#offerFor(edge) : this.#hint,
    })
  }

  override press(input: PointerInput): void {
    const found = this.#edgeAt(input)
    if (!found || unlockedOf(this.context, [{ object: found.volume }]).length === 0) return
    if (found.volume.flat) {
      showSketch(this.context, { points: found.ends, message: this.#flat })
      return
    }
    const next = toggled(found.volume, found.index)
    try {
      buildRoof(next)
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      showSketch(this.context, { points: found.ends, message: this.context.sayer().fault(error) })
      return
    }
    this.context.documents.edit('Gable', houseId, (before) => ({ ...before, [next.id]: next }))
    this.context.session.setState({ selection: { kind: 'object', id: next.id } })
  }

  override cancel(): void {
    this.context.session.setState({ sketch: null })
    this.leave()
  }

  #offerFor({ volume, edge }: EdgeHit): string {
    if (volume.flat) return this.#flat
    return isGable(edge) ? 'Click: back to eave' : 'Click: gable'
  }

  get #flat(): string {
    return this.context.sayer().words.tools.gable.wrong
  }

  get #hint(): string {
    return this.context.sayer().words.tools.gable.hint
  }

  #edgeAt(input: PointerInput): EdgeHit | null {
    let nearest = Infinity
    let found: EdgeHit | null = null
    for (const volume of ofKind(this.context.documents.house, 'volume')) {
      const at = rayLevel(input.ray, volume.eaveHeightM)
      if (!at) continue
      volume.outline.forEach((a, index) => {
        const b = volume.outline[(index + 1) % volume.outline.length] ?? a
        const edge = volume.edges[index]
        const { distanceM } = nearestOnSegment(a, b, [at[0], at[1]])
        if (edge && distanceM < Math.min(nearest, nearM)) {
          nearest = distanceM
          found = { volume, index, edge, ends: [a, b] }
        }
      })
    }
    return found
  }
}
