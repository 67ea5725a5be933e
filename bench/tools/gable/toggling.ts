import { defaultPitchDeg, isGable, type RoofEdge, type Volume } from '@/core/model/kinds/volume'
import { ofKind } from '@/core/model/document'
import { Fault } from '@/core/model/fault'
import { rayLevel } from '@/core/geometry/ray'
import { nearestOnSegment } from '@/core/geometry/polygon'
import { type Vec2 } from '@/core/geometry/vector'
import { buildRoof } from '@/core/roof/roof'
import { houseId } from '../../store/documents'
import { type PointerInput, ToolState } from '../chart'
import { showSketch } from '../trace/sketch'

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
    showSketch(this.context, { message: 'Click an edge of the roof to make it a gable, or an eave again.' })
  }

  override move(input: PointerInput): void {
    const edge = this.#edgeAt(input)
    showSketch(this.context, {
      points: edge ? edge.ends : [],
      message: edge
        ? isGable(edge.edge)
          ? 'Click: eave again'
          : 'Click: gable'
        : 'Click an edge of the roof to make it a gable, or an eave again.',
    })
  }

  override press(input: PointerInput): void {
    const found = this.#edgeAt(input)
    if (!found) return
    const next = toggled(found.volume, found.index)
    try {
      buildRoof(next)
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      showSketch(this.context, { points: found.ends, message: error.message })
      return
    }
    this.context.documents.edit('Gable', houseId, (before) => ({ ...before, [next.id]: next }))
    this.context.session.setState({ selection: { kind: 'object', id: next.id } })
  }

  override cancel(): void {
    this.context.session.setState({ sketch: null })
    this.leave()
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
    return found as EdgeHit | null
  }
}

/** The other kind of edge; a new eave takes the pitch of the others. */
export function toggled(volume: Volume, index: number): Volume {
  const pitch =
    volume.edges.map((edge) => (isGable(edge) ? null : edge.pitchDeg)).find((value) => value !== null) ??
    defaultPitchDeg
  return {
    ...volume,
    edges: volume.edges.map((edge, i) =>
      i !== index ? edge : isGable(edge) ? { pitchDeg: pitch } : { gable: true },
    ),
  }
}
