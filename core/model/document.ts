import { type z } from 'zod'
import { Fault } from './fault'
import { arrayKind, type PanelArray } from './kinds/array'
import { chimneyKind, type Chimney } from './kinds/chimney'
import { coverKind, type Cover } from './kinds/cover'
import { electricalKind, type Electrical } from './kinds/electrical'
import { loadKind, type Load } from './kinds/load'
import { lossesKind, type Losses } from './kinds/losses'
import { offerKind, type Offer } from './kinds/offer'
import { rackKind, type Rack } from './kinds/rack'
import { siteKind, type Site } from './kinds/site'
import { storageKind, type Storage } from './kinds/storage'
import { tariffKind, type Tariff } from './kinds/tariff'
import { treeKind, type Tree } from './kinds/tree'
import { volumeKind, type Volume } from './kinds/volume'
import { type ObjectBase, type ObjectKind } from './object-kind'

export type HouseObject = Site | Volume | Chimney | Tree | Load | Tariff
export type OptionObject = PanelArray | Rack | Cover | Electrical | Losses | Storage | Offer
export type AnyObject = HouseObject | OptionObject
export type KindName = AnyObject['kind']
export type ObjectOf<K extends KindName> = Extract<AnyObject, { kind: K }>

/** The objects of one document by their ids. */
export type Objects = Readonly<Record<string, AnyObject>>

const erase = <T extends AnyObject>(kind: ObjectKind<T>) =>
  kind as unknown as ObjectKind<AnyObject & ObjectBase>

export const objectKinds: Readonly<Record<KindName, ObjectKind<AnyObject>>> = {
  site: erase(siteKind),
  volume: erase(volumeKind),
  chimney: erase(chimneyKind),
  tree: erase(treeKind),
  load: erase(loadKind),
  tariff: erase(tariffKind),
  array: erase(arrayKind),
  rack: erase(rackKind),
  cover: erase(coverKind),
  electrical: erase(electricalKind),
  losses: erase(lossesKind),
  storage: erase(storageKind),
  offer: erase(offerKind),
}

/** The versions that documents of today are written in. */
export const kindVersions: Readonly<Record<string, number>> = Object.fromEntries(
  Object.values(objectKinds).map((kind) => [kind.kind, kind.version]),
)

const isKind = (name: unknown): name is KindName =>
  typeof name === 'string' && Object.hasOwn(objectKinds, name)

/** The first thing Zod found wrong, as a fault with its path. */
export function faultOf(error: z.ZodError, code: string, prefix = ''): Fault {
  const issue = error.issues[0]
  const path = [prefix, ...(issue?.path ?? []).map(String)].filter((part) => part !== '').join('.')
  return new Fault(code, `${path || 'The value'}: ${issue?.message ?? 'not as expected'}`, path)
}

/**
 * Checks one object of any kind, brought up to today's version first.
 * @throws Fault `unknown-kind`, `newer-version`, `bad-object` with the path of the fault.
 */
export function parseObject(
  value: unknown,
  path = '',
  versions: Readonly<Record<string, number>> = kindVersions,
): AnyObject {
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    throw new Fault('bad-object', `${path || 'The value'}: an object was expected`, path)
  const name = (value as { kind?: unknown }).kind
  if (!isKind(name)) {
    const at = path ? `${path}.kind` : 'kind'
    throw new Fault('unknown-kind', `${at}: "${String(name)}" is not a kind of object this version knows`, at)
  }
  const kind = objectKinds[name]
  const version = versions[name] ?? 1
  if (version > kind.version)
    throw new Fault(
      'newer-version',
      `This document was written by a newer version (${name} ${version}, known here: ${kind.version}). Update the application to open it.`,
      path,
    )
  let migrated = value as Record<string, unknown>
  for (const migrate of kind.migrations.slice(version - 1)) migrated = migrate(migrated)
  const parsed = kind.schema.safeParse(migrated)
  if (!parsed.success) throw faultOf(parsed.error, 'bad-object', path)
  return parsed.data
}

/**
 * Checks a whole document: each key must be its object's id, each kind must belong to this sort of document.
 * @throws Fault as `parseObject`, and `misplaced-object`.
 */
export function parseObjects(
  value: unknown,
  document: 'house' | 'option',
  path = '',
  versions: Readonly<Record<string, number>> = kindVersions,
): Objects {
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    throw new Fault(
      'bad-document',
      `${path || 'The document'}: an object of objects by id was expected`,
      path,
    )
  const entries = Object.entries(value)
  if (entries.length > 2000) throw new Fault('too-large', `${path}: at most 2,000 objects`, path)
  return Object.fromEntries(
    entries.map(([id, item]) => {
      const at = path ? `${path}.${id}` : id
      const object = parseObject(item, at, versions)
      if (object.id !== id)
        throw new Fault('misplaced-object', `${at}.id: "${object.id}" does not match its key`, `${at}.id`)
      if (objectKinds[object.kind].document !== document)
        throw new Fault('misplaced-object', `${at}: a ${object.kind} does not belong to this document`, at)
      return [id, object]
    }),
  )
}

/** All objects of a kind, in the order they stand in the document. */
export function ofKind<K extends KindName>(objects: Objects, kind: K): ObjectOf<K>[] {
  return Object.values(objects).filter((object): object is ObjectOf<K> => object.kind === kind)
}

/**
 * The one object of a kind under its id.
 * @throws Fault `missing-object`.
 */
export function theOne<K extends KindName>(objects: Objects, kind: K, id: string): ObjectOf<K> {
  const object = objects[id]
  if (object?.kind !== kind) throw new Fault('missing-object', `The document has no ${kind} "${id}".`, id)
  return object as ObjectOf<K>
}
