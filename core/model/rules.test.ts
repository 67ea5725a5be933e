import { z } from 'zod'
import { between, faultOf, ruleMessage, ruleOf, wholeBetween } from './rules'

const broken = (schema: z.ZodType, value: unknown) =>
  ruleOf(schema.safeParse(value).error?.issues[0]?.message)

test('bounds are said as bounds, of texts and lists with what is counted', () => {
  const bare = (value: number) => ({ limit: { value, unit: '' } })
  expect(broken(z.number().min(-0.5), -1)).toEqual({ code: 'at-least', data: bare(-0.5) })
  expect(broken(z.number().max(10_000), 1e9)).toEqual({ code: 'at-most', data: bare(10_000) })
  expect(broken(z.number().positive(), 0)).toEqual({ code: 'more-than', data: bare(0) })
  expect(broken(z.number().lt(3), 3)).toEqual({ code: 'less-than', data: bare(3) })
  expect(broken(z.string().max(2), 'abc')).toEqual({ code: 'at-most-characters', data: { limit: 2 } })
  expect(broken(z.array(z.number()).length(12), [])).toEqual({
    code: 'at-least-entries',
    data: { limit: 12 },
  })
})

test('a bound in a unit carries the unit', () => {
  expect(broken(between(2, 60, 'm'), 61)).toEqual({
    code: 'at-most',
    data: { limit: { value: 60, unit: 'm' } },
  })
  expect(broken(between(0, 0.9, 'share'), -0.1)).toEqual({
    code: 'at-least',
    data: { limit: { value: 0, unit: 'share' } },
  })
  expect(broken(wholeBetween(1, 6), 1.5)).toEqual({ code: 'whole-number', data: {} })
})

test('what is missing, of another kind, not among the choices or unknown is named', () => {
  expect(broken(z.number(), 'x').code).toBe('not-number')
  expect(broken(z.number(), NaN).code).toBe('not-number')
  expect(broken(z.object({ a: z.string() }), {}).code).toBe('missing-text')
  expect(broken(z.enum(['hip', 'gable']), 'flat')).toEqual({
    code: 'one-of',
    data: { choices: 'hip, gable' },
  })
  expect(broken(z.strictObject({}), { slope: 1, tilt: 2 })).toEqual({
    code: 'unknown-keys',
    data: { keys: '“slope”, “tilt”' },
  })
})

test('rules of a schema’s own go first, and the fault says where', () => {
  const schema = z.object({ sides: z.array(z.number().min(0, ruleMessage('below-zero'))) })
  const { error } = schema.safeParse({ sides: [1, -1] })
  if (!error) throw new Error('a side below zero is refused')
  expect(faultOf(error, 'bad-object', 'house.volume-1')).toMatchObject({
    code: 'bad-object',
    path: 'house.volume-1.sides.1',
    data: { at: 'house.volume-1.sides.1', rule: { code: 'below-zero' } },
  })
})
