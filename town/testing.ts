import { Graph } from '@/core/graph/graph'
import { type Run } from '@/core/graph/run'
import { alterationId, type Alteration } from '@/core/kinds/alteration/alteration'
import { type Objects } from '@/core/kinds/documents'
import { type AnyObject } from '@/core/kinds/index'
import { defaultRack, type Rack } from '@/core/kinds/rack/rack'
import { packed } from '@/core/model/sixteen-bits'
import { type World } from '@/core/stages/world'
import { Surroundings, type OwnWeather } from '@/services/world-of'
import { askTown } from './ask'
import { saltmarshJob } from './shipped-job'

/** The shipped job in the made-up world, for tests. */
const surroundings = new Surroundings(askTown)
export const job = saltmarshJob()
const [first, second] = job.options
if (!first || !second) throw new Error('the shipped job has two options')
/** Option A, without a battery, and B, with one. */
export const option = first.objects
export const withBattery = second.objects

export const rack: Rack = { ...defaultRack, id: 'rack-1', name: 'Meadow', center: [0, -60], azimuthDeg: 180 }

export const worldOf = (
  house: Objects = job.house,
  objects: Objects = option,
  own?: OwnWeather,
): Promise<World> => surroundings.worldOf(house, objects, own)

export const freshGraph = (): Graph<World> => new Graph<World>({ now: () => performance.now() })

export const runOf = (world: World, graph = freshGraph()): Run<World> => graph.open(world)

/** A document with some fields of an object changed, whether its kind allows them or not. */
export const set = (objects: Objects, id: string, fields: object): Objects => ({
  ...objects,
  [id]: { ...objects[id], ...fields } as AnyObject,
})

export const without = (objects: Objects, id: string): Objects =>
  Object.fromEntries(Object.entries(objects).filter(([key]) => key !== id))

/** An option without the shipped job's second tree. */
export const alteration: Alteration = {
  id: alterationId('tree-2'),
  kind: 'alteration',
  of: 'tree-2',
  what: 'gone',
  heightM: 5,
  years: 10,
}

/** Kinds that no shipped job has, and that can't be made up from their schemas alone. */
export const madeUp = {
  'body-1': {
    id: 'body-1',
    kind: 'body',
    name: 'Tower',
    vertices: [
      [-1, -1, 0],
      [1, -1, 0],
      [0, 1, 0],
      [0, 0, 9],
    ],
    triangles: [
      [0, 2, 1],
      [0, 1, 3],
      [1, 2, 3],
      [2, 0, 3],
    ],
    center: [4, -3],
    rotationDeg: 10,
    scale: 1,
    footM: 0,
    keepsOff: true,
    clearanceM: 0.15,
    background: false,
  },
  'dimension-1': { id: 'dimension-1', kind: 'dimension', name: 'Rafter', from: [0, -4, 3], to: [0, 0, 6] },
  'lot-1': {
    id: 'lot-1',
    kind: 'lot',
    name: 'Lot',
    outline: [
      [-14, -16],
      [12, -16],
      [12, 25],
      [-14, 24],
    ],
    source: 'survey',
  },
  'underlay-1': {
    id: 'underlay-1',
    kind: 'underlay',
    name: 'Plan',
    fileId: '0123456789abcdef01234567',
    content: 'drawing',
    width: 24_000,
    height: 18_000,
    metresPerUnit: 0.001,
    center: [1, 2],
    rotationDeg: 4,
    strength: 0.8,
    order: 0,
    season: 'unknown',
    hiddenLayers: ['TEXT'],
  },
  'visit-1': { id: 'visit-1', kind: 'visit', on: '2026-03-09', by: 'Ilse Brandt', notes: 'Rafters 16 in' },
  'photo-1': {
    id: 'photo-1',
    kind: 'photo',
    caption: 'Meter',
    fileId: 'abcdef012345abcdef012345',
    takenOn: '2026-03-09',
    about: 'dormer-1',
  },
  production: {
    id: 'production',
    kind: 'production',
    name: 'Inverter 2026',
    grain: 'months',
    fromHour: 490_896,
    unitWh: 10,
    spans: packed([31_050, 42_000, 65_535, 64_000]),
    since: null,
  },
  'permit-1': {
    id: 'permit-1',
    kind: 'permit',
    name: 'Building permit',
    authority: 'Town hall',
    number: 'B 114',
    state: 'applied',
    appliedOn: '2026-03-12',
    decidedOn: null,
    validUntil: null,
    notes: '',
  },
} as const
