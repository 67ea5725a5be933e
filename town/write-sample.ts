import { writeFileSync } from 'node:fs'
import { jobToFile } from '@/core/kinds/job'
import { saltmarshJob } from './shipped-job'

/** Writes the shipped job to `samples/`. */
const file = new URL('../samples/shipped-job.json', import.meta.url).pathname
writeFileSync(file, `${JSON.stringify(jobToFile(saltmarshJob()), null, 2)}\n`)
