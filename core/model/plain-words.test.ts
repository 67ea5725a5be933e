import { z } from 'zod'
import './plain-words'

const said = (schema: z.ZodType, value: unknown) => schema.safeParse(value).error?.issues[0]?.message

test('bounds are said as bounds, of texts and lists with what is counted', () => {
  expect(said(z.number().min(-0.5), -1)).toBe('at least -0.5')
  expect(said(z.number().max(10_000), 1e9)).toBe('at most 10000')
  expect(said(z.number().positive(), 0)).toBe('more than 0')
  expect(said(z.number().lt(3), 3)).toBe('less than 3')
  expect(said(z.string().max(2), 'abc')).toBe('at most 2 characters')
  expect(said(z.array(z.number()).length(12), [])).toBe('at least 12 entries')
})

test('what is missing, of another kind, not among the choices or unknown is named', () => {
  expect(said(z.number(), 'x')).toBe('a number is needed here')
  expect(said(z.number(), NaN)).toBe('a number is needed here')
  expect(said(z.object({ a: z.string() }), {})).toBe('a text is missing here')
  expect(said(z.enum(['hip', 'gable']), 'flat')).toBe('one of: hip, gable')
  expect(said(z.strictObject({}), { slope: 1, tilt: 2 })).toBe('nothing is known of “slope”, “tilt”')
})

test('words of a schema’s own go first', () => {
  expect(said(z.number().min(0, 'not below zero'), -1)).toBe('not below zero')
})
