import { type LatLon } from '@/core/geometry/geo'
import { type Vec2 } from '@/core/geometry/vector'
import { type Canopy } from '@/core/kinds/canopy/canopy'
import { type Dormer } from '@/core/kinds/dormer/dormer'
import { type Foliage } from '@/core/kinds/tree/tree'
import { type RoofEdge, type Volume } from '@/core/kinds/volume/volume'

/** A building of the town, metres east and north of the town's middle. */
export interface TownVolume {
  readonly name: string
  readonly outline: readonly Vec2[]
  readonly edges: readonly RoofEdge[]
  readonly eaveHeightM: number
  /** A level roof with this parapet; null for a pitched one. */
  readonly flat: Volume['flat']
}

export interface TownTree {
  readonly name: string
  readonly center: Vec2
  readonly heightM: number
  readonly crownDiameterM: number
  readonly clearStemM: number
  readonly foliage: Foliage
}

export interface Lot {
  readonly address: string
  readonly street: string
  readonly number: number
  readonly center: Vec2
  readonly place: LatLon
  readonly volumes: readonly TownVolume[]
  readonly chimneys: readonly {
    readonly center: Vec2
    readonly widthM: number
    readonly depthM: number
    readonly heightM: number
    /** Counter-clockwise from east; 0 where it is not given. */
    readonly rotationDeg?: number
  }[]
  readonly dormers: readonly Omit<Dormer, 'id' | 'kind'>[]
  readonly canopies: readonly Omit<Canopy, 'id' | 'kind'>[]
  readonly trees: readonly TownTree[]
  /** Corners of the drive. */
  readonly drive: readonly Vec2[]
  readonly roofColour: readonly [number, number, number]
}
