import { defaultLoad } from '@/core/kinds/load/load'
import { type AnyObject } from '@/core/kinds/index'
import { byId, newJob } from '@/core/kinds/new-job'
import { type Objects } from '@/core/kinds/documents'
import { type Job } from '@/core/kinds/job'
import { defaultArray, type PanelArray } from '@/core/kinds/array/array'
import { defaultChimney } from '@/core/kinds/chimney/chimney'
import { type Load } from '@/core/kinds/load/load'
import { transmissivityOf } from '@/core/kinds/tree/tree'
import { type Volume } from '@/core/kinds/volume/volume'
import { sub2, type Vec2 } from '@/core/geometry/vector'
import { toDegrees } from '@/core/model/units'
import { coverOf, siteAt, tariffsOf } from './job-defaults'
import { usualIncentives } from './incentives'
import { type Lot } from './lot'
import { type TownMap, townMap } from './town-map'
import { towns } from './towns'

const round = ([x, y]: Vec2): [number, number] => [
  Math.round(x * 10_000) / 10_000,
  Math.round(y * 10_000) / 10_000,
]

/** Around which job's site a lot is drawn. */
export interface Around {
  readonly origin: Vec2
  readonly latitudeDeg: number
  readonly turnRad: number
}

/** The buildings of a lot as a job has them. */
export const volumesOf = (lot: Lot, { origin }: Around, role: Volume['role'], tag: string): AnyObject[] =>
  lot.volumes.map((volume, i): AnyObject => ({
    ...volume,
    id: `volume-${tag}${i + 1}`,
    kind: 'volume',
    name: role === 'house' ? volume.name : `Neighbour, ${lot.number}`,
    role,
    outline: volume.outline.map((p) => round(sub2(p, origin))),
  }))

/** A lot's house and what stands on and around it, as a designer would have drawn them. */
export function houseOf(lot: Lot, around: Around): AnyObject[] {
  const at = (p: Vec2) => round(sub2(p, around.origin))
  return [
    ...volumesOf(lot, around, 'house', ''),
    ...lot.dormers.map((dormer, i): AnyObject => ({
      ...dormer,
      id: `dormer-${i + 1}`,
      kind: 'dormer',
      front: at(dormer.front),
    })),
    ...lot.canopies.map((canopy, i): AnyObject => ({
      ...canopy,
      id: `canopy-${i + 1}`,
      kind: 'canopy',
      center: at(canopy.center),
    })),
    ...lot.chimneys.map((chimney, i): AnyObject => ({
      ...defaultChimney,
      ...chimney,
      id: `chimney-${i + 1}`,
      center: at(chimney.center),
      rotationDeg: Math.round(toDegrees(around.turnRad)),
    })),
    ...lot.trees.map((tree, i): AnyObject => ({
      ...tree,
      id: `tree-${i + 1}`,
      kind: 'tree',
      center: at(tree.center),
      transmissivity: transmissivityOf(tree.foliage, around.latitudeDeg),
    })),
  ]
}

const lotAt = ({ lots }: TownMap, street: string, number: number): Lot => {
  const lot = lots.find((l) => l.street === street && l.number === number)
  if (!lot) throw new RangeError(`the town has no ${number} ${street}`)
  return lot
}

/** An array as it is told of: the plane it lies on, how far above it, and the places left empty. */
interface ToldArray {
  readonly on: string
  readonly edge: number
  readonly liftM?: number
  readonly turnDeg?: number
  readonly tilt?: PanelArray['tilt']
  readonly removed?: readonly string[]
}

/** What is told of a shipped job: where it is, who lives there, and what is laid. */
interface Told {
  readonly customer: string
  readonly townId: string
  readonly street: string
  readonly number: number
  /** The neighbour that casts shade. */
  readonly beside: number
  readonly annualKwh: number
  readonly shape: Load['shape']
  /** By name. */
  readonly arrays: Readonly<Record<string, ToldArray>>
  readonly inverterId: string
  readonly batteryId: string
}

