import { type Terrain, type WindMean, type WindZone } from '@/core/structure/wind'
import { type structureParts } from '@/core/parts/mounting-parts'

const terrains = {
  sea: 'sea or open coast',
  open: 'lake or bare flat land',
  farmland: 'farmland, single houses',
  suburb: 'suburb or woodland',
  city: 'city, tall buildings',
} satisfies Readonly<Record<Terrain, string>>

const windMeans = {
  'ten-minutes': '10-minute mean',
  'three-seconds': '3-second gust',
} satisfies Readonly<Record<WindMean, string>>

const zones = {
  corner: 'corner',
  edge: 'edge',
  ridge: 'ridge',
  middle: 'middle',
} satisfies Readonly<Record<WindZone, string>>

const parts = {
  rail: 'Rails of {length}',
  splice: 'Rail splices',
  'end-clamp': 'End clamps',
  'middle-clamp': 'Mid clamps',
  foot: 'Attachments',
  tray: 'Trays',
  block: 'Ballast blocks of {weight}',
} satisfies Readonly<Record<(typeof structureParts)[number], string>>

/** What modules are held with. */
export const structure = {
  terrains,
  windMeans,
  zones,
  parts,
  reserveHint: 'What modules and mounting may weigh on the roof; empty: not checked',
  show: 'Rails',
  open: 'Structure and mounting',
  title: 'Structure and mounting',
  pitched: 'Pitched roofs, {covering}',
  flat: 'Flat roofs and tilted rows',
  asSuits: 'First that suits: {name}',
  nothing: 'nothing suits',
  gone: 'no longer there',
  unsuited: '{name} (other coverings)',
  every: 'Attach on every … rafter or seam',
  everyHint: '1 for each rafter or seam, 2 for every other; empty: as few as hold',
  fewest: 'as few as hold',
  loads: 'Loads',
  wind: 'Wind pressure at the roof',
  from: 'From the {mean} in Site, {terrain}.',
  snow: 'Snow on the ground',
  design: 'Greatest design load on modules',
  zone: 'Zone',
  uplift: 'Uplift',
  down: 'Down',
  columns: {
    name: 'Array',
    held: 'Rails',
    feet: 'Attachments or blocks',
    most: 'Most on one',
    share: 'Of its strength',
    weight: 'Weight',
    load: 'On the roof',
  },
  sides: {
    up: '{figure} of {limit} uplift',
    down: '{figure} of {limit} down',
    blocks: '{figure} of {limit} blocks',
  },
  none: 'No modules on a roof yet. Lay some first.',
  unsuitable:
    'No mounting that is chosen suits what the modules lie on, so nothing is held. Choose another one.',
  partsTitle: 'Parts',
  csv: 'Save parts as CSV',
  note: 'Pressures after EN 1991-1-3 and -4 with partial factors of EN 1990, without hills, drifts or shear along the slope. Rafters are counted from the plane’s left border. Carports and ground racks have structures of their own. None of this replaces an engineer’s check.',
  picture: 'Rails and attachments from above',
} as const
