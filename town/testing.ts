import { Graph } from '@/core/graph/graph'
import { type Run } from '@/core/graph/run'
import { type Objects } from '@/core/kinds/documents'
import { type AnyObject } from '@/core/kinds/index'
import { defaultRack, type Rack } from '@/core/kinds/rack/rack'
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
