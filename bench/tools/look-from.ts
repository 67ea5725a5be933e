import { type Vec2 } from '@/core/geometry/vector'
import { eyeOver } from '@/core/shade/eye'
import { later } from '@/words/en/later'
import { type LookFrom } from '../store/session'
import { type PointerInput } from './chart'
import { PointState } from './point-state'
import { showSketch } from './sketch'

/** Waits for a point that the sun's ways are to be seen from. */
export class LookFromPoint extends PointState {
  override enter(): void {
    this.#show(null)
  }

  override move(input: PointerInput): void {
    this.at = input.at
    this.#show(input)
  }

  override press({ hit, at }: PointerInput): void {
    const { session } = this.context
    this.end()
    if (hit?.kind === 'panel') {
      session.setState({
        selection: { kind: 'panel', id: hit.id, arrayId: hit.arrayId },
        lookFrom: null,
        dialog: 'shade',
      })
      return
    }
    session.setState({ lookFrom: eyeAt(hit, at), dialog: 'shade' })
  }

  override cancel(): void {
    this.end()
  }

  #show(input: PointerInput | null): void {
    showSketch(this.context, {
      marks: input ? [eyeAt(input.hit, input.at).at] : [],
      message: later.shade.lookHint,
    })
  }
}

/** The eye a little out of the plane that is met, or over the ground or another thing. */
function eyeAt(hit: PointerInput['hit'], [x, y]: Vec2): LookFrom {
  const normal = hit?.kind === 'face' ? hit.face.normal : null
  return { at: eyeOver(hit?.point ?? [x, y, 0], normal), normal }
}
