import { newId } from '@/core/model/new-id'
import { ofKind } from '@/core/model/document'
import { defaultRack, rackIdPrefix, type Rack } from '@/core/model/kinds/rack'
import { siteId } from '@/core/model/kinds/site'
import { toast } from '../../store/session'
import { type PointerInput, ToolState } from '../chart'
import { showSketch } from '../trace/sketch'

const message = 'Click open ground to put a rack there.'
const round = (metres: number) => Math.round(metres * 1000) / 1000

/** Puts a rack of modules on the ground where the hand clicks, facing the equator. */
export class StandingRack extends ToolState {
  override enter(): void {
    showSketch(this.context, { message })
  }

  override move(input: PointerInput): void {
    showSketch(this.context, { pointer: input.at, message })
  }

  override press(input: PointerInput): void {
    if (input.hit) {
      showSketch(this.context, { message: 'Something stands there. Click open ground beside the house.' })
      return
    }
    const { documents, session } = this.context
    const site = documents.house[siteId]
    const southern = site?.kind === 'site' && site.latitudeDeg < 0
    const count = ofKind(this.context.option(), 'rack').length
    const rack: Rack = {
      ...defaultRack,
      id: newId(rackIdPrefix, this.context.random),
      name: count === 0 ? 'Ground rack' : `Ground rack ${count + 1}`,
      center: [round(input.at[0]), round(input.at[1])],
      azimuthDeg: southern ? 0 : 180,
    }
    documents.edit('Put up a rack', session.getState().optionId, (before) => ({ ...before, [rack.id]: rack }))
    session.setState({ sketch: null, selection: { kind: 'object', id: rack.id } })
    toast(this.context.session, `${rack.rows * rack.columns} modules on the ground.`, true)
    this.leave()
  }

  override cancel(): void {
    this.context.session.setState({ sketch: null })
    this.leave()
  }
}
