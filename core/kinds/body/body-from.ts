import { type ReadModel } from '../../imports/model/mesh'
import { type Body } from './body'
import { boundsOf } from '../../geometry/bounds'
import { stoodModel } from './stood'

/** A model that is wider than this is what stands around, no tower or chimney of the house. */
const widestThingM = 25
const usualClearanceM = 0.15

/** What its file does not say of a model. */
export interface Told {
  readonly id: string
  readonly name: string
  readonly metresPerUnit: number
  readonly up: 'y' | 'z'
}

/**
 * The body that a read model makes: at the site, on the ground, its size as told.
 * @throws Fault `model-size`
 */
export function bodyFrom(model: ReadModel, { id, name, metresPerUnit, up }: Told): Body {
  const stood = stoodModel(model, metresPerUnit, up)
  const [low, high] = boundsOf(stood.vertices)
  const around = model.format === 'ifc' || Math.max(high[0] - low[0], high[1] - low[1]) > widestThingM
  return {
    id,
    kind: 'body',
    name,
    ...stood,
    center: [0, 0],
    rotationDeg: 0,
    scale: 1,
    footM: 0,
    keepsOff: !around,
    clearanceM: usualClearanceM,
    background: around,
  }
}
