import { type LatLon } from '@/core/geometry/geo'
import { defaultSite, type Site } from '@/core/kinds/site/site'
import { defaultTariff, tariffNowId, tariffThenId, type Tariff } from '@/core/kinds/tariff/tariff'
import { type Cover } from '@/core/kinds/cover/cover'
import { ruleSets } from './rule-sets'
import { type Town } from './towns'

/** The site of an address with what holds in its town. */
export const siteAt = (town: Town, address: string, place: LatLon): Site => ({
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
  gridPhases: town.gridPhases,
  gridVoltageV: town.gridVoltageV,
  snowLoadKpa: town.snowLoadKpa,
  windMs: town.windMs,
  windMean: town.windMean,
  terrain: town.terrain,
  roofCovering: town.roofCovering,
  rafterSpacingM: town.rafterSpacingM,
})

/** The tariffs of a town, now and with solar. */
export const tariffsOf = (town: Town): { now: Tariff; then: Tariff } => ({
  now: { ...defaultTariff, ...town.tariffs.now, id: tariffNowId, kind: 'tariff' },
  then: { ...defaultTariff, ...town.tariffs.then, id: tariffThenId, kind: 'tariff' },
})

/** The rules of a town's authority, and the distances they ask for. */
export function coverOf({ rulesId }: Town): Pick<Cover, 'rulesId' | 'setbacksM'> {
  const rules = ruleSets.find(({ id }) => id === rulesId)
  if (!rules) throw new RangeError(`no rules ${rulesId}`)
  return { rulesId, setbacksM: { ...rules.edgesM, flat: rules.flatM } }
}
