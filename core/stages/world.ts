import {
  type BatteryType,
  type Catalogue,
  type InverterType,
  type ModuleType,
  type OptimizerType,
} from '../electrical/catalogue'
import { type Keyed } from '../graph/keyed'
import { coverId, type Cover } from '../kinds/cover/cover'
import { ofKind, theOne, type Objects } from '../kinds/documents'
import { type AnyObject, type ObjectOf } from '../kinds/index'
import { electricalId, type Electrical } from '../kinds/electrical/electrical'
import { loadId, type Load } from '../kinds/load/load'
import { lossesId, type Losses } from '../kinds/losses/losses'
import { offerId, type Offer } from '../kinds/offer/offer'
import { siteId, type Site } from '../kinds/site/site'
import { storageId, type Storage } from '../kinds/storage/storage'
import { tariffNowId, tariffThenId, type Tariff } from '../kinds/tariff/tariff'
import { Fault } from '../model/fault'
import { type WeatherYear } from '../weather/weather-year'

/** The two documents of an option and what can be bought: all that a picture of it needs. */
export interface Design {
  readonly house: Objects
  readonly option: Objects
  readonly catalogue: Catalogue
}

/** Where the weather was measured. */
export interface StationInfo {
  readonly id: string
  readonly name: string
  readonly distanceM: number
  readonly elevationM: number
  /** Standard deviation of a year's light as a share of the mean; null where it is not known. */
  readonly yearSpread: number | null
  /** Whether it stands in for an imported file that is not at hand. */
  readonly standsIn: boolean
}

/** What the chain from sunlight to payback is run for. */
export interface World extends Design {
  readonly weather: Keyed<WeatherYear>
  readonly station: StationInfo
}

/** Sheets that a job may bring itself, by the name of what they are of, and the list of the catalogue with others. */
interface Sheets {
  readonly module: 'modules'
  readonly inverter: 'inverters'
  readonly optimizer: 'optimizers'
  readonly battery: 'batteries'
}
type SheetOf<W extends keyof Sheets> = Catalogue[Sheets[W]][number]

/** The sheet that an option has chosen: the job's own goes before another of its id. */
function chosen<W extends keyof Sheets>(
  { house }: Design,
  list: readonly SheetOf<W>[],
  id: string,
  what: W,
): SheetOf<W> | ObjectOf<`own-${W}`> {
  const own = house[id]
  if (own && isOwn(own, what)) return own
  const found = list.find((item) => item.id === id)
  if (!found) throw new Fault('unknown-equipment', { what, id }, id)
  return found
}

const isOwn = <W extends keyof Sheets>(object: AnyObject, what: W): object is ObjectOf<`own-${W}`> =>
  object.kind === `own-${what}`

export const siteIn = ({ house }: Design): Site => theOne(house, 'site', siteId)
export const loadIn = ({ house }: Design): Load => theOne(house, 'load', loadId)
export const tariffNowIn = ({ house }: Design): Tariff => theOne(house, 'tariff', tariffNowId)
export const tariffThenIn = ({ house }: Design): Tariff => theOne(house, 'tariff', tariffThenId)
export const coverIn = ({ option }: Design): Cover => theOne(option, 'cover', coverId)
export const electricalIn = ({ option }: Design): Electrical => theOne(option, 'electrical', electricalId)
export const lossesIn = ({ option }: Design): Losses => theOne(option, 'losses', lossesId)
export const storageIn = ({ option }: Design): Storage => theOne(option, 'storage', storageId)
export const offerIn = ({ option }: Design): Offer => theOne(option, 'offer', offerId)

/** All modules that a job can be laid with: its own, then the catalogue's. */
export const modulesFor = ({
  house,
  catalogue,
}: Pick<Design, 'house' | 'catalogue'>): readonly ModuleType[] => [
  ...ofKind(house, 'own-module'),
  ...catalogue.modules,
]

/** All that a job can be built with: its own sheets come before the catalogue's. */
export const catalogueFor = ({ house, catalogue }: Pick<Design, 'house' | 'catalogue'>): Catalogue => ({
  ...catalogue,
  modules: modulesFor({ house, catalogue }),
  inverters: [...ofKind(house, 'own-inverter'), ...catalogue.inverters],
  optimizers: [...ofKind(house, 'own-optimizer'), ...catalogue.optimizers],
  batteries: [...ofKind(house, 'own-battery'), ...catalogue.batteries],
})

/** @throws Fault `unknown-equipment` */
export const moduleIn = (design: Design): ModuleType =>
  chosen(design, design.catalogue.modules, coverIn(design).moduleId, 'module')

/** @throws Fault `unknown-equipment` */
export const inverterIn = (design: Design): InverterType =>
  chosen(design, design.catalogue.inverters, electricalIn(design).inverterId, 'inverter')

/** Inverters side by side; one where they are under the modules. @throws Fault `unknown-equipment` */
export const besideIn = (design: Design): number =>
  inverterIn(design).micro ? 1 : electricalIn(design).inverterCount

/** What sits at modules of the strings; a microinverter needs nothing. @throws Fault `unknown-equipment` */
export function optimizerIn(design: Design): OptimizerType | null {
  const { optimizerId } = electricalIn(design)
  if (optimizerId === null || inverterIn(design).micro) return null
  return chosen(design, design.catalogue.optimizers, optimizerId, 'optimizer')
}

/** One that sits at every module and makes the string's volts with the others. @throws Fault `unknown-equipment` */
export function stringOptimizerIn(design: Design): OptimizerType | null {
  const optimizer = optimizerIn(design)
  return optimizer?.stepDown ? null : optimizer
}

/** One that only lowers its module's volts, in a string of modules in series. @throws Fault `unknown-equipment` */
export function stepDownIn(design: Design): OptimizerType | null {
  const optimizer = optimizerIn(design)
  return optimizer?.stepDown ? optimizer : null
}

/** @throws Fault `unknown-equipment` */
export function batteryIn(design: Design): BatteryType | null {
  const { batteryId } = storageIn(design)
  return batteryId === null ? null : chosen(design, design.catalogue.batteries, batteryId, 'battery')
}

/**
 * Whether an option names equipment that the catalogue has, or the job's house.
 * @throws Fault `unknown-equipment` with the id, or `missing-object`
 */
export function checkEquipment(design: Design): void {
  moduleIn(design)
  inverterIn(design)
  optimizerIn(design)
  batteryIn(design)
}

/** Some of an object's fields: what is read of it, and no more. */
export const fieldsOf = <T extends object, K extends keyof T>(
  object: T,
  ...names: readonly K[]
): Pick<T, K> => Object.fromEntries(names.map((name) => [name, object[name]])) as Pick<T, K>
