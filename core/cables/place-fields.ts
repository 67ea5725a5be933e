import { electricalId } from '../kinds/electrical/electrical'
import { siteId } from '../kinds/site/site'
import { type PlaceName } from './cable-plan'

/** The object and the field that each place stands in: what feeds the house is the house's, the rest the option's. */
export const placeFields = {
  inverter: [electricalId, 'inverterAt'],
  battery: [electricalId, 'batteryAt'],
  cablesDown: [electricalId, 'cablesDownAt'],
  loadCentre: [siteId, 'loadCentreAt'],
} as const satisfies Readonly<Record<PlaceName, readonly [string, string]>>
