import { type Catalogue } from '@/core/electrical/catalogue'
import { Keyed } from '@/core/graph/keyed'
import { theOne, type Objects } from '@/core/kinds/documents'
import { siteId } from '@/core/kinds/site/site'
import { Fault } from '@/core/model/fault'
import { type World } from '@/core/stages/world'
import { ownStationId, ownWeatherId } from '@/core/weather/own-weather'
import { greatCircleM } from '@/core/weather/station'
import { type WeatherYear } from '@/core/weather/weather-year'
import { textFrom, type Ask } from './ask'
import { weatherIn } from './weather'
import { catalogueFrom, stationPath, stationsNear, type StationFound } from './world'

/** An imported file in place of a station. */
export interface OwnWeather {
  readonly id: string
  readonly year: WeatherYear
}

/** Years kept; each takes some 500 kB. */
const mostYears = 12

/** What surrounds a job: asked for once, remembered as long as the process runs. */
export class Surroundings {
  readonly #ask: Ask
  #catalogue: Promise<Catalogue> | null = null
  readonly #years = new Map<string, Promise<Keyed<WeatherYear>>>()
  readonly #near = new Map<string, Promise<StationFound[]>>()

  constructor(ask: Ask) {
    this.#ask = ask
  }

  catalogue(): Promise<Catalogue> {
    this.#catalogue ??= catalogueFrom(this.#ask).catch((error: unknown) => {
      // A failure is not remembered: the next one asks again.
      this.#catalogue = null
      throw error
    })
    return this.#catalogue
  }

  /**
   * Everything a run of a house and an option needs.
   * @param own the imported file that the site has chosen, where it is at hand
   * @throws Fault `no-station`, and those of the service
   */
  async worldOf(house: Objects, option: Objects, own?: OwnWeather): Promise<World> {
    const site = theOne(house, 'site', siteId)
    const catalogue = await this.catalogue()
    if (own) {
      const { year } = own
      return {
        house,
        option,
        catalogue,
        weather: new Keyed(ownStationId(own.id), year),
        station: {
          id: ownStationId(own.id),
          name: year.name,
          distanceM: greatCircleM(site.latitudeDeg, site.longitudeDeg, year.latitudeDeg, year.longitudeDeg),
          elevationM: year.elevationM,
          yearSpread: null,
          standsIn: false,
        },
      }
    }
    const near = await this.#stations(site)
    const station = near.find(({ id }) => id === site.stationId) ?? near[0]
    if (!station) throw new Fault('no-station', {}, 'site.stationId')
    const { id, name, distanceM, elevationM, yearSpread } = station
    return {
      house,
      option,
      catalogue,
      weather: await this.#year(id),
      station: {
        id,
        name,
        distanceM,
        elevationM,
        yearSpread,
        standsIn: ownWeatherId(site.stationId) !== null,
      },
    }
  }

  #stations(place: { readonly latitudeDeg: number; readonly longitudeDeg: number }): Promise<StationFound[]> {
    return remembered(this.#near, `${place.latitudeDeg} ${place.longitudeDeg}`, () =>
      stationsNear(this.#ask, place),
    )
  }

  #year(stationId: string): Promise<Keyed<WeatherYear>> {
    return remembered(this.#years, stationId, async () =>
      weatherIn(await textFrom(this.#ask, stationPath(stationId))),
    )
  }
}

function remembered<T>(kept: Map<string, Promise<T>>, key: string, make: () => Promise<T>): Promise<T> {
  const known = kept.get(key)
  if (known) return known
  const made = make()
  kept.set(key, made)
  made.catch(() => kept.delete(key))
  const oldest = kept.size > mostYears ? kept.keys().next().value : undefined
  if (oldest !== undefined) kept.delete(oldest)
  return made
}
