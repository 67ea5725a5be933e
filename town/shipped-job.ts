import { type AnyObject } from '@/core/kinds/index'
import { byId, newJob } from '@/core/kinds/new-job'
import { type Job } from '@/core/kinds/job'
import { defaultArray } from '@/core/kinds/array/array'
import { defaultChimney } from '@/core/kinds/chimney/chimney'
import { broadleafTransmissivity } from '@/core/kinds/tree/tree'
import { sub2, type Vec2 } from '@/core/geometry/vector'
import { toDegrees } from '@/core/model/units'
import { siteAt, tariffsOf } from './job-defaults'
import { type Lot, townMap } from './town-map'
import { towns } from './towns'

const round = ([x, y]: Vec2): [number, number] => [
  Math.round(x * 10_000) / 10_000,
  Math.round(y * 10_000) / 10_000,
]

/** A lot's house, chimneys and trees as a designer would have drawn them, around the job's site. */
function drawn(
  lot: Lot,
  origin: Vec2,
  latitudeDeg: number,
  turnRad: number,
  role: 'house' | 'neighbour',
  tag: string,
): AnyObject[] {
  const at = (p: Vec2) => round(sub2(p, origin))
  return [
    ...lot.volumes.map((volume, i): AnyObject => ({
      id: `volume-${tag}${i + 1}`,
      kind: 'volume',
      name: role === 'house' ? volume.name : `Neighbour, ${lot.number}`,
      role,
      outline: volume.outline.map(at),
      eaveHeightM: volume.eaveHeightM,
      edges: volume.edges,
      flat: null,
    })),
    ...(role === 'neighbour'
      ? []
      : lot.chimneys.map((chimney, i): AnyObject => ({
          ...defaultChimney,
          id: `chimney-${tag}${i + 1}`,
          center: at(chimney.center),
          widthM: chimney.widthM,
          depthM: chimney.depthM,
          heightM: chimney.heightM,
          rotationDeg: Math.round(toDegrees(turnRad)),
        }))),
    ...(role === 'neighbour'
      ? []
      : lot.trees.map((tree, i): AnyObject => ({
          id: `tree-${tag}${i + 1}`,
          kind: 'tree',
          name: tree.name,
          center: at(tree.center),
          heightM: tree.heightM,
          crownDiameterM: tree.crownDiameterM,
          transmissivity: broadleafTransmissivity(latitudeDeg),
        }))),
  ]
}

/** The job that comes with the application: 14 Saltmarsh Road, Pellworth, with and without a battery. */
export function saltmarshJob(): Job {
  const town = towns[0]
  if (!town) throw new RangeError('the town list is empty')
  const map = townMap(town)
  const lot = map.lots.find((l) => l.street === 'Saltmarsh Road' && l.number === 14)
  const east = map.lots.find((l) => l.street === 'Saltmarsh Road' && l.number === 16)
  if (!lot || !east) throw new RangeError('the town has no 14 Saltmarsh Road')
  const { pricePerWatt, listShare, incentiveShare } = town
  const site = siteAt(town, `${lot.address}, ${town.name}`, lot.place)
  const job = newJob('Okafor-Lindqvist', {
    site,
    tariffs: tariffsOf(town),
    prices: { pricePerWatt, listShare, incentiveShare },
  })
  const house = {
    ...job.house,
    ...byId(drawn(lot, lot.center, town.latitudeDeg, map.turnRad, 'house', '')),
    ...byId(drawn(east, lot.center, town.latitudeDeg, map.turnRad, 'neighbour', 'east-')),
    site: { ...site, sheetStrength: 0.8 },
    load: { id: 'load', kind: 'load', annualKwh: 11_400, shape: 'night-car' } as const,
  }
  const first = job.options[0]
  if (!first) throw new RangeError('a new job has an option')
  const arrays = byId([
    { ...defaultArray, id: 'array-south', volumeId: 'volume-1', edgeIndex: 2, removed: [] },
    { ...defaultArray, id: 'array-west', volumeId: 'volume-1', edgeIndex: 3, removed: [] },
  ])
  const objects = { ...first.objects, ...arrays }
  const offer = objects['offer']
  const storage = objects['storage']
  if (offer?.kind !== 'offer' || storage?.kind !== 'storage')
    throw new RangeError('an option has an offer and a storage')
  return {
    ...job,
    house,
    options: [
      { id: 'option-a', objects: { ...objects, offer: { ...offer, name: 'Roof only' } } },
      {
        id: 'option-b',
        objects: {
          ...objects,
          offer: { ...offer, name: 'With battery' },
          storage: { ...storage, batteryId: 'kestrelite-10' },
        },
      },
    ],
  }
}
