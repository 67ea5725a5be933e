import { type KindName, type ObjectOf } from '@/core/kinds/index'
import { type EdgeForm } from '@/core/kinds/volume/volume'
import { type DormerForm } from '@/core/kinds/dormer/dormer'
import { type BarrierUse } from '@/core/kinds/barrier/barrier'
import { type Canopy, type CanopyUse } from '@/core/kinds/canopy/canopy'
import { type FixtureUse } from '@/core/kinds/fixture/fixture'
import { type Site } from '@/core/kinds/site/site'
import { type Foliage } from '@/core/kinds/tree/tree'
import { type LoadShape } from '@/core/kinds/load/load'

/** What a kind of object, its fields and its grips are called. */
interface KindWords<T> {
  /** In a list, beside its name. */
  readonly one: string
  /** A new one; `n` counts those of its kind, itself included. */
  readonly named: string
  readonly fields: Readonly<Partial<Record<keyof T, string>>>
  /** What each grip changes. */
  readonly handles?: Readonly<Record<string, string>>
}

export const kinds = {
  site: {
    one: 'site',
    named: 'Site',
    fields: {
      address: 'Address',
      stationId: 'Weather',
      sheetStrength: 'Strength',
      units: 'Units',
      currency: 'Currency',
      timeZone: 'Time zone',
      lowestTemperatureC: 'Lowest air temperature',
      highestTemperatureC: 'Highest air temperature',
      albedoByMonth: 'Albedo',
      skyModel: 'Sky model',
      exportLimitKw: 'Export limit',
      contactName: 'Contact',
      contactPhone: 'Phone',
      contactEmail: 'Email',
      notes: 'Notes',
      gridPhases: 'Supply',
      gridVoltageV: 'Voltage',
      snowLoadKpa: 'Snow load, ground',
      windMs: 'Basic wind speed',
      roofCovering: 'Roof covering',
      rafterSpacingM: 'Rafter spacing',
    },
  },
  volume: {
    one: 'building',
    named: '{n, plural, =1 {House} other {Building #}}',
    fields: { name: 'Name', eaveHeightM: 'Eave height', role: 'Part of', edges: 'Pitch', flat: 'Roof' },
    handles: {
      corner: 'Corner',
      'new-corner': 'New corner',
      eave: 'Eave height',
      ridge: 'Pitch',
      parapet: 'Parapet height',
    },
  },
  canopy: {
    one: 'carport or pergola',
    named: '{n, plural, =1 {Carport} other {Carport #}}',
    fields: {
      name: 'Name',
      use: 'Type',
      leaves: 'Roof leaves',
      cover: 'Cover',
      eaveHeightM: 'Eave height',
      widthM: 'Along the eave',
      depthM: 'Depth',
      rotationDeg: 'Rotation',
      pitchDeg: 'Pitch',
    },
    handles: {
      'canopy-width': 'Along the eave',
      'canopy-depth': 'Depth',
      'canopy-eave': 'Eave height',
      'canopy-ridge': 'Pitch',
    },
  },
  dormer: {
    one: 'dormer',
    named: '{n, plural, =1 {Dormer} other {Dormer #}}',
    fields: {
      name: 'Name',
      form: 'Roof form',
      widthM: 'Width',
      wallHeightM: 'Front wall height',
      pitchDeg: 'Pitch',
      clearanceM: 'Clearance',
    },
    handles: { 'dormer-width': 'Width', 'dormer-wall': 'Front wall height', 'dormer-ridge': 'Pitch' },
  },
  chimney: {
    one: 'obstruction',
    named: '{n, plural, =1 {Chimney} other {Chimney #}}',
    fields: {
      name: 'Name',
      heightM: 'Height above roof',
      widthM: 'Width',
      depthM: 'Depth',
      rotationDeg: 'Rotation',
      clearanceM: 'Clearance',
    },
    handles: { 'chimney-top': 'Height' },
  },
  skylight: {
    one: 'roof window',
    named: '{n, plural, =1 {Skylight} other {Skylight #}}',
    fields: {
      name: 'Name',
      widthM: 'Width',
      lengthM: 'Length up slope',
      upstandM: 'Upstand',
      clearanceM: 'Clearance',
    },
    handles: { width: 'Width', length: 'Length' },
  },
  fixture: {
    one: 'fixture',
    named: '{n, plural, =1 {Vent pipe} other {Vent pipe #}}',
    fields: {
      name: 'Name',
      use: 'Type',
      form: 'Shape',
      heightM: 'Height',
      widthM: 'Width',
      depthM: 'Depth',
      rotationDeg: 'Rotation',
      clearanceM: 'Clearance',
    },
    handles: { 'fixture-top': 'Height' },
  },
  tree: {
    one: 'tree',
    named: 'Tree {n, number}',
    fields: {
      name: 'Name',
      heightM: 'Height',
      foliage: 'Type',
      crownDiameterM: 'Crown width',
      clearStemM: 'Clear stem',
      transmissivity: 'Transmissivity',
    },
    handles: { 'tree-top': 'Height', 'clear-stem': 'Clear stem', crown: 'Crown width' },
  },
  barrier: {
    one: 'fence or hedge',
    named: '{n, plural, =1 {Fence} other {Fence #}}',
    fields: { name: 'Name', use: 'Type', heightM: 'Height', thicknessM: 'Thickness' },
    handles: { 'barrier-corner': 'Corner', 'new-corner': 'New corner', 'barrier-top': 'Height' },
  },
  load: {
    one: 'consumption',
    named: 'Consumption',
    fields: { annualKwh: 'Annual consumption', shape: 'Load shape' },
  },
  tariff: {
    one: 'tariff',
    named: 'Tariff',
    fields: {
      name: 'Name',
      fixedPerMonth: 'Monthly fixed charge',
      pricePerKwh: 'Price per kWh',
      exportPerKwh: 'Export price per kWh',
      periods: 'Periods',
    },
  },
  array: {
    one: 'array',
    named: 'Array',
    fields: { orientation: 'Orientation', liftM: 'Off the roof', gapM: 'Gap', removed: 'Removed modules' },
  },
  rack: {
    one: 'ground-mounted',
    named: '{n, plural, =1 {Ground rack} other {Ground rack #}}',
    fields: {
      name: 'Name',
      tracking: 'Tracking',
      rows: 'Rows',
      columns: 'Modules per row',
      rowPitchM: 'Row pitch',
      tiltDeg: 'Tilt',
      azimuthDeg: 'Azimuth',
      limitDeg: 'Rotation limit',
      backtracking: 'Backtracking between rows',
      clearanceM: 'Ground clearance',
      orientation: 'Orientation',
    },
  },
  cover: {
    one: 'module and setbacks',
    named: 'Cover',
    fields: { moduleId: 'Module', setbacksM: 'Setbacks' },
  },
  electrical: {
    one: 'wiring',
    named: 'Wiring',
    fields: { inverterId: 'Inverter', modulesPerString: 'Modules per string' },
  },
  losses: {
    one: 'losses',
    named: 'Losses',
    fields: {
      soiling: 'Soiling',
      snow: 'Snow',
      lightInduced: 'Light-induced',
      nameplate: 'Nameplate',
      wiring: 'Wiring',
      connections: 'Connections',
      availability: 'Downtime',
      other: 'Other losses',
    },
  },
  storage: {
    one: 'battery',
    named: 'Battery',
    fields: { batteryId: 'Battery', count: 'Quantity', reserve: 'Backup reserve' },
  },
  offer: {
    one: 'offer',
    named: 'Offer',
    fields: {
      name: 'Option name',
      pricePerWatt: 'Price per watt',
      equipment: 'Modules and inverter',
      listShare: 'Of list prices',
      pricePerBattery: 'Price per battery',
      incentiveShare: 'Incentive',
      upkeepPerYear: 'Annual maintenance',
      years: 'Years',
      escalation: 'Energy price growth',
      discountRate: 'Discount rate',
    },
  },
} satisfies { readonly [K in KindName]: KindWords<ObjectOf<K>> }

