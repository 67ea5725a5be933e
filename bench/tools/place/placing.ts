import { newId } from '@/core/model/new-id'
import { chimneyIdPrefix, defaultChimney } from '@/core/model/kinds/chimney'
import { siteId } from '@/core/model/kinds/site'
import { broadleafTransmissivity, defaultTree, treeIdPrefix } from '@/core/model/kinds/tree'
import { type AnyObject, ofKind } from '@/core/model/document'
import { toDegrees } from '@/core/model/units'
import { type Vec2 } from '@/core/geometry/vector'
import { houseId } from '../../store/documents'
import { type PointerInput, type ToolContext, ToolState } from '../chart'
import { showSketch } from '../trace/sketch'

const round = (metres: number) => Math.round(metres * 1000) / 1000

/** Sets a chimney on the roof or a tree on the ground where the hand clicks. */
export class Placing extends ToolState {
  readonly #what: 'chimney' | 'tree'

  constructor(context: ToolContext, what: 'chimney' | 'tree') {
    super(context)
    this.#what = what
  }

  override move(input: PointerInput): void {
    showSketch(this.context, { pointer: this.#where(input), message: this.#missing(input) })
  }

  override press(input: PointerInput): void {
    const missing = this.#missing(input)
    if (missing) {
      showSketch(this.context, { message: missing })
      return
    }
    const [x, y] = this.#where(input)
    const center: Vec2 = [round(x), round(y)]
    const object = this.#what === 'chimney' ? this.#chimney(center, input) : this.#tree(center)
    this.context.documents.edit(`Put up ${object.kind}`, houseId, (before) => ({
      ...before,
      [object.id]: object,
    }))
    this.context.session.setState({ sketch: null, selection: { kind: 'object', id: object.id } })
    this.leave()
  }

  override cancel(): void {
    this.context.session.setState({ sketch: null })
    this.leave()
  }

  #where(input: PointerInput): Vec2 {
    return this.#what === 'chimney' && input.hit ? [input.hit.point[0], input.hit.point[1]] : input.at
  }

  #missing(input: PointerInput): string | null {
    const onRoof = input.hit?.kind === 'plane' || input.hit?.kind === 'panel' || input.hit?.kind === 'slot'
    return this.#what === 'chimney' && !onRoof ? 'A chimney stands on a roof: click a roof plane.' : null
  }

  #chimney(center: Vec2, { hit }: PointerInput): AnyObject {
    const house = this.context.documents.house
    const count = ofKind(house, 'chimney').length
    const volume = hit?.kind === 'plane' ? house[hit.volumeId] : undefined
    const [a, b] = volume?.kind === 'volume' ? volume.outline : []
    const rotationDeg = a && b ? round(toDegrees(Math.atan2(b[1] - a[1], b[0] - a[0]))) : 0
    return {
      ...defaultChimney,
      id: newId(chimneyIdPrefix, this.context.random),
      name: count === 0 ? 'Chimney' : `Chimney ${count + 1}`,
      center,
      rotationDeg,
    }
  }

  #tree(center: Vec2): AnyObject {
    const house = this.context.documents.house
    const site = house[siteId]
    const latitude = site?.kind === 'site' ? site.latitudeDeg : 0
    const count = ofKind(house, 'tree').length
    return {
      ...defaultTree,
      id: newId(treeIdPrefix, this.context.random),
      name: `Tree ${count + 1}`,
      center,
      transmissivity: broadleafTransmissivity(latitude),
    }
  }
}
