import { readFileSync } from 'node:fs'
import { Ajv2020 } from 'ajv/dist/2020.js'
import { jobToFile, parseJob } from '@/core/kinds/job'
import { ofKind } from '@/core/kinds/documents'
import { Fault } from '@/core/model/fault'
import { seededRandom } from '@/core/model/random'
import { fieldsToEdit, otherValue, textsOf } from '@/core/stages/edits'
import { job, option, rack, withBattery } from '@/town/testing'
import { catalogue } from '@/town/equipment'
import { jobSchema } from './job-schema'

const validate = new Ajv2020({ strict: false }).compile(jobSchema())
const takes = (file: unknown) => {
  const valid = validate(file)
  return valid || JSON.stringify(validate.errors?.slice(0, 3))
}
const reads = (file: unknown) => {
  try {
    parseJob(file)
    return true
  } catch (error) {
    if (error instanceof Fault) return false
    throw error
  }
}
const plain = (value: unknown) => JSON.parse(JSON.stringify(value)) as Record<string, unknown>

test('the schema that is shipped is the one of today', () => {
  const file = new URL('../docs/schema/job.json', import.meta.url).pathname
  // Written by `npm run generate`.
  expect(JSON.parse(readFileSync(file, 'utf8'))).toEqual(plain(jobSchema()))
})

test('the schema takes what the reader takes: the shipped job, with weather, with older kinds', () => {
  const file = plain(jobToFile(job))
  expect(takes(file)).toBe(true)
  const withWeather = plain(jobToFile(job, [{ id: 'abc', csv: 'time,ghi\n' }]))
  expect([reads(withWeather), takes(withWeather)]).toEqual([true, true])
  const { soiling: _soiling, snow: _snow, other: _other, ...losses } = ofKind(option, 'losses')[0] ?? {}
  const older = plain({
    ...file,
    kinds: { ...(file['kinds'] as object), losses: 1 },
    options: [{ id: 'option-a', objects: { ...option, losses: { ...losses, soiling: 0.04 } } }],
  })
  expect([reads(older), takes(older)]).toEqual([true, true])
  const padded = { ...file, name: `  ${'x'.repeat(80)}  ` }
  expect([reads(padded), takes(padded)]).toEqual([true, true])
})

test('whatever the reader takes of a field, the schema takes', () => {
  const random = seededRandom(61)
  const objects = { ...withBattery, [rack.id]: rack }
  const texts = textsOf([job.house, objects], catalogue, ['Meadow', 'America/Chicago', '0:1', 'x'.repeat(90)])
  let taken = 0
  for (const object of [...Object.values(job.house), ...Object.values(objects)])
    for (const field of fieldsToEdit(object))
      for (let k = 0; k < 6; k++) {
        const other = otherValue(object, field, { random, texts })
        if (!other) continue
        const inHouse = object.id in job.house
        const file = plain(
          jobToFile({
            name: job.name,
            house: inHouse ? { ...job.house, [object.id]: other } : job.house,
            options: [{ id: 'option-a', objects: inHouse ? objects : { ...objects, [object.id]: other } }],
          }),
        )
        if (!reads(file)) continue
        taken++
        expect({ field: `${object.id}.${field}`, takes: takes(file) }).toEqual({
          field: `${object.id}.${field}`,
          takes: true,
        })
      }
  expect(taken).toBeGreaterThan(400)
})

test('what is plainly wrong the schema refuses as the reader does', () => {
  const file = plain(jobToFile(job))
  for (const wrong of [
    { ...file, format: 'another' },
    { ...file, surprise: 1 },
    { ...file, options: [] },
    { ...file, house: { ...(file['house'] as object), 'tree-1': { id: 'tree-1', kind: 'spaceship' } } },
    { ...file, house: { ...(file['house'] as object), 'tree-1': { id: 'tree-1', kind: 'tree' } } },
    { ...file, house: { ...(file['house'] as object), offer: option['offer'] } },
  ])
    expect([reads(wrong), takes(wrong) === true]).toEqual([false, false])
})
