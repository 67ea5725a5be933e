import { alteration, job, rack, set, withBattery, worldOf } from '@/town/testing'
import { Keyed, keyOf } from '../graph/keyed'
import { type Objects } from '../kinds/documents'
import { electricalId } from '../kinds/electrical/electrical'
import { type AnyObject } from '../kinds/index'
import { loadId } from '../kinds/load/load'
import { encodedHours } from '../load/meter-year'
import { Fault } from '../model/fault'
import { seededRandom } from '../model/random'
import { allStages } from './all-stages'
import { fieldsToEdit, otherSheet, otherValue, textsOf } from './edits'
import { ground, ownBattery, read, unread } from './reads-table'
import { batteryIn, inverterIn, moduleIn, type World } from './world'

/** Which stages read each field: one that forgets an input, or reads what it does not need, shows here. */

// A job that has all there is to be changed.
const house: Objects = set(job.house, loadId, {
  meter: {
    name: 'm.csv',
    from: '2024-01-01',
    days: 365,
    stepMinutes: 60,
    filledShare: 0,
    ...encodedHours(new Float64Array(8760).fill(1)),
  },
})
const grownTree: AnyObject = { ...alteration, id: 'as-tree', of: 'tree-1', what: 'grown' }
const cutTree: AnyObject = { ...alteration, id: 'as-cut', of: 'tree-2', what: 'trimmed' }
const strung = set(withBattery, electricalId, {
  drawn: [{ input: null, panelIds: ['array-south/0:0', 'array-south/0:1'] }],
})
const option: Objects = { ...strung, [rack.id]: rack, 'as-tree': grownTree, 'as-cut': cutTree }
const base = await worldOf(house, option)
const slots = ['0:1', '0:2', '1:2']
const texts = textsOf([house, option], base.catalogue, [
  ...slots,
  'Meadow',
  'America/Chicago',
  'EUR',
  'es-ES',
  'harrow-ridge',
  '12-25',
])
const chances = { random: seededRandom(7), texts }

const keysOf = (world: World) => allStages.map(({ name, reads }) => [name, keyOf(reads(world))] as const)
const keysBefore = (world: World) => new Map(keysOf(world))
const before = keysBefore(base)
/** Stages whose own inputs an edit changes; none where the edit is one that nothing can be computed from. */
function readersOf(world: World, since: ReadonlyMap<string, string> = before): string[] {
  try {
    return keysOf(world).flatMap(([name, key]) => (key === since.get(name) ? [] : [name]))
  } catch (error) {
    if (error instanceof Fault && error.code === 'unknown-equipment') return []
    throw error
  }
}
/** The same for many edits of one thing. */
function readersOfAll(edit: () => World | undefined, times = 12, since = before): string {
  const found = new Set<string>()
  for (let k = 0; k < times; k++) {
    const world = edit()
    if (world) for (const name of readersOf(world, since)) found.add(name)
  }
  return allStages.flatMap(({ name }) => (found.has(name) ? [name] : [])).join(', ')
}
const withObject = (object: AnyObject): World =>
  object.id in house
    ? { ...base, house: { ...house, [object.id]: object } }
    : { ...base, option: { ...option, [object.id]: object } }

const objectNamed = (id: string): AnyObject => {
  const object = house[id] ?? option[id]
  if (!object) throw new Error(`the job has ${id}`)
  return object
}
const seedOf = (text: string): number =>
  [...text].reduce((seed, sign) => (seed * 31 + sign.charCodeAt(0)) >>> 0, 7)
const readersOfField = (id: string, field: string) => {
  const object = objectNamed(id)
  // By itself: what other fields there are changes nothing of what is tried here.
  const chances = { random: seededRandom(seedOf(`${id}.${field}`)), texts }
  // Ids of equipment are few among all the texts there are.
  const times = field.endsWith('Id') ? 250 : 12
  return readersOfAll(() => {
    const other = otherValue(object, field, chances)
    return other && withObject(other)
  }, times)
}

test.each(Object.keys(read))('fields of %s', (id) => {
  const expected: Record<string, string> = { ...read[id] }
  for (const field of unread[id] ?? []) expected[field] = ''
  const found = fieldsToEdit(objectNamed(id)).map((field) => [field, readersOfField(id, field)] as const)
  expect(Object.fromEntries(found)).toEqual(expected)
})

