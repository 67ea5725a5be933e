import { type Ballast } from './ballast'
import { type Mounting, type RoofCovering } from './mounting'
import { type Racking } from './racking'

/** Nothing that is chosen or in the catalogue can hold an array. */
export interface Unheld {
  readonly is: 'unheld'
  readonly arrayId: string
  /** The mounting that is chosen and does not suit; null where there is none, or no longer. */
  readonly mounting: Mounting | null
  readonly covering: RoofCovering
  /** Whether the modules lie flush on a slope. */
  readonly onSlope: boolean
}

/** What holds the modules of an array. */
export type Holding = Racking | Ballast | Unheld
