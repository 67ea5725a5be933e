import { job, option, rack } from '@/town/testing'
import { Fault } from '../model/fault'
import { writeCopied } from './copied'
import { readCopied } from './read-copied'

const volume = job.house['volume-house'] ?? Object.values(job.house).find(({ kind }) => kind === 'volume')
const faultOf = (text: string): Fault => {
  try {
    readCopied(text)
  } catch (error) {
    if (error instanceof Fault) return error
  }
  throw new Error('it was read')
}

test('what is written is read again, whatever stands in a job', () => {
  const house = Object.values(job.house).filter(({ kind }) => !['site', 'load', 'tariff'].includes(kind))
  const laid = Object.values(option).filter(({ kind }) => kind === 'array')
  expect(house.length).toBeGreaterThan(3)
  const copied = { house, option: [...laid, rack] }
  expect(readCopied(writeCopied(copied))).toEqual(copied)
})

test('any other text is none of ours', () => {
  for (const text of ['', 'tall-gable-objects', '{"format":"tall-gable-job"}', '[1, 2', 'a word'])
    expect(readCopied(text)).toBeNull()
})

test('a job’s own single objects, strange kinds and newer versions are refused with where', () => {
  const text = (parts: object) =>
    JSON.stringify({ ...(JSON.parse(writeCopied({ house: [], option: [] })) as object), ...parts })
  expect(faultOf(text({ house: [job.house.site] }))).toMatchObject({
    code: 'misplaced-object',
    path: 'house.0',
  })
  expect(faultOf(text({ option: [volume] }))).toMatchObject({ code: 'misplaced-object', path: 'option.0' })
  expect(faultOf(text({ house: [volume, { kind: 'moat' }] }))).toMatchObject({ code: 'unknown-kind' })
  expect(faultOf(text({ house: [{ ...volume, eaveHeightM: 'high' }] })).path).toBe('house.0.eaveHeightM')
  expect(faultOf(text({ version: 2 }))).toMatchObject({ code: 'newer-version' })
  expect(faultOf(text({ house: 3 })).path).toBe('house')
})
