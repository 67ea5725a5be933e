import { mkdirSync, writeFileSync } from 'node:fs'
import { jobSchema } from './job-schema'

/** Writes the job's own JSON as JSON Schema to `docs/schema/job.json`. */
const folder = new URL('../docs/schema/', import.meta.url)
mkdirSync(folder, { recursive: true })
writeFileSync(new URL('job.json', folder), `${JSON.stringify(jobSchema(), null, 2)}\n`)
