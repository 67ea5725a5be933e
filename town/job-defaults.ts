import { type LatLon } from '@/core/geometry/geo'
import { type Objects } from '@/core/model/document'
import { type Job } from '@/core/model/job'
import { coverId, defaultCover } from '@/core/model/kinds/cover'
import { defaultElectrical } from '@/core/model/kinds/electrical'
import { defaultLoad } from '@/core/model/kinds/load'
import { defaultLosses } from '@/core/model/kinds/losses'
import { defaultOffer } from '@/core/model/kinds/offer'
import { defaultSite, type Site } from '@/core/model/kinds/site'
import { defaultStorage } from '@/core/model/kinds/storage'
import { defaultTariff, tariffNowId, tariffThenId } from '@/core/model/kinds/tariff'
import { type Town } from './towns'

const byId = (objects: readonly Objects[string][]): Objects =>
  Object.fromEntries(objects.map((object) => [object.id, object]))

/** The site of an address with what holds in its town. */
export const siteIn = (town: Town, address: string, place: LatLon): Site => ({
  ...defaultSite,
  address,
  town: town.name,
  latitudeDeg: place.latitudeDeg,
  longitudeDeg: place.longitudeDeg,
  elevationM: town.elevationM,
  timeZone: town.timeZone,
  currency: town.currency,
  locale: town.locale,
  units: town.units,
  lowestTemperatureC: town.lowestTemperatureC,
  highestTemperatureC: town.highestTemperatureC,
})

/** A job at an address before anything is drawn: every chapter has sensible values in it. */
export function newJob(town: Town, name: string, address: string, place: LatLon): Job {
  return {
    name,
    house: byId([
      siteIn(town, address, place),
      defaultLoad,
      { ...defaultTariff, ...town.tariffs.now, id: tariffNowId, kind: 'tariff' },
      { ...defaultTariff, ...town.tariffs.then, id: tariffThenId, kind: 'tariff' },
    ]),
    options: [
      {
        id: 'option-a',
        objects: byId([
          { ...defaultCover, id: coverId },
          defaultElectrical,
          defaultLosses,
          defaultStorage,
          {
            ...defaultOffer,
            pricePerWatt: town.pricePerWatt,
            pricePerBattery: town.pricePerBattery,
            incentiveShare: town.incentiveShare,
          },
        ]),
      },
    ],
  }
}