/** Names of the archetype days. */
export const loadShapes = {
  evening: 'Away by day',
  'at-home': 'At home by day',
  'all-electric': 'All electric, heat pump',
  'night-car': 'Car charged at night',
} satisfies Readonly<Record<LoadShape, string>>

/** What the tape says. */
export const tape = {
  next: 'Click where it ends.',
  reading:
    '{direct} from end to end{way, select, level {, level} other {: {level} in plan, {up} {way, select, up {up} other {down}}, {slope}}}',
} as const

/** What the tool for measured heights says. */
export const pitching = {
  label: 'Pitch from heights',
  typeHeight: 'Type its height over the ground and press Enter. As drawn it is at {now}.',
  next: 'Click another point of the same plane, higher or lower on the slope.',
  two: '{pitch}. Enter sets the pitch; a third point sets the eave height as well.',
  more: '{pitch}, {off} off at most. Enter sets pitch and eave height, another click adds a point.',
  sideBySide: 'These points lie side by side along the eave: one higher or lower on the slope is needed.',
  samePlane: 'That is another plane. All points belong on the one that was clicked first.',
  notThis: 'This plane has no pitch of its own to set: click a sloping plane of a house.',
  outside: 'That would be a pitch of {pitch}: check the heights.',
  done: 'Pitch {pitch} from {count, number} heights{count, select, 2 {} other {, {off} off at most}}.',
} as const

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

