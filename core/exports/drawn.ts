import { type LatLon } from '../geometry/geo'
import { type Site } from '../site/site'
import { type Holding } from '../structure/holding'

/** What is written into a drawing: the site's geometry, where on earth it is, and what its objects are called. */
export interface Drawn {
  readonly site: Site
  /** The origin of the site's metres. */
  readonly place: LatLon & { readonly elevationM: number }
  readonly nameOf: (id: string) => string
  /** What holds the modules, for drawings that show it. */
  readonly holdings?: readonly Holding[]
}
