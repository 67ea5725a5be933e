import { type ChangeOf, type ConflictOf } from '../model/change'
import { Fault } from '../model/fault'
import { type ObjectsOf } from '../model/object-base'
import { faultOf, place } from '../model/rules'
import { isKindName, kindNamed, kindNames, type AnyObject, type KindName, type ObjectOf } from './index'

/** The objects of one document by their ids. */
export type Objects = ObjectsOf<AnyObject>
export type Change = ChangeOf<AnyObject>
export type Conflict = ConflictOf<AnyObject>

/** The versions that documents of today are written in. */
export const kindVersions: Readonly<Record<string, number>> = Object.fromEntries(
  kindNames.map((name) => [name, kindNamed(name).version]),
)

const mostObjects = 2000

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
    throw new Fault('bad-object', { at: place(path), rule: { code: 'not-object' } }, path)
  const name = (value as { kind?: unknown }).kind
  if (!isKindName(name)) {
    const at = path ? `${path}.kind` : 'kind'
    throw new Fault(
      'unknown-kind',
      { at, kind: typeof name === 'string' ? name.slice(0, 60) : typeof name },
      at,
    )
  }
  const kind = kindNamed(name)
  const version = versions[name] ?? 1
  if (version > kind.version)
    throw new Fault('newer-version', { what: name, version, known: kind.version }, path)
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
    throw new Fault('bad-document', { at: place(path) }, path)
  const entries = Object.entries(value)
  if (entries.length > mostObjects) throw new Fault('too-many-objects', { limit: mostObjects }, path)
  const objects = Object.fromEntries(
    entries.map(([id, item]) => {
      const at = path ? `${path}.${id}` : id
      return [id, parseObject(item, at, versions)]
    }),
  )
  checkPlaces(objects, document, path)
  return objects
}

/**
 * Objects that were checked one by one as a document: each under its id, each where its kind belongs, not too many.
 * @throws Fault `wrong-key`, `misplaced-object`, `too-many-objects`
 */
export function checkPlaces(objects: Objects, document: 'house' | 'option', path = ''): void {
  const entries = Object.entries(objects)
  if (entries.length > mostObjects) throw new Fault('too-many-objects', { limit: mostObjects }, path)
  for (const [id, object] of entries) {
    const at = path ? `${path}.${id}` : id
    if (object.id !== id) throw new Fault('wrong-key', { at: `${at}.id`, id: object.id }, `${at}.id`)
    if (kindNamed(object.kind).document !== document)
      throw new Fault('misplaced-object', { at, kind: object.kind }, at)
  }
}

/**
 * A document as it was stored: checked when it came in, and read again where its kinds have changed since.
 * @throws Fault as `parseObjects`
 */
export function storedObjects(
  value: unknown,
  document: 'house' | 'option',
  path: string,
  versions: Readonly<Record<string, number>>,
): Objects {
  const isOfToday = kindNames.every((name) => versions[name] === kindVersions[name])
  return isOfToday ? (value as Objects) : parseObjects(value, document, path, versions)
}

/**
 * The object with some fields changed, if its kind allows them.
 * @throws Fault `bad-object` with the path of the fault
 */
export function withFields(object: AnyObject, fields: Readonly<Record<string, unknown>>): AnyObject {
  const parsed = kindNamed(object.kind).schema.safeParse({ ...object, ...fields })
  if (!parsed.success) throw faultOf(parsed.error, 'bad-object')
  return parsed.data
}

/** Whether an object is as its kind allows. */
export const isAllowed = (object: AnyObject): boolean =>
  kindNamed(object.kind).schema.safeParse(object).success

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
  if (object?.kind !== kind) throw new Fault('missing-object', { kind, id }, id)
  return object as ObjectOf<K>
}

/**
 * Every document has its single objects.
 * @throws Fault `missing-object`
 */
export function checkSingles(objects: Objects, document: 'house' | 'option'): void {
  for (const name of kindNames) {
    const kind = kindNamed(name)
    if (kind.document !== document) continue
    for (const id of kind.singles ?? []) theOne(objects, name, id)
  }
}
