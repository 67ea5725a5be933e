import { job, madeUp, rack } from '@/town/testing'
import { refusal } from '@/words/refusal'
import { Fault } from '../model/fault'
import { seededRandom } from '../model/random'
import { parseObject } from './documents'
import { kindNamed, kindNames, type AnyObject, type KindName } from './index'
import { jsonSchemaOf, vary } from './vary'

const known: readonly AnyObject[] = [
  ...Object.values(madeUp),
  ...Object.values(job.house),
  ...job.options.flatMap((option) => Object.values(option.objects)),
  rack,
]

/** An object of a kind: one of the shipped job, or one made up from the schema. */
function sampleOf(kind: KindName): AnyObject {
  const found = known.find((object) => object.kind === kind)
  if (found) return found
  const { schema } = kindNamed(kind)
  const chances = {
    random: seededRandom(11),
    texts: ['sample-1', 'volume-1', 'Sample', '0123456789abcdef01234567'],
  }
  for (let tries = 0; tries < 1000; tries++) {
    const parsed = schema.safeParse(vary(jsonSchemaOf(schema), undefined, chances))
    if (parsed.success) return parsed.data
  }
  throw new Error(`no ${kind} could be made up from its schema`)
}
const samples = kindNames.map(sampleOf)

type Path = readonly (string | number)[]

/** Every value inside an object that holds no others, by its path. */
function leavesOf(value: unknown, path: Path = []): { path: Path; value: unknown }[] {
  if (Array.isArray(value)) return value.flatMap((item, k) => leavesOf(item, [...path, k]))
  if (typeof value === 'object' && value !== null)
    return Object.entries(value).flatMap(([key, item]) => leavesOf(item, [...path, key]))
  return [{ path, value }]
}

/** A copy with one value put in the place of another. */
function withValue(value: unknown, [first, ...rest]: Path, put: unknown): unknown {
  if (first === undefined) return put
  if (Array.isArray(value))
    return value.map((item: unknown, k) => (k === first ? withValue(item, rest, put) : item))
  const object = value as Record<string, unknown>
  return { ...object, [first]: withValue(object[String(first)], rest, put) }
}

const faultOf = (value: unknown): Fault | null => {
  try {
    parseObject(value, 'doc.x')
    return null
  } catch (error) {
    if (error instanceof Fault) return error
    throw error
  }
}

test('every sample is sound', () => {
  for (const sample of samples) expect(faultOf(sample)).toBeNull()
})

describe.each(samples.map((sample) => [sample.kind, sample] as const))('%s', (_kind, sample) => {
  const leaves = leavesOf(sample)

  test.each([
    ['no number', NaN],
    ['endless', Infinity],
    ['a list', [NaN]],
    ['an object', { evil: true }],
    ['nothing', undefined],
    ['a text without end', 'x '.repeat(2500)],
  ])('%s in any place is refused as a fault at that place', (_name, put) => {
    for (const { path, value } of leaves) {
      const fault = faultOf(withValue(sample, path, put))
      // The kind itself is looked up before the rest, and the faults of a choice are told of the whole.
      expect(fault?.code).toMatch(/^(bad-object|unknown-kind)$/)
      expect(fault?.path.startsWith('doc.x')).toBe(true)
      // An object in the place of nothing is looked into: there the fault can be inside.
      const lookedInto = value === null && typeof put === 'object'
      const place = `doc.x.${path.join('.')}`
      const said = fault?.path ?? '?'
      expect(place.startsWith(said) || (lookedInto && said.startsWith(`${place}.`))).toBe(true)
    }
  })

  test('a number out of bounds is refused in words a designer understands', () => {
    for (const { path, value } of leaves) {
      if (typeof value !== 'number') continue
      for (const put of [-1e12, 1e12]) {
        if (!faultOf(withValue(sample, path, put))) throw new Error(`${path.join('.')} takes ${put}`)
        const said = refusal(() => parseObject(withValue(sample, path, put), 'doc.x'))
        expect(said).toMatch(/^doc\.x\S*: (at (least|most)|more than|less than|one of|a whole number|\S+ )/)
        expect(said).not.toMatch(/[{}]|undefined|NaN/)
      }
    }
  })

  test('a field too many and a field too few are refused', () => {
    expect(faultOf({ ...sample, surprise: 1 })?.code).toBe('bad-object')
    // What may be left out is left out in older files.
    const { required = [] } = jsonSchemaOf(kindNamed(sample.kind).schema)
    expect(required.length).toBeGreaterThan(2)
    for (const key of required) {
      const { [key]: _gone, ...rest } = sample as unknown as Record<string, unknown>
      expect(faultOf(rest)).not.toBeNull()
    }
  })
})
