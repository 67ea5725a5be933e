import { mkdirSync, writeFileSync } from 'node:fs'
import { z } from 'zod'
import { kindVersions, objectKinds } from '@/core/model/document'
import { jobFormat, jobVersion } from '@/core/model/job'

/** Writes the job's own JSON as JSON Schema to `docs/schema/job.json`: one definition to a kind of object. */
const definitions = Object.fromEntries(
  Object.values(objectKinds).map((kind) => {
    const { $schema: _schema, ...schema } = z.toJSONSchema(kind.schema, {
      io: 'input',
      unrepresentable: 'any',
    })
    return [
      kind.kind,
      { title: `${kind.kind}, version ${kind.version}, part of the ${kind.document}`, ...schema },
    ]
  }),
)

const objects = (document: 'house' | 'option') => ({
  type: 'object',
  description: 'Objects by their ids.',
  additionalProperties: {
    oneOf: Object.values(objectKinds)
      .filter((kind) => kind.document === document)
      .map((kind) => ({ $ref: `#/$defs/${kind.kind}` })),
  },
})

const schema = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title: 'A job of Tall Gable',
  type: 'object',
  required: ['format', 'version', 'kinds', 'name', 'house', 'options'],
  additionalProperties: false,
  properties: {
    format: { const: jobFormat },
    version: { const: jobVersion },
    kinds: {
      type: 'object',
      description: 'The version of each kind of object.',
      default: kindVersions,
      additionalProperties: { type: 'integer', minimum: 1 },
    },
    name: { type: 'string', minLength: 1, maxLength: 80 },
    house: objects('house'),
    options: {
      type: 'array',
      minItems: 1,
      maxItems: 26,
      items: {
        type: 'object',
        required: ['id', 'objects'],
        additionalProperties: false,
        properties: { id: { type: 'string' }, objects: objects('option') },
      },
    },
  },
  $defs: definitions,
}

const folder = new URL('../docs/schema/', import.meta.url)
mkdirSync(folder, { recursive: true })
writeFileSync(new URL('job.json', folder), `${JSON.stringify(schema, null, 2)}\n`)
