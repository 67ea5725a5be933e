import { coverId, defaultCover, type Cover } from './cover/cover'
import { type Objects } from './documents'
import { defaultElectrical } from './electrical/electrical'
import { type AnyObject } from './index'
import { type Job } from './job'
import { defaultLoad } from './load/load'
import { defaultLosses } from './losses/losses'
import { defaultOffer, type Offer } from './offer/offer'
import { type Site } from './site/site'
import { defaultStorage } from './storage/storage'
import { type Tariff } from './tariff/tariff'

/** What is usual at an address. */
export interface Usual {
  readonly site: Site
  readonly tariffs: { readonly now: Tariff; readonly then: Tariff }
  readonly prices: Pick<Offer, 'pricePerWatt' | 'listShare' | 'incentives' | 'gridCo2'>
  /** The rules of the authority there and the distances they ask for. */
  readonly cover: Pick<Cover, 'rulesId' | 'setbacksM'>
}

/** Objects as a document. */
export const byId = (objects: readonly AnyObject[]): Objects =>
  Object.fromEntries(objects.map((object) => [object.id, object]))

/** A job at an address before anything is drawn: every chapter has sensible values in it. */
export const newJob = (name: string, { site, tariffs, prices, cover }: Usual): Job => ({
  name,
  house: byId([site, defaultLoad, tariffs.now, tariffs.then]),
  options: [
    {
      id: 'option-a',
      objects: byId([
        { ...defaultCover, ...cover, id: coverId },
        defaultElectrical,
        defaultLosses,
        defaultStorage,
        { ...defaultOffer, ...prices },
      ]),
    },
  ],
})
