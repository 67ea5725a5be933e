import { type Chimney } from '../kinds/chimney/chimney'
import { type Dormer } from '../kinds/dormer/dormer'
import { type Tree } from '../kinds/tree/tree'
import { type Volume } from '../kinds/volume/volume'
import { type FittedBlock } from './above'

/** An object as it would be drawn by hand, before it has an id and a name. */
export type VolumeDraft = Pick<Volume, 'kind' | 'role' | 'outline' | 'eaveHeightM' | 'edges' | 'flat'>
export type DormerDraft = Pick<Dormer, 'kind' | 'form' | 'front' | 'widthM' | 'wallHeightM' | 'pitchDeg'>
export type ChimneyDraft = Pick<
  Chimney,
  'kind' | 'center' | 'widthM' | 'depthM' | 'rotationDeg' | 'heightM'
> & { readonly is: FittedBlock['kind'] }
export type TreeDraft = Pick<Tree, 'kind' | 'center' | 'heightM' | 'crownDiameterM' | 'clearStemM'>

/** A fitted house as objects that can be edited. */
export interface FittedObjects {
  readonly volumes: readonly VolumeDraft[]
  readonly dormers: readonly DormerDraft[]
  readonly chimneys: readonly ChimneyDraft[]
  readonly trees: readonly TreeDraft[]
  /** Share of the roof, in plan, over which the objects lie within 15 cm of the fitted planes. */
  readonly agreement: number
}
