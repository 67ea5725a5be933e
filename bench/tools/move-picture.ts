import { type Vec2 } from '@/core/geometry/vector'
import { siteId } from '@/core/kinds/site/site'
import { shiftFromTo } from '@/core/kinds/site/sheet-shift'
import { formatLength } from '@/core/model/units'
import { later } from '@/words/en/later'
import { houseId } from '../store/documents'
import { toast } from '../store/session'
import { type PointerInput, type ToolContext } from './chart'
import { PointState } from './point-state'
import { showSketch, snapped } from './sketch'

const words = later.aerial

/** Waits for a point of the aerial picture: what is seen there, so that nothing of the model holds it. */
export class MovePictureFrom extends PointState {
  override enter(): void {
    this.#show()
  }

  override move(input: PointerInput): void {
    this.at = input.at
    this.#show()
  }

  override press(input: PointerInput): void {
    this.go(new MovePictureTo(this.context, input.at))
  }

  override cancel(): void {
    this.end()
  }

  #show(): void {
    showSketch(this.context, { pointer: this.at, message: words.first })
  }
}

/** The point is known; the next click says where it belongs. */
class MovePictureTo extends PointState {
  readonly #from: Vec2

  constructor(context: ToolContext, from: Vec2) {
    super(context, from)
    this.#from = from
  }

  override enter(): void {
    this.#show()
  }

  override move(input: PointerInput): void {
    this.at = snapped(this.context, input, []).point
    this.#show()
  }

  override press(input: PointerInput): void {
    const { documents, session, sayer, units, locale } = this.context
    const { point } = snapped(this.context, input, [])
    const { fault, step } = documents.edit(words.shifted, houseId, (before) => {
      const site = before[siteId]
      return site?.kind === 'site'
        ? { ...before, [siteId]: { ...site, sheetShiftM: shiftFromTo(site.sheetShiftM, this.#from, point) } }
        : before
    })
    const byM = Math.hypot(point[0] - this.#from[0], point[1] - this.#from[1])
    session.setState({ sketch: null })
    if (fault) {
      toast(session, sayer().fault(fault))
      this.go(new MovePictureFrom(this.context, this.#from))
      return
    }
    toast(session, sayer().say(words.done, { by: formatLength(byM, units(), locale()) }), step)
    this.leave()
  }

  override cancel(): void {
    this.go(new MovePictureFrom(this.context, this.#from))
  }

  #show(): void {
    showSketch(this.context, { points: [this.#from], pointer: this.at, message: words.second })
  }
}