const sheets = {
  modules: {
    id: moduleIn(base).id,
    fields: {
      powerW: 'string years, cables, power, shade bill, account of light',
      widthM: `${ground}, structure`,
      lengthM: `${ground}, structure`,
      vocV: 'module model, strings',
      vmpV: 'module model, cables',
      iscA: 'module model, strings, cables, account of wiring, account of cables',
      impA: 'module model, cables',
      powerPerK: 'module model, account of modules',
      vocPerK: 'module model, strings',
      iscPerK: 'module model',
      price: 'price',
      strips: 'shadows, visibility, shade, snow, module model, account of light, account of modules',
      halves: 'shadows, visibility, shade, snow, account of light',
      cell: 'dc, account of modules',
      sortedUp: 'dc, account of modules',
      degradation: 'years, account of money',
      cells: '',
      thicknessM: '',
      weightKg: 'structure',
      colour: '',
    },
  },
  inverters: {
    id: inverterIn(base).id,
    fields: {
      acPowerW:
        'cables, ac, account of wiring, account of cables, account of the connection, account of the inverter',
      mppInputs: 'strings, account of wiring',
      stringsPerInput: 'strings, account of wiring',
      highestV: 'strings, account of wiring',
      price: 'price',
      mppLowV: 'strings, string years, cables, account of modules, account of wiring',
      mppHighV: 'strings, string years, account of modules, account of wiring',
      startV: 'strings, string years, account of modules, account of wiring',
      inputCurrentA: 'strings, cables, account of wiring',
      efficiency: 'ac, account of the inverter',
      nightW: 'ac, account of the inverter',
      king: 'ac',
      highestDcAc: 'account of wiring',
    },
  },
  batteries: {
    id: batteryIn(base)?.id ?? '',
    fields: {
      price: 'price',
      usableKwh: `${ownBattery}, years`,
      chargeKw: 'cables, dispatch, account of the connection, years',
      dischargeKw: 'cables, dispatch, account of the connection, years',
      efficiency: `${ownBattery}, years, worth of modules`,
      standbyW: `${ownBattery}, years, carpet, use by month`,
      fadePerYear: 'years',
      fadePerCycle: 'years',
      // When it is over is reckoned from the years.
      warrantyYears: '',
      warrantyKwh: '',
    },
  },
  rules: {
    id: 'pellworth-fire',
    fields: {
      // Under another id they are no longer there.
      id: 'account of setbacks',
      authority: '',
      edgesM: 'account of setbacks',
      flatM: 'account of setbacks',
      crowded: 'account of setbacks',
      pathways: 'account of setbacks',
      clearancesM: 'account of setbacks',
      asks: '',
    },
  },
} as const

test.each(['modules', 'inverters', 'batteries', 'rules'] as const)('sheets of %s', (list) => {
  const { id, fields } = sheets[list]
  const sheet = base.catalogue[list].find((one) => one.id === id) ?? {}
  const found = Object.keys(sheet).map((field) => [
    field,
    readersOfAll(() => {
      const catalogue = otherSheet(base.catalogue, list, id, field, chances)
      return catalogue && { ...base, catalogue }
    }),
  ])
  expect(Object.fromEntries(found)).toEqual({
    id: '',
    name: '',
    ...('maker' in sheet ? { maker: '' } : {}),
    ...fields,
  })
})

/** Every field of a sheet, with what reads it in a world that has chosen it. */
function readersOfSheet(world: World, list: 'inverters' | 'optimizers', id: string): Record<string, string> {
  const sheet = world.catalogue[list].find((one) => one.id === id) ?? {}
  const since = keysBefore(world)
  const found = Object.keys(sheet).map((field) => [
    field,
    readersOfAll(
      () => {
        const catalogue = otherSheet(world.catalogue, list, id, field, chances)
        return catalogue && { ...world, catalogue }
      },
      12,
      since,
    ),
  ])
  return Object.fromEntries(found) as Record<string, string>
}

