import { readFileSync } from 'node:fs'
import { jobToFile, parseJob } from '@/core/kinds/job'
import { saltmarshJob } from './shipped-job'

test('the sample is the shipped job as it is made, and the reader takes it', () => {
  const file = new URL('../samples/shipped-job.json', import.meta.url).pathname
  const sample = JSON.parse(readFileSync(file, 'utf8')) as unknown
  // Written by `npm run generate`.
  expect(sample).toEqual(JSON.parse(JSON.stringify(jobToFile(saltmarshJob()))))
  expect(parseJob(sample)).toEqual(saltmarshJob())
})
