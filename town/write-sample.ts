import { writeFileSync } from 'node:fs'
import { jobToFile } from '@/core/kinds/job'
import { shippedJobs } from './shipped-job'

/** Writes the shipped jobs to `samples/`. */
for (const [name, made] of Object.entries(shippedJobs)) {
  const file = new URL(`../samples/${name}`, import.meta.url).pathname
  writeFileSync(file, `${JSON.stringify(jobToFile(made()), null, 2)}\n`)
}
