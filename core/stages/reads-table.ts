/** Which stages are to read what: the table that `reads.test.ts` holds the chain against. */

/** Fields that nothing is computed from: what things are called, how they are shown, and what nobody is paid. */
export const unread: Readonly<Record<string, readonly string[]>> = {
  'array-south': ['name', 'locked'],
  // The station is asked for where the world is put together.
  site: [
    ...['address', 'town', 'currency', 'locale', 'stationId'],
    ...['sheetStrength', 'sheetPicture', 'sheetShiftM'],
    ...['contactName', 'contactPhone', 'contactEmail', 'notes'],
  ],
  'tariff-now': ['name', 'utility', 'exportPerKwh', 'exports'],
  'tariff-then': ['name', 'utility'],
  'volume-1': ['name', 'locked', 'planeNames'],
  'chimney-1': ['name', 'locked'],
  'tree-1': ['name', 'locked'],
  'rack-1': ['name', 'locked'],
  offer: ['name', 'alsoShown', 'validDays', 'page', 'gridCo2', 'ranges'],
}

export const ground = 'ground objects, dormers, roof objects, fields'
const roof = 'roof objects, fields'
export const ownBattery = 'dispatch, account of use'

/** Of a tariff: what stands on a bill alone, and what prices depend on too. */
const billed = ['fixedPerMonth', 'fixedPerDay', 'tiers', 'demand', 'minimumPerMonth', 'credits', 'taxes']
const priced = ['pricePerKwh', 'periods', 'holidays', 'nonBypassablePerKwh']

