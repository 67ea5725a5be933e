import { readdirSync, readFileSync } from 'node:fs'
import { runOf, worldOf } from '@/town/testing'
import { jobToFile, parseJob } from '@/core/kinds/job'
import { siteStage } from '@/core/stages/site'
import { shippedJobs } from './shipped-job'

const folder = new URL('../samples/', import.meta.url).pathname

test('the samples are the shipped jobs as they are made, and the reader takes them', () => {
  const jobs = readdirSync(folder).filter((file) => file.endsWith('.json'))
  expect(jobs.sort()).toEqual(Object.keys(shippedJobs).sort())
  for (const [name, made] of Object.entries(shippedJobs)) {
    const sample = JSON.parse(readFileSync(`${folder}${name}`, 'utf8')) as unknown
    // Written by `npm run generate`.
    expect(sample).toEqual(JSON.parse(JSON.stringify(jobToFile(made()))))
    expect(parseJob(sample)).toEqual(made())
  }
})

test('everything in them stands where it can be built, and carries modules where it should', async () => {
  for (const [name, made] of Object.entries(shippedJobs)) {
    const { house, options } = made()
    const site = runOf(await worldOf(house, options[0]?.objects)).value(siteStage)
    expect({ name, faults: site.faults, orphaned: site.orphaned }).toEqual({ name, faults: [], orphaned: [] })
    for (const { id, panels } of site.arrays) expect([name, id, panels.length > 2]).toEqual([name, id, true])
  }
})
