import { alterationKind } from './alteration/kind'
import { arrayKind } from './array/kind'
import { barrierKind } from './barrier/kind'
import { bodyKind } from './body/kind'
import { canopyKind } from './canopy/kind'
import { chimneyKind } from './chimney/kind'
import { coverKind } from './cover/kind'
import { dimensionKind } from './dimension/kind'
import { dormerKind } from './dormer/kind'
import { electricalKind } from './electrical/kind'
import { fixtureKind } from './fixture/kind'
import { type Kind } from './kind'
import { loadKind } from './load/kind'
import { lossesKind } from './losses/kind'
import { lotKind } from './lot/kind'
import { offerKind } from './offer/kind'
import { ownBatteryKind } from './own-battery/kind'
import { ownInverterKind } from './own-inverter/kind'
import { ownModuleKind } from './own-module/kind'
import { ownOptimizerKind } from './own-optimizer/kind'
import { permitKind } from './permit/kind'
import { photoKind } from './photo/kind'
import { productionKind } from './production/kind'
import { rackKind } from './rack/kind'
import { readingKind } from './reading/kind'
import { rulesKind } from './rules/kind'
import { siteKind } from './site/kind'
import { skylightKind } from './skylight/kind'
import { storageKind } from './storage/kind'
import { tariffKind } from './tariff/kind'
import { treeKind } from './tree/kind'
import { underlayKind } from './underlay/kind'
import { visitKind } from './visit/kind'
import { volumeKind } from './volume/kind'
import { walkwayKind } from './walkway/kind'

/** Every kind of object under its own name; the order is the one in which objects are listed. */
export const kinds = {
  site: siteKind,
  volume: volumeKind,
  canopy: canopyKind,
  dormer: dormerKind,
  chimney: chimneyKind,
  skylight: skylightKind,
  fixture: fixtureKind,
  tree: treeKind,
  barrier: barrierKind,
  body: bodyKind,
  lot: lotKind,
  dimension: dimensionKind,
  reading: readingKind,
  underlay: underlayKind,
  visit: visitKind,
  photo: photoKind,
  permit: permitKind,
  production: productionKind,
  rules: rulesKind,
  'own-module': ownModuleKind,
  'own-inverter': ownInverterKind,
  'own-optimizer': ownOptimizerKind,
  'own-battery': ownBatteryKind,
  load: loadKind,
  tariff: tariffKind,
  array: arrayKind,
  rack: rackKind,
  walkway: walkwayKind,
  cover: coverKind,
  electrical: electricalKind,
  losses: lossesKind,
  storage: storageKind,
  offer: offerKind,
  alteration: alterationKind,
} as const

type Kinds = typeof kinds
export type KindName = keyof Kinds
export type AnyObject = { [K in KindName]: Kinds[K] extends Kind<infer T> ? T : never }[KindName]
export type ObjectOf<K extends KindName> = Extract<AnyObject, { kind: K }>

/** Every name stands for the kind that calls itself so. */
kinds satisfies { readonly [K in KindName]: { readonly kind: K } }

export const kindNames = Object.keys(kinds) as readonly KindName[]

export const isKindName = (name: unknown): name is KindName =>
  typeof name === 'string' && Object.hasOwn(kinds, name)

/** The kind of an object, to be asked about that object; the one place where the union is taken for one of its members. */
export const kindOf = <T extends AnyObject>(object: T): Kind<T> => kinds[object.kind] as unknown as Kind<T>

/** A kind by its name, to be asked about any of its objects. */
export const kindNamed = (name: KindName) => kinds[name] as unknown as Kind<AnyObject>
