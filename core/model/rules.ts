import { z } from 'zod'
import { Fault } from './fault'
import { type Data, type Said, type Unit } from './said'

/**
 * What the schemas ask of values, as codes. Zod carries a text with every fault; here that text is a coded rule, taken
 * apart again by `ruleOf`.
 */
const coded = (code: string, data: Data = {}): string => JSON.stringify({ code, data } satisfies Said)

/** A number from `low` to `high` in a unit; a fault names the bound in that unit. */
export const between = (low: number, high: number, unit: Unit = '') =>
  z
    .number()
    .min(low, coded('at-least', { limit: { value: low, unit } }))
    .max(high, coded('at-most', { limit: { value: high, unit } }))

/** The same for whole numbers. */
export const wholeBetween = (low: number, high: number) => between(low, high).int(coded('whole-number'))

/** The message of a rule with a code of its own, for refinements. */
export const ruleMessage = coded

const kindCodes: Readonly<Record<string, string>> = {
  number: 'number',
  int: 'whole-number',
  string: 'text',
  boolean: 'yes-no',
  array: 'list',
  tuple: 'list',
  object: 'object',
  record: 'object',
}

const countCodes: Readonly<Record<string, string>> = { string: 'characters', array: 'entries', file: 'bytes' }

/** The rule that a value broke, for Zod's own checks. */
function codedIssue(issue: z.core.$ZodRawIssue): string | undefined {
  switch (issue.code) {
    case 'too_small':
    case 'too_big': {
      const small = issue.code === 'too_small'
      const value = Number(small ? issue.minimum : issue.maximum)
      const of = countCodes[issue.origin]
      const side = small ? 'at-least' : 'at-most'
      if (of) return coded(`${side}-${of}`, { limit: value })
      const strict = issue.inclusive === false
      return coded(strict ? (small ? 'more-than' : 'less-than') : side, { limit: { value, unit: '' } })
    }
    case 'invalid_type': {
      const what = kindCodes[issue.expected] ?? 'value'
      return coded(issue.input === undefined ? `missing-${what}` : `not-${what}`)
    }
    case 'invalid_value':
      return coded('one-of', { choices: issue.values.map(String).join(', ') })
    case 'unrecognized_keys':
      return coded('unknown-keys', { keys: issue.keys.map((key) => `“${key.slice(0, 40)}”`).join(', ') })
    case 'custom':
    case 'invalid_element':
    case 'invalid_format':
    case 'invalid_key':
    case 'invalid_union':
    case 'not_multiple_of':
      return coded('not-as-expected')
  }
}

// Without code made at run time, which the pages' content policy forbids.
z.config({ customError: codedIssue, jitless: true })

const saidSchema = z.object({ code: z.string(), data: z.custom<Data>((value) => typeof value === 'object') })

/** The rule in a Zod message. */
export function ruleOf(message: string | undefined): Said {
  if (!message?.startsWith('{')) return { code: 'not-as-expected' }
  const { code, data } = saidSchema.parse(JSON.parse(message))
  return { code, data }
}

/** A path as the sentences take it. */
export const place = (path: string): string => (path === '' ? 'none' : path)

/** The first thing Zod found wrong, as a fault with its path. */
export function faultOf(error: z.ZodError, code: string, prefix = ''): Fault {
  const issue = error.issues[0]
  const path = [prefix, ...(issue?.path ?? []).map(String)].filter((part) => part !== '').join('.')
  return new Fault(code, { at: place(path), rule: ruleOf(issue?.message) }, path)
}