test('sheets of optimizers, where an option has some', () => {
  const id = 'thrushfield-430'
  const world = { ...base, option: set(base.option, electricalId, { optimizerId: id }) }
  expect(readersOfSheet(world, 'optimizers', id)).toEqual({
    ...{ id: '', maker: '', name: '', weightKg: '' },
    price: 'price',
    powerW: 'string years, account of wiring',
    highestV: 'account of wiring',
    mppLowV: 'string years, account of modules, account of wiring',
    mppHighV: 'string years, account of modules, account of wiring',
    inputShortCurrentA: 'account of wiring',
    outputV: 'strings, string years',
    outputCurrentA: 'strings, string years, cables, account of modules, account of cables',
    efficiency: 'string years, account of modules',
    fewestPerString: 'strings',
    mostPerString: 'strings, account of wiring',
    stringPowerW: 'strings, account of wiring',
  })
})

test('sheets of microinverters, where an option has some', () => {
  const id = 'tarnbeck-360'
  const world = {
    ...base,
    // An optimizer that is chosen all the same is none.
    option: set(base.option, electricalId, { inverterId: id, optimizerId: 'nobody-has-it' }),
  }
  const readers = readersOfSheet(world, 'inverters', id)
  expect(readers).toMatchObject({
    acPowerW:
      'strings, string years, cables, ac, account of wiring, account of cables, account of the connection, account of the inverter',
    mppInputs: 'strings, account of wiring',
    efficiency: 'string years, ac, account of the inverter',
    micro: 'strings, account of wiring',
  })
  expect(readersOf({ ...base, option: set(base.option, electricalId, { inverterId: id }) })).toEqual([
    'strings',
    'string years',
    'cables',
    'cable ohms',
    'ac',
    'account of modules',
    'account of wiring',
    'account of cables',
    'account of the connection',
    'account of the inverter',
    'price',
  ])
})

test('mountings are read for what holds modules, and for nothing else', () => {
  const [first, ...others] = base.catalogue.mountings
  if (first?.is !== 'rails') throw new Error('the first one has rails')
  const mounted = (changed: Partial<typeof first>) => ({
    ...base,
    catalogue: { ...base.catalogue, mountings: [{ ...first, ...changed }, ...others] },
  })
  expect(readersOf(mounted({}))).toEqual([])
  expect(readersOf(mounted({ foot: { ...first.foot, upKn: 1 } }))).toEqual(['structure'])
  expect(readersOf(mounted({ coverings: [] }))).toEqual(['structure'])
})

test('an inverter without measured parameters asks for no volts', () => {
  const { id } = inverterIn(base)
  const inverters = base.catalogue.inverters.map(({ king, ...sheet }) =>
    sheet.id === id || !king ? sheet : { ...sheet, king },
  )
  expect(readersOf({ ...base, catalogue: { ...base.catalogue, inverters } })).toEqual([
    'string years',
    'ac',
    'account of the inverter',
  ])
})

test('the weather and where it comes from', () => {
  const { value: year } = base.weather
  const weather = (fields: object) =>
    readersOf({ ...base, weather: new Keyed('other', { ...year, ...fields }) })
  expect(weather({})).toEqual(['sky', 'snow', 'string years', 'light series'])
  expect(weather({ timeZoneHours: 1 })).toEqual([
    'sun',
    'sky',
    'snow',
    'string years',
    'clock',
    'light series',
  ])
  expect(weather({ snowDepthM: null })).toEqual([
    'sky',
    'snow',
    'string years',
    'account of light',
    'account of modules',
    'light series',
  ])
  expect(new Set(weather({ stepMinutes: 30 }))).toEqual(
    new Set([
      ...['sun', 'sky', 'shade', 'snow', 'string years', 'clock', 'account of modules'],
      ...[
        'account of the inverter',
        'account of use',
        'use by month',
        'dispatch',
        'bill now',
        'bill then',
        'load now',
        'load then',
        'years',
        'light series',
        'carpet',
      ],
    ]),
  )
  const station = (fields: object) => readersOf({ ...base, station: { ...base.station, ...fields } })
  expect(station({ name: 'Another name' })).toEqual([])
  expect(station({ id: 'another' })).toEqual(['account of the site', 'account of light'])
  expect(station({ distanceM: 1 })).toEqual(['account of the site', 'account of light'])
  expect(station({ yearSpread: 0.5 })).toEqual(['account of the inverter'])
  expect(station({ standsIn: true })).toEqual(['account of the site'])
})
