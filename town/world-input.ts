import { theOne, type Objects } from '@/core/model/document'
import { Fault } from '@/core/model/fault'
import { siteId } from '@/core/model/kinds/site'
import { type PipelineInput } from '@/core/pipeline/pipeline'
import { catalogue } from './equipment'
import { stationsNear, stationWeather } from './stations'

/** Puts the made-up world around a house and an option, ready to run. */
export function worldInput(house: Objects, option: Objects): PipelineInput {
  const site = theOne(house, 'site', siteId)
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
    },
  }
}
