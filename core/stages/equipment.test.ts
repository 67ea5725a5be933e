import { catalogue } from '@/town/equipment'
import { saltmarshJob } from '@/town/shipped-job'
import { jobToFile, parseJob } from '../kinds/job'
import { readSheets, sheetsOf, withSheets } from './equipment'
import { moduleIn } from './world'

const job = saltmarshJob()
const sheets = sheetsOf(job, catalogue)
const first = sheets.modules[0]
if (!first) throw new Error('the shipped job names a module')

test('a job’s sheets are those of what its options name, each once', () => {
  const objects = job.options.flatMap((option) => Object.values(option.objects))
  const named = (field: string) =>
    new Set(
      objects.flatMap((object) =>
        field in object ? [(object as unknown as Record<string, unknown>)[field]] : [],
      ),
    )
  expect(new Set(sheets.modules.map(({ id }) => id))).toEqual(named('moduleId'))
  expect(new Set(sheets.inverters.map(({ id }) => id))).toEqual(named('inverterId'))
  expect(sheets.batteries.length).toBeLessThanOrEqual(job.options.length)
  expect(sheets.modules.length).toBeLessThan(catalogue.modules.length)
})

test('they come back from the file, stand in place of others of their ids, and serve where the catalogue has none', () => {
  const file: unknown = JSON.parse(JSON.stringify(jobToFile(job, [], sheets)))
  expect(parseJob(file)).toEqual(job)
  const read = readSheets((file as { equipment: unknown }).equipment)
  expect(read).toEqual(sheets)
  const option = job.options[0]?.objects ?? {}
  const later = {
    ...catalogue,
    modules: catalogue.modules.map((sheet) => ({ ...sheet, powerW: sheet.powerW + 20 })),
  }
  expect(moduleIn({ house: {}, option, catalogue: withSheets(later, read) })).toEqual(first)
  expect(withSheets(later, read).modules).toHaveLength(catalogue.modules.length)
  expect(
    withSheets({ modules: [], inverters: [], batteries: [], optimizers: [], rules: [], mountings: [] }, read),
  ).toEqual(sheets)
  expect(withSheets(later, null)).toBe(later)
})

test('sheets that make no sense are refused with where; none are none', () => {
  expect(readSheets(undefined)).toBeNull()
  for (const [bad, path] of [
    [{ ...sheets, modules: [{ ...first, powerW: -1 }] }, 'equipment.modules.0.powerW'],
    [{ modules: [], inverters: [] }, 'equipment.batteries'],
    [3, 'equipment'],
  ] as const)
    expect(() => readSheets(bad)).toThrow(expect.objectContaining({ code: 'bad-equipment', path }) as Error)
})

test('a job that names what the catalogue no longer has is written with the sheets there are', () => {
  expect(sheetsOf(job, { ...catalogue, modules: [] })).toEqual({ ...sheets, modules: [] })
  expect(
    parseJob(
      jobToFile(
        job,
        [],
        sheetsOf(job, {
          modules: [],
          inverters: [],
          batteries: [],
          optimizers: [],
          rules: [],
          mountings: [],
        }),
      ),
    ),
  ).toEqual(job)
})
