import { type Season } from '@/core/kinds/underlay/underlay'
import { type BarrierUse } from '@/core/kinds/barrier/barrier'
import { type Canopy, type CanopyUse } from '@/core/kinds/canopy/canopy'
import { type DormerForm } from '@/core/kinds/dormer/dormer'
import { type EdgeForm } from '@/core/kinds/volume/volume'
import { type FixtureUse } from '@/core/kinds/fixture/fixture'
import { type Foliage } from '@/core/kinds/tree/tree'
import { type LoadShape } from '@/core/kinds/load/load'
import { type Site } from '@/core/kinds/site/site'

/** Names of the archetype days. */
export const loadShapes = {
  evening: 'Away by day',
  'at-home': 'At home by day',
  'all-electric': 'All electric, heat pump',
  'night-car': 'Car charged at night',
} satisfies Readonly<Record<LoadShape, string>>

/** What a fixture is. */
export const fixtureUses: Readonly<Record<FixtureUse, string>> = {
  pipe: 'vent pipe',
  vent: 'roof vent',
  dish: 'satellite dish',
  'air-conditioner': 'air-conditioning unit',
  box: 'box',
}

export const fixtureForms = { round: 'round', box: 'box', diameter: 'Diameter' } as const

/** What a canopy is, how many leaves its roof has, and what they are covered with. */
export const canopyUses: Readonly<Record<CanopyUse, string>> = { carport: 'carport', pergola: 'pergola' }
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

/** General kinds of trees. */
export const foliages: Readonly<Record<Foliage, string>> = {
  broadleaf: 'broadleaf',
  evergreen: 'evergreen',
  conifer: 'conifer',
  palm: 'palm',
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

/** What the card of several things in hand says. */
export const severalCard = {
  objects: '{n} objects',
  modules: '{n} modules',
  selected: 'selected',
  turnBy: 'Turn by',
  turnHint: 'Clockwise; -15 turns the other way',
  copy: 'Copy',
  copyHint: 'Duplicate beside them: Ctrl D',
  flipEast: 'Flip E–W',
  flipEastHint: 'Mirror east for west: X',
  flipNorth: 'Flip N–S',
  flipNorthHint: 'Mirror north for south: J',
  hide: 'Hide',
  hideHint: 'Out of the picture, not out of the figures: Z',
  wholeArray: 'Whole array',
  wholeArrayHint: 'Select the arrays that they belong to',
  meanSun: 'Irradiation, mean',
  meanAccess: 'Sun access, mean',
  onGround: {
    align: { across: 'East–west', up: 'North–south' },
    across: {
      low: 'West sides',
      middle: 'Middles, east–west',
      high: 'East sides',
      even: 'Even gaps, east–west',
    },
    up: {
      low: 'South sides',
      middle: 'Middles, north–south',
      high: 'North sides',
      even: 'Even gaps, north–south',
    },
  },
  onPlane: {
    align: { across: 'Along the eave', up: 'Up the slope' },
    across: {
      low: 'Left sides along the eave',
      middle: 'Middles, one above the other',
      high: 'Right sides along the eave',
      even: 'Even gaps along the eave',
    },
    up: {
      low: 'Lower sides at one height',
      middle: 'Middles at one height',
      high: 'Upper sides at one height',
      even: 'Even gaps up the slope',
    },
  },
} as const

/** Pictures and drawings of one's own under the model. */
export const underlays = {
  picture: 'picture',
  drawing: 'drawing',
  add: 'Add picture or drawing',
  reading: 'Reading …',
  label: 'Add picture or drawing',
  laid: 'Laid at the site. Drag it by its grip, or set its scale{count, plural, =0 {} one {; # text or hatch is not shown} other {; # texts, hatches and dimensions are not shown}}.',
  waiting: 'Fetching …',
  size: 'Size',
  calibrate: 'Set scale by two points',
  turnHint: 'Clockwise',
  order: 'Order',
  top: 'To the top',
  bottom: 'To the bottom',
  unitTitle: 'Unit of the drawing',
  whichUnit: '“{name}” does not say its units. How large is it?',
  units: { mm: 'millimetres', cm: 'centimetres', m: 'metres', in: 'inches', ft: 'feet' },
} as const

/** When a picture was taken, by the leaves. */
export const seasons: Readonly<Record<Season, string>> = {
  unknown: 'not known',
  'in-leaf': 'trees in leaf',
  bare: 'trees bare',
}

/** What a barrier is. */
export const barrierUses: Readonly<Record<BarrierUse, string>> = {
  fence: 'fence',
  hedge: 'hedge',
  wall: 'wall',
}

/** The roof of a building as a whole, and what stands around a flat one. */
export const roofForms = {
  pitched: 'pitched',
  flat: 'flat',
  parapet: 'Parapet height',
  level: 'Level',
} as const

/** The roof of a dormer. */
export const dormerForms: Readonly<Record<DormerForm, string>> = {
  gable: 'gable dormer',
  hip: 'hipped dormer',
  shed: 'shed dormer',
  flat: 'flat dormer',
}

/** What the roof does above an edge of its outline. */
export const edgeForms: Readonly<Record<EdgeForm, string>> = {
  slope: 'slope',
  gable: 'gable',
  'half-hip': 'half-hip',
  mansard: 'mansard',
}

/** Edges of roof planes. */
export const edges = { eave: 'Eave', ridge: 'Ridge', rake: 'Rake', hip: 'Hip', valley: 'Valley' } as const

/** Directions an array looks, from north in steps of 45 degrees. */
export const compass = {
  n: 'North',
  ne: 'North-east',
  e: 'East',
  se: 'South-east',
  s: 'South',
  sw: 'South-west',
  w: 'West',
  nw: 'North-west',
} as const

/** Where something lies among its like. */
export const compassPlaces = {
  n: 'north',
  ne: 'north-east',
  e: 'east',
  se: 'south-east',
  s: 'south',
  sw: 'south-west',
  w: 'west',
  nw: 'north-west',
  middle: 'middle',
} as const

/** The table of roof planes. */
export const roofPlanes = {
  caption: 'Roof planes, {area}',
  plane: 'Plane',
  pitch: 'Pitch',
  azimuth: 'Azimuth',
  area: 'Area',
  name: 'Name',
  rename: 'Name of the plane',
} as const

/** What the edges of a plane are. */
export const planeEdges = {
  eave: 'Eave',
  ridge: 'Ridge',
  hip: 'Hip',
  valley: 'Valley',
  rake: 'Rake',
  wall: 'Wall',
} as const