function toldJob(told: Told): Job {
  const town = towns.find(({ id }) => id === told.townId)
  if (!town) throw new RangeError(`there is no town ${told.townId}`)
  const map = townMap(town)
  const lot = lotAt(map, told.street, told.number)
  const around: Around = { origin: lot.center, latitudeDeg: town.latitudeDeg, turnRad: map.turnRad }
  const { pricePerWatt, listShare, gridCo2 } = town
  const site = siteAt(town, `${lot.address}, ${town.name}`, lot.place)
  const job = newJob(told.customer, {
    site,
    tariffs: tariffsOf(town),
    prices: { pricePerWatt, listShare, gridCo2, incentives: usualIncentives(town.id) },
    cover: coverOf(town),
  })
  const house: Objects = {
    ...job.house,
    ...byId(houseOf(lot, around)),
    ...byId(volumesOf(lotAt(map, told.street, told.beside), around, 'neighbour', 'east-')),
    site: { ...site, sheetStrength: 0.8 },
    load: { ...defaultLoad, annualKwh: told.annualKwh, shape: told.shape },
  }
  const objects: Objects = {
    ...job.options[0]?.objects,
    ...byId(
      Object.entries(told.arrays).map(([name, { on, edge, liftM, turnDeg, tilt, removed }]) => ({
        ...defaultArray,
        id: `array-${name}`,
        volumeId: on,
        edgeIndex: edge,
        liftM: liftM ?? defaultArray.liftM,
        ...(turnDeg === undefined ? {} : { turnDeg }),
        ...(tilt ? { tilt } : {}),
        removed: [...(removed ?? [])],
      })),
    ),
  }
  const { offer, storage, electrical } = objects
  if (offer?.kind !== 'offer' || storage?.kind !== 'storage' || electrical?.kind !== 'electrical')
    throw new RangeError('an option has an offer, a storage and an inverter')
  const wired = { ...objects, electrical: { ...electrical, inverterId: told.inverterId } }
  return {
    ...job,
    house,
    options: [
      { id: 'option-a', objects: { ...wired, offer: { ...offer, name: 'Roof only' } } },
      {
        id: 'option-b',
        objects: {
          ...wired,
          offer: { ...offer, name: 'With battery' },
          storage: { ...storage, batteryId: told.batteryId },
        },
      },
    ],
  }
}

const row = (index: number, places: number) => Array.from({ length: places }, (_, k) => `${index}:${k}`)

/** 14 Saltmarsh Road, Pellworth, with and without a battery. */
export const saltmarshJob = (): Job =>
  toldJob({
    customer: 'Okafor-Lindqvist',
    townId: 'pellworth',
    street: 'Saltmarsh Road',
    number: 14,
    beside: 16,
    annualKwh: 11_400,
    shape: 'night-car',
    arrays: { south: { on: 'volume-1', edge: 2 }, west: { on: 'volume-1', edge: 3 } },
    inverterId: 'halyard-7600',
    batteryId: 'kestrelite-10',
  })

/** 9 Quandong Street, Tarrowee: a hipped bungalow. */
const quandongJob = (): Job =>
  toldJob({
    customer: 'Nakamura-Boyle',
    townId: 'tarrowee',
    street: 'Quandong Street',
    number: 9,
    beside: 7,
    annualKwh: 6_900,
    shape: 'at-home',
    arrays: { north: { on: 'volume-1', edge: 4 } },
    inverterId: 'tarnbeck-360',
    batteryId: 'kestrelite-10',
  })

/** Calle del Olmo 11, Valdecorva: a flat roof with a parapet, and a carport. */
const olmoJob = (): Job =>
  toldJob({
    customer: 'Abarca Quintanilla',
    townId: 'valdecorva',
    street: 'Calle del Olmo',
    number: 11,
    beside: 9,
    annualKwh: 5_600,
    shape: 'evening',
    arrays: {
      // East-west pairs, clear of the shade of parapet and stair house.
      roof: {
        on: 'volume-1',
        edge: 0,
        liftM: 0.1,
        turnDeg: 90,
        tilt: { tiltDeg: 10, rowGapM: 0.25, ridgeGapM: 0.05 },
        removed: [...row(0, 4), ...row(1, 4)],
      },
      carport: { on: 'canopy-1', edge: 0 },
    },
    inverterId: 'halyard-7600',
    batteryId: 'kestrelite-10',
  })

/** The jobs that come with the application, under the names of their files in `samples`, the first one last. */
export const shippedJobs: Readonly<Record<string, () => Job>> = {
  'valdecorva-job.json': olmoJob,
  'tarrowee-job.json': quandongJob,
  'shipped-job.json': saltmarshJob,
}
