import { theOne, type Objects } from '@/core/model/document'
import { Fault } from '@/core/model/fault'
import { siteId } from '@/core/model/kinds/site'
import { type PipelineInput } from '@/core/pipeline/pipeline'
import { ownStationId, ownWeatherId } from '@/core/weather/own-weather'
import { greatCircleM } from '@/core/weather/station'
import { type WeatherYear } from '@/core/weather/weather-year'
import { catalogue } from './equipment'
import { stationsNear, stationSpread, stationWeather } from './stations'

/** An imported file in place of a station. */
export interface OwnWeather {
  readonly id: string
  readonly year: WeatherYear
}

/** Puts the made-up world around a house and an option, ready to run. */
export function worldInput(house: Objects, option: Objects, own?: OwnWeather): PipelineInput {
  const site = theOne(house, 'site', siteId)
  if (own) {
    const { year } = own
    return {
      house,
      option,
      catalogue,
      weather: year,
      weatherKey: ownStationId(own.id),
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
  const near = stationsNear(site)
  const found = near.find(({ station }) => station.id === site.stationId) ?? near[0]
  const weather = found && stationWeather(found.station.id)
  if (!found || !weather) throw new Fault('no-weather', 'No weather station is known.', 'site.stationId')
  return {
    house,
    option,
    catalogue,
    weather: weather.year,
    weatherKey: weather.key,
    station: {
      id: found.station.id,
      name: found.station.name,
      distanceM: found.distanceM,
      elevationM: found.station.elevationM,
      yearSpread: stationSpread(found.station.id)?.spread ?? null,
      standsIn: ownWeatherId(site.stationId) !== null,
    },
  }
}
