import { type Canopy } from '@/core/kinds/canopy/canopy'
import { type EdgeForm } from '@/core/kinds/volume/volume'
import { type LoadShape } from '@/core/kinds/load/load'
import { type Foliage } from '@/core/kinds/tree/tree'
import { type Season } from '@/core/kinds/underlay/underlay'
import { type Site } from '@/core/kinds/site/site'

/** Names of the archetype days. */
export const loadShapes = {
  evening: 'Away by day',
  'at-home': 'At home by day',
  'all-electric': 'All electric, heat pump',
  'night-car': 'Car charged at night',
  meter: 'As the meter measured',
} satisfies Readonly<Record<LoadShape, string>>

export const fixtureForms = { round: 'round', box: 'box', diameter: 'Diameter' } as const

export const canopyLeaves: Readonly<Record<Canopy['leaves'], string>> = { one: 'one', two: 'two' }
export const canopyCovers: Readonly<Record<Canopy['cover'], string>> = { closed: 'closed', slats: 'slats' }

/** How a house is supplied. */
export const gridPhases: Readonly<Record<Site['gridPhases'], string>> = {
  single: 'one phase',
  split: 'split phase',
  three: 'three phases',
}

/** What lies on a roof. */
export const roofCoverings: Readonly<Record<Site['roofCovering'], string>> = {
  shingle: 'shingles',
  tile: 'tiles',
  'flat-tile': 'flat tiles',
  'standing-seam': 'standing seam',
  metal: 'sheet metal',
  membrane: 'membrane',
}

/** What a tree's card says besides its fields. */
export const treeCard = {
  inLeaf: 'in leaf',
  bare: 'bare',
  leafFrom: 'In leaf from',
  leafTo: 'In leaf to',
  growBy: 'Grow by',
  years: 'years',
} as const

/** What the roof does above an edge of its outline. */
export const edgeForms: Readonly<Record<EdgeForm, string>> = {
  slope: 'slope',
  gable: 'gable',
  'half-hip': 'half-hip',
  mansard: 'mansard',
}

/** General kinds of trees. */
export const foliages: Readonly<Record<Foliage, string>> = {
  broadleaf: 'broadleaf',
  evergreen: 'evergreen',
  conifer: 'conifer',
  palm: 'palm',
}

/** When a picture was taken, by the leaves. */
export const seasons: Readonly<Record<Season, string>> = {
  unknown: 'not known',
  'in-leaf': 'trees in leaf',
  bare: 'trees bare',
}

/** What a kept measure says of itself. */
export const tapeFacts = { direct: 'End to end', level: 'In plan', up: 'Height', slope: 'Slope' } as const
