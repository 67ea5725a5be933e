import { theOne, type Objects } from '@/core/kinds/documents'
import { siteId } from '@/core/kinds/site/site'
import { ownWeatherId } from '@/core/weather/own-weather'
import { type DesignInput } from './compute/tasks'
import { maybeOneWeatherBody } from './sql/weather'
import { worldUrl } from './world'

/** What a thread needs to compute a stored option: the documents, and the team's own weather where it is chosen. */
export async function designInput(teamId: string, house: Objects, option: Objects): Promise<DesignInput> {
  const id = ownWeatherId(theOne(house, 'site', siteId).stationId)
  const body = id === null ? undefined : await maybeOneWeatherBody(teamId, id)
  return { worldUrl: worldUrl(), house, option, weather: id !== null && body ? { id, body } : null }
}