/** The places of the outline. */
export const chapters = {
  site: 'Site',
  shape: 'Shape',
  cover: 'Cover',
  wire: 'Wire',
  match: 'Match',
  store: 'Store',
  offer: 'Offer',
} as const

/** Tools: their button, their command, what to do with them in hand, and what is said where that can't be done. */
export const tools = {
  select: { button: 'Select', command: 'Select', hint: '', wrong: '' },
  trace: { button: 'Outline', command: 'Trace an outline', hint: '', wrong: '' },
  gable: {
    button: 'Gable',
    command: 'Turn edges into gables',
    hint: 'Click an edge of the roof to turn it into a gable, or back into an eave.',
    wrong: 'A flat roof has no gables. Make it a pitched roof on its card first.',
  },
  pitch: {
    button: 'Pitch',
    command: 'Set a pitch from measured heights',
    hint: 'Click a point of a roof plane whose height you know.',
    wrong: 'No roof plane there. Click a point of a roof plane.',
  },
  dormer: {
    button: 'Dormer',
    command: 'Add a dormer',
    hint: 'Click a roof plane where the front of the dormer stands, or go there with the arrow keys and press Enter.',
    wrong: 'A dormer stands on a roof: click a roof plane.',
  },
  chimney: {
    button: 'Chimney',
    command: 'Add a chimney',
    hint: 'Click a roof plane to put a chimney there, or go there with the arrow keys and press Enter.',
    wrong: 'A chimney stands on a roof: click a roof plane.',
  },
  skylight: {
    button: 'Skylight',
    command: 'Add a skylight',
    hint: 'Click a roof plane to put a skylight there, or go there with the arrow keys and press Enter.',
    wrong: 'A skylight lies in a roof: click a roof plane.',
  },
  fixture: {
    button: 'Vent',
    command: 'Add a vent, pipe, dish or unit',
    hint: 'Click where it stands, on a roof or on the ground, or go there with the arrow keys and press Enter. Its card says what it is.',
    wrong: 'Something else stands there. Click a roof plane or open ground.',
  },
  canopy: {
    button: 'Carport',
    command: 'Add a carport or pergola',
    hint: 'Click open ground to put a carport there, or go there with the arrow keys and press Enter. Its card makes it a pergola.',
    wrong: 'Something stands there. Click open ground beside the house.',
  },
  barrier: {
    button: 'Fence',
    command: 'Draw a fence, hedge or wall',
    hint: '',
    wrong: '',
  },
  tree: {
    button: 'Tree',
    command: 'Add a tree',
    hint: 'Click where the tree stands, or go there with the arrow keys and press Enter.',
    wrong: '',
  },
  tape: {
    button: 'Measure',
    command: 'Measure a distance',
    hint: 'Click where the tape begins; it holds on to corners (Shift: not).',
    wrong: '',
  },
  lay: {
    button: 'Modules',
    command: 'Lay modules on a plane',
    hint: 'Click a roof plane to fill it with modules.',
    wrong: 'No roof plane there. Click a roof plane to fill it with modules.',
  },
  rack: {
    button: 'Rack',
    command: 'Add a ground rack',
    hint: 'Click open ground to put a rack there, or go there with the arrow keys and press Enter.',
    wrong: 'Something stands there. Click open ground beside the house.',
  },
} as const
