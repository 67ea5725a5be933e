import { type KindName, type ObjectOf } from '@/core/kinds/index'

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
  dimension: {
    one: 'dimension',
    named: '{n, plural, =1 {Dimension} other {Dimension #}}',
    fields: { name: 'Name', from: 'Begins', to: 'Ends' },
    handles: { 'dimension-end': 'End' },
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
