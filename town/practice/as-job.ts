import { type FoundAround } from '@/core/fit/around'
import { objectsOf } from '@/core/fit/objects'
import { defaultChimney } from '@/core/kinds/chimney/chimney'
import { defaultDormer } from '@/core/kinds/dormer/dormer'
import { type AnyObject } from '@/core/kinds/index'
import { type Job } from '@/core/kinds/job'
import { byId, newJob } from '@/core/kinds/new-job'
import { broadleafTransmissivity } from '@/core/kinds/tree/tree'
import { coverOf, siteAt, tariffsOf } from '../job-defaults'
import { houseOf, volumesOf } from '../shipped-job'
import { usualIncentives } from '../incentives'
import { type Town } from '../towns'
import { type PracticeHouse } from './houses'

/** The job of a practice house before anything is drawn or laid. */
function emptyJob({ town, lot }: PracticeHouse): Job {
  const { pricePerWatt, listShare, gridCo2 } = town
  return newJob(lot.address, {
    site: siteAt(town, lot.address, lot.place),
    tariffs: tariffsOf(town),
    prices: { pricePerWatt, listShare, gridCo2, incentives: usualIncentives(town.id) },
    cover: coverOf(town),
  })
}

const leavesOf = (town: Town) => broadleafTransmissivity(town.latitudeDeg)

/** Heights do not say which trees keep their leaves: all are taken to drop them. */
const leavesAlike = (objects: readonly AnyObject[], { town }: PracticeHouse): AnyObject[] =>
  objects.map((object): AnyObject =>
    object.kind === 'tree' ? { ...object, foliage: 'broadleaf', transmissivity: leavesOf(town) } : object,
  )

/** The job with everything that stands at the house and around it, as it is. */
export function trueJob(place: PracticeHouse): Job {
  const around = { origin: place.lot.center, latitudeDeg: place.town.latitudeDeg, turnRad: 0 }
  const job = emptyJob(place)
  const others = place.lots.filter(({ number }) => number !== place.lot.number)
  const trees = others.flatMap((lot) =>
    houseOf(lot, around).flatMap((object): AnyObject[] =>
      object.kind === 'tree' ? [{ ...object, id: `${lot.number}-${object.id}` }] : [],
    ),
  )
  const objects = [
    ...houseOf(place.lot, around),
    ...others.flatMap((lot) => volumesOf(lot, around, 'neighbour', `${lot.number}-`)),
    ...trees,
  ]
  return { ...job, house: { ...job.house, ...byId(leavesAlike(objects, place)) } }
}

/** The job with what was read from heights, all of it accepted. */
export function fittedJob(place: PracticeHouse, { house, neighbours }: FoundAround): Job {
  const own = objectsOf(house, 'house')
  const objects: AnyObject[] = [
    ...own.volumes.map((draft, i): AnyObject => ({ ...draft, id: `volume-${i + 1}`, name: 'House' })),
    ...neighbours
      .flatMap((one) => objectsOf(one, 'neighbour').volumes)
      .map((draft, i): AnyObject => ({ ...draft, id: `neighbour-${i + 1}`, name: 'Neighbour' })),
    ...own.dormers.map((draft, i): AnyObject => ({
      ...defaultDormer,
      ...draft,
      id: `dormer-${i + 1}`,
      name: 'Dormer',
    })),
    ...own.chimneys.map(({ is: _is, ...draft }, i): AnyObject => ({
      ...defaultChimney,
      ...draft,
      id: `chimney-${i + 1}`,
      name: 'Chimney',
    })),
    ...own.trees.map((draft, i): AnyObject => ({
      ...draft,
      id: `tree-${i + 1}`,
      name: 'Tree',
      foliage: 'broadleaf',
      transmissivity: leavesOf(place.town),
    })),
  ]
  const job = emptyJob(place)
  return { ...job, house: { ...job.house, ...byId(objects) } }
}