/** Readers of each field that is read. */
export const read: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  site: {
    latitudeDeg: 'sun, steady load',
    longitudeDeg: 'sun',
    elevationM: 'sun',
    farHorizon: 'horizon',
    shadeFrom: '',
    timeZone: 'clock',
    lowestTemperatureC: 'strings, account of wiring',
    // Conductors are told by gauge where lengths are told in feet.
    units: 'cables, account of modules, account of cables, account of the inverter',
    gridVoltageV: 'cables, account of cables, account of the connection',
    busbarA: 'account of the connection',
    mainBreakerA: 'account of the connection',
    unbalancedKw: 'account of the connection',
    shutdownAsked: 'account of the connection',
    loadCentreAt: 'cables, account of cables',
    gridPhases: 'cables, account of wiring, account of cables, account of the connection',
    highestTemperatureC: 'strings',
    albedoByMonth: 'plane light, account of light',
    skyModel: 'sky, account of light',
    exportLimitKw: 'feed-in limit',
    exportLimitShare: 'feed-in limit',
    ...Object.fromEntries(
      ['snowLoadKpa', 'windMs', 'windMean', 'terrain', 'roofCovering', 'rafterSpacingM'].map((field) => [
        field,
        'structure',
      ]),
    ),
    roofReserveKpa: 'account of the structure',
  },
  load: {
    annualKwh: 'steady load',
    shape: 'steady load, account of use',
    byMonth: 'steady load',
    meter: 'steady load',
    added: 'steady load, load then, account of use, load now, years',
    // What they say stands in consumption and months.
    bills: '',
  },
  'tariff-now': {
    ...Object.fromEntries(billed.map((field) => [field, 'bill now'])),
    ...Object.fromEntries(priced.map((field) => [field, 'price now, bill now'])),
    priceSteps: 'price now, bill now, finance',
  },
  'tariff-then': {
    ...Object.fromEntries(billed.map((field) => [field, 'bill then, years'])),
    ...Object.fromEntries(priced.map((field) => [field, 'price then, export price, bill then, years'])),
    priceSteps: 'price then, export price, bill then, years, finance',
    nonBypassablePerKwh: 'price then, bill then, years',
    exportPerKwh: 'export price, bill then, years',
    exports: 'export price, bill then, years',
  },
  'volume-1': {
    role: ground,
    outline: ground,
    eaveHeightM: ground,
    edges: ground,
    flat: ground,
    overhang: ground,
  },
  'tree-1': {
    center: ground,
    heightM: ground,
    crownDiameterM: ground,
    clearStemM: ground,
    foliage: ground,
    transmissivity: ground,
  },
  'chimney-1': {
    center: roof,
    widthM: roof,
    depthM: roof,
    rotationDeg: roof,
    heightM: roof,
    clearanceM: `${roof}, account of setbacks`,
  },
  'array-south': {
    volumeId: 'fields',
    edgeIndex: 'fields',
    step: 'fields',
    orientation: 'fields',
    gapM: 'fields',
    edgesM: 'fields, account of setbacks',
    liftM: 'fields, site',
    pattern: 'fields',
    part: 'fields, account of the site',
    turnDeg: 'fields',
    tilt: 'fields, site',
    // What is left empty may be another array's.
    removed: 'fields, site, account of shaded modules',
  },
  'rack-1': {
    ...Object.fromEntries(
      [
        'center',
        'rows',
        'columns',
        'orientation',
        'tracking',
        'tiltDeg',
        'azimuthDeg',
        'clearanceM',
        'rowPitchM',
        'limitDeg',
        'backtracking',
        'gapM',
      ].map((field) => [field, 'fields']),
    ),
    removed: 'site, account of shaded modules',
  },
  cover: {
    leastSunAccess: 'account of shaded modules',
    moduleId:
      'ground objects, dormers, roof objects, fields, structure, shadows, visibility, shade, snow, module model, strings, string years, cables, dc, power, shade bill, account of light, account of modules, account of wiring, account of cables, price, years, account of money',
    setbacksM: `${ground}, account of setbacks`,
    rulesId: 'account of setbacks',
    mountingId: 'structure',
    flatMountingId: 'structure',
    footEvery: 'structure, account of the structure',
  },
  electrical: {
    inverterId:
      'strings, string years, cables, cable ohms, ac, account of modules, account of wiring, account of cables, account of the connection, account of the inverter, price',
    optimizerId:
      'strings, string years, cables, account of modules, account of wiring, account of cables, price',
    // Read where the chosen optimizer may stand at some modules.
    optimizersAt: '',
    modulesPerString: 'strings',
    drawn: 'strings, account of wiring',
    inverterAt: 'cables, account of cables',
    inverterCount: 'strings, cables, inputs of inverters, inverter feeds, account of the connection',
    batteryAt: 'cables, account of cables',
    cablesDownAt: 'cables, account of cables',
    dcMm2: 'cables, account of cables',
    acMm2: 'cables, account of cables',
    partChanges: '',
    ownParts: '',
  },
  losses: {
    soiling: 'string years, account of modules',
    snow: 'string years, account of modules',
    lightInduced: 'dc, account of modules',
    nameplate: 'dc, account of modules',
    wiring: 'dc, account of modules',
    connections: 'dc, account of modules',
    availability: 'ac, yield, account of modules, account of the inverter',
    other: 'dc, account of modules',
  },
  storage: {
    batteryId: `cables, dispatch, account of the connection, account of the battery port, account of use, account of bills, price, years, account of money, carpet, use by month, worth of modules`,
    count: `cables, dispatch, account of the connection, account of use, price, years, carpet, use by month`,
    reserve: `${ownBattery}, years`,
    rule: 'dispatch, account of use, years',
    // It fills from the grid only by the tariff.
    gridCharging: '',
    // What is asked when the grid fails is reckoned beside the chain.
    backup: '',
    // And so is what is asked of a house without grid.
    offGridShare: '',
  },
  'as-tree': {
    of: `${ground}, account of light`,
    what: 'ground objects, dormers, roofs that meet, roof objects, fields, site, account of light',
    years: `${ground}, account of light`,
    heightM: 'account of light',
  },
  'as-cut': {
    of: `${ground}, account of light`,
    what: 'ground objects, dormers, roofs that meet, roof objects, fields, site, account of light',
    heightM: `${ground}, account of light`,
    years: 'account of light',
  },
  offer: {
    pricePerWatt: 'price, account of money',
    equipment: 'price of parts, price',
    listShare: 'price',
    pricePerBattery: 'price',
    ...Object.fromEntries(['adders', 'markup', 'salesTax'].map((field) => [field, 'price'])),
    incentives: 'price, finance',
    batteryFade: 'years',
    replacements: 'years, finance',
    ...Object.fromEntries(
      [
        'incomeTax',
        'exportGrowth',
        'upkeepPerYear',
        'upkeepGrowth',
        'costs',
        'pay',
        'loan',
        'lease',
        'ppa',
      ].map((field) => [field, 'finance']),
    ),
    years: 'years, account of money',
    discountRate: 'finance, account of money',
    escalation: 'finance, account of money',
  },
}
