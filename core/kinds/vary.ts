import { z } from 'zod'

/** Other values for the fields of objects, made from their schemas; for tests. */

export type JsonSchema = z.core.JSONSchema.BaseSchema

const known = new WeakMap<z.ZodType, JsonSchema>()

export function jsonSchemaOf(schema: z.ZodType): JsonSchema {
  const made = known.get(schema) ?? z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' })
  known.set(schema, made)
  return made
}

/** What texts are chosen from: ids, names, codes that some field or other may take. */
export interface Chances {
  /** 0..1 */
  readonly random: () => number
  readonly texts: readonly string[]
}

/**
 * Another value a schema may allow, near the present one or far from it. Whether it is allowed is for the schema to
 * say.
 */
export function vary(schema: JsonSchema, now: unknown, chances: Chances): unknown {
  const { random, texts } = chances
  const pick = <T>(list: readonly T[]): T | undefined => list[Math.floor(random() * list.length)]
  if ('const' in schema) return schema.const
  if (schema.enum) return pick(schema.enum.filter((value) => value !== now))
  const branches = (schema.anyOf ?? schema.oneOf) as readonly JsonSchema[] | undefined
  if (branches) {
    const branch = pick(branches) ?? {}
    return vary(branch, kindOfValue(now) === branch.type ? now : undefined, chances)
  }
  switch (schema.type) {
    case 'null':
      return null
    case 'boolean':
      return now !== true
    case 'string':
      return pick(texts.filter((text) => text !== now))
    case 'number':
    case 'integer':
      return varyNumber(schema, typeof now === 'number' ? now : undefined, random)
    case 'array':
      return varyList(schema, Array.isArray(now) ? now : [], chances)
    case 'object': {
      const fields = Object.entries((schema.properties ?? {}) as Readonly<Record<string, JsonSchema>>)
      const given = (now ?? {}) as Readonly<Record<string, unknown>>
      if (now === undefined)
        return Object.fromEntries(
          fields
            .filter(([name]) => schema.required?.includes(name) || random() < 0.3)
            .map(([name, field]) => [name, vary(field, undefined, chances)]),
        )
      const chosen = pick(fields)
      return chosen ? { ...given, [chosen[0]]: vary(chosen[1], given[chosen[0]], chances) } : given
    }
    case undefined:
      return now
  }
}

const kindOfValue = (value: unknown) =>
  value === null
    ? 'null'
    : Array.isArray(value)
      ? 'array'
      : typeof value === 'number'
        ? 'number'
        : typeof value

function varyNumber(schema: JsonSchema, now: number | undefined, random: () => number): number {
  const low = Number(schema.minimum ?? schema.exclusiveMinimum ?? -1000)
  const high = Number(schema.maximum ?? schema.exclusiveMaximum ?? 1000)
  const [from, to] = [Math.max(low, -1000), Math.min(high, 1e6)]
  const near =
    now !== undefined && random() < 0.5 ? now + (random() - 0.5) * Math.max(1, Math.abs(now)) * 0.4 : null
  const value = Math.min(to, Math.max(from, near ?? from + random() * (to - from)))
  return schema.type === 'integer' ? Math.round(value) : Math.round(value * 1000) / 1000
}

function varyList(schema: JsonSchema, now: readonly unknown[], chances: Chances): readonly unknown[] {
  const { random } = chances
  const tuple = schema.prefixItems as readonly JsonSchema[] | undefined
  if (tuple) return tuple.map((item, k) => vary(item, now[k], chances))
  const item = (schema.items ?? {}) as JsonSchema
  const most = Math.min(Number(schema.maxItems ?? Infinity), now.length + 1)
  const least = Number(schema.minItems ?? 0)
  if (now.length === 0 && least > 0)
    return Array.from({ length: least }, () => vary(item, undefined, chances))
  const k = Math.floor(random() * now.length)
  const way = random()
  if (now.length < most && (way < 0.25 || now.length === 0)) return [...now, vary(item, now.at(-1), chances)]
  if (now.length > least && way < 0.4) return now.filter((_, i) => i !== k)
  return now.map((value, i) => (i === k ? vary(item, value, chances) : value))
}
