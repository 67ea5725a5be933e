import { catalogueSchema, type Catalogue } from '../electrical/catalogue'
import { jsonSchemaOf, vary, type Chances, type JsonSchema } from '../kinds/vary'
import { withFields, type Objects } from '../kinds/documents'
import { kindNamed, type AnyObject } from '../kinds/index'
import { Fault } from '../model/fault'

/** Edits of any field of any object, for tests. */

/** A value that a field takes in place of the one it has; undefined where none was found. */
export function otherValue(object: AnyObject, field: string, chances: Chances): AnyObject | undefined {
  const { properties = {} } = jsonSchemaOf(kindNamed(object.kind).schema)
  const schema = properties[field]
  if (typeof schema !== 'object') return undefined
  const now = (object as unknown as Readonly<Record<string, unknown>>)[field]
  for (let tries = 0; tries < 40; tries++) {
    const value = vary(schema, now, chances)
    if (JSON.stringify(value) === JSON.stringify(now)) continue
    try {
      return withFields(object, { [field]: value })
    } catch (error) {
      if (!(error instanceof Fault)) throw error
    }
  }
  return undefined
}

/** Fields of an object that can be edited. */
export const fieldsToEdit = (object: AnyObject): string[] =>
  Object.keys(jsonSchemaOf(kindNamed(object.kind).schema).properties ?? {}).filter(
    (field) => field !== 'id' && field !== 'kind',
  )

/** Texts that some field takes: ids of the job's objects and of equipment, and others. */
export const textsOf = (
  documents: readonly Objects[],
  catalogue: Catalogue,
  more: readonly string[],
): string[] => [
  ...documents.flatMap((objects) => Object.keys(objects)),
  ...[...catalogue.modules, ...catalogue.inverters, ...catalogue.optimizers, ...catalogue.batteries].map(
    ({ id }) => id,
  ),
  ...more,
]

/** A catalogue in which one sheet has one field changed; undefined where no other value is allowed. */
export function otherSheet(
  catalogue: Catalogue,
  list: keyof Catalogue,
  id: string,
  field: string,
  chances: Chances,
): Catalogue | undefined {
  const lists = jsonSchemaOf(catalogueSchema).properties as Readonly<Record<string, JsonSchema>>
  const schema = (lists[list]?.items as JsonSchema | undefined)?.properties?.[field]
  const sheet = catalogue[list].find((one) => one.id === id)
  if (typeof schema !== 'object' || !sheet) return undefined
  const now = (sheet as unknown as Readonly<Record<string, unknown>>)[field]
  for (let tries = 0; tries < 40; tries++) {
    const value = vary(schema, now, chances)
    if (JSON.stringify(value) === JSON.stringify(now)) continue
    const changed = {
      ...catalogue,
      [list]: catalogue[list].map((one) => (one.id === id ? { ...one, [field]: value } : one)),
    }
    if (catalogueSchema.safeParse(changed).success) return changed
  }
  return undefined
}
