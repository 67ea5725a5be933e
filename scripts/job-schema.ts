import { z } from 'zod'
import { catalogueSchema } from '@/core/electrical/catalogue'
import { kindNamed, kindNames, type KindName } from '@/core/kinds/index'
import { jobFileSchema } from '@/core/kinds/job'

type JsonSchema = z.core.JSONSchema.BaseSchema

const withoutDialect = (schema: z.ZodType): JsonSchema => {
  const { $schema: _dialect, ...rest } = z.toJSONSchema(schema, {
    io: 'input',
    unrepresentable: 'any',
    override: ({ zodSchema, jsonSchema }) => {
      // The reader takes blanks off the ends before it counts characters.
      const checks = zodSchema._zod.def.checks ?? []
      if (checks.some((check) => check._zod.def.check === 'overwrite')) delete jsonSchema.maxLength
    },
  })
  return rest
}

/** Objects of a document by their ids; each is of one of the document's kinds. */
const objects = (document: 'house' | 'option'): JsonSchema => ({
  type: 'object',
  description: 'Objects by their ids.',
  additionalProperties: {
    type: 'object',
    required: ['id', 'kind'],
    properties: { kind: { enum: kindNames.filter((name) => kindNamed(name).document === document) } },
  },
})

/** Holds the objects of a kind to its definition where the job says that they are of today's version. */
function rule(name: KindName): JsonSchema {
  const { document, version } = kindNamed(name)
  const ofKind: JsonSchema = {
    additionalProperties: {
      if: { properties: { kind: { const: name } } },
      then: { $ref: `#/$defs/${name}` },
    },
  }
  const held: JsonSchema =
    document === 'house'
      ? { properties: { house: ofKind } }
      : { properties: { options: { items: { properties: { objects: ofKind } } } } }
  // A job that does not say a kind's version has its first.
  return version === 1
    ? held
    : {
        if: { properties: { kinds: { properties: { [name]: { const: version } }, required: [name] } } },
        then: held,
      }
}

/** The job's own JSON as JSON Schema: whatever the reader takes, this takes; objects of older versions are not looked into. */
export function jobSchema(): JsonSchema {
  const file = withoutDialect(jobFileSchema)
  const { options: list, ...rest } = file.properties as Record<string, JsonSchema>
  const properties = { ...rest, equipment: withoutDialect(catalogueSchema) }
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'A job of Tall Gable',
    ...file,
    properties: {
      ...properties,
      house: objects('house'),
      options: {
        ...list,
        items: {
          ...(list?.items as JsonSchema),
          properties: {
            ...(list?.items as JsonSchema).properties,
            objects: objects('option'),
          },
        },
      },
    },
    allOf: kindNames.map(rule),
    $defs: Object.fromEntries(
      kindNames.map((name) => {
        const { document, version, schema } = kindNamed(name)
        return [
          name,
          { title: `${name}, version ${version}, part of the ${document}`, ...withoutDialect(schema) },
        ]
      }),
    ),
  }
}
