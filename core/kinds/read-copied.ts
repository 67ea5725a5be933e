import { z } from 'zod'
import { Fault } from '../model/fault'
import { faultOf } from '../model/rules'
import { copiedFormat, copiedVersion, type Copied } from './copied'
import { parseObject } from './documents'
import { kindOf, type AnyObject } from './index'

const mostObjects = 2000
/** What is read at most, characters. */
const longestCopied = 4_000_000

const copiedSchema = z.strictObject({
  format: z.literal(copiedFormat),
  version: z.number().int().positive(),
  kinds: z.record(z.string(), z.number().int().positive()),
  house: z.array(z.unknown()).max(mostObjects),
  option: z.array(z.unknown()).max(mostObjects),
})

/**
 * Reads what `writeCopied` wrote; every object is checked, and brought up to today's version of its kind.
 * @returns null for any other text
 * @throws Fault `newer-version`, or what a bad object throws
 */
export function readCopied(text: string): Copied | null {
  if (text.length > longestCopied || !text.includes(copiedFormat)) return null
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch {
    // JSON.parse throws nothing but that it is none.
    return null
  }
  const version = (value as { version?: unknown } | null)?.version
  if (typeof version === 'number' && version > copiedVersion)
    throw new Fault('newer-version', { what: copiedFormat, version, known: copiedVersion }, 'version')
  const parsed = copiedSchema.safeParse(value)
  if (!parsed.success) throw faultOf(parsed.error, 'bad-object')
  const { house, option, kinds } = parsed.data
  return {
    house: standingIn(house, 'house', kinds),
    option: standingIn(option, 'option', kinds),
  }
}

/** Nothing but what stands somewhere is pasted: a job keeps its own site, tariffs and prices. */
function standingIn(
  values: readonly unknown[],
  document: 'house' | 'option',
  kinds: Readonly<Record<string, number>>,
): AnyObject[] {
  return values.map((value, index) => {
    const path = `${document}.${index}`
    const object = parseObject(value, path, kinds)
    const kind = kindOf(object)
    if (kind.document !== document || !kind.standing)
      throw new Fault('misplaced-object', { at: path, kind: object.kind }, path)
    return object
  })
}
