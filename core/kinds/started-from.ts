import { theOne, type Objects } from './documents'
import { ofNoHouse } from './electrical/electrical'
import { type KindName } from './index'
import { type Job } from './job'
import { byId, newJob, type Usual } from './new-job'
import { offerId, type Offer } from './offer/offer'
import { siteId } from './site/site'

/**
 * Where a new job has its objects from: the address, whatever the team has found usual, or nowhere, since they are of
 * one house and its people alone.
 */
const origins: Readonly<Record<KindName, 'address' | 'team' | 'house'>> = {
  site: 'address',
  tariff: 'address',
  rules: 'team',
  'own-module': 'team',
  'own-inverter': 'team',
  'own-optimizer': 'team',
  'own-battery': 'team',
  cover: 'team',
  electrical: 'team',
  losses: 'team',
  storage: 'team',
  offer: 'team',
  load: 'house',
  permit: 'house',
  production: 'house',
  photo: 'house',
  visit: 'house',
  underlay: 'house',
  dimension: 'house',
  lot: 'house',
  reading: 'house',
  volume: 'house',
  canopy: 'house',
  dormer: 'house',
  chimney: 'house',
  skylight: 'house',
  fixture: 'house',
  tree: 'house',
  barrier: 'house',
  body: 'house',
  array: 'house',
  rack: 'house',
  walkway: 'house',
  alteration: 'house',
}

/** What of an offer is an amount of money, and means nothing in another currency. */
const amounts = [
  'pricePerWatt',
  'listShare',
  'equipment',
  'pricePerBattery',
  'adders',
  'upkeepPerYear',
  'costs',
  'replacements',
  'lease',
  'ppa',
] as const satisfies readonly (keyof Offer)[]

const only = <T extends object, K extends keyof T>(object: T, keys: readonly K[]) =>
  Object.fromEntries(keys.map((key) => [key, object[key]])) as Pick<T, K>

const ofTeam = (objects: Objects): Objects =>
  Object.fromEntries(Object.entries(objects).filter(([, { kind }]) => origins[kind] === 'team'))

/**
 * A job at an address before anything is drawn, with the equipment, losses, prices, ways to pay and texts of another one
 * in each of its options. What the address decides stays: its utility's tariffs always; the authority's rules and the
 * programmes of its town unless the other job is in the same one; amounts of money where the currency is another.
 */
export function startedFrom(name: string, usual: Usual, template: Job): Job {
  const job = newJob(name, usual)
  const [here, there] = [usual.site, theOne(template.house, 'site', siteId)]
  const isSameTown = here.town !== '' && here.town === there.town
  const isSameMoney = here.currency === there.currency
  const usualOffer = theOne(job.options[0]?.objects ?? {}, 'offer', offerId)
  const offerFrom = (offer: Offer): Offer => ({
    ...offer,
    // A view is of one house.
    page: { ...offer.page, view: null },
    ...(isSameMoney ? {} : only(usualOffer, amounts)),
    ...(isSameTown ? {} : only(usualOffer, ['incentives', 'gridCo2'])),
  })
  const house = Object.values(ofTeam(template.house)).filter(({ kind }) => kind !== 'rules' || isSameTown)
  return {
    name,
    house: { ...job.house, ...byId(house) },
    options: template.options.map(({ id, objects }) => ({
      id,
      objects: byId(
        Object.values(ofTeam(objects)).map((object) => {
          if (object.kind === 'offer') return offerFrom(object)
          if (object.kind === 'electrical') return { ...object, ...ofNoHouse }
          return object.kind === 'cover' && !isSameTown ? { ...object, ...usual.cover } : object
        }),
      ),
    })),
  }
}
