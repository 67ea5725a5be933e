import { mkdirSync, writeFileSync } from 'node:fs'
import { accessPage } from './access-page'
import { jobSchema } from './job-schema'
import { tariffSchema } from './tariff-schema'

/** Writes the job's own JSON and the tariff's as JSON Schema to `docs/schema/`, and who may do what to `docs/access.md`. */
const folder = new URL('../docs/schema/', import.meta.url)
mkdirSync(folder, { recursive: true })
for (const [name, schema] of [
  ['job', jobSchema()],
  ['tariff', tariffSchema()],
] as const)
  writeFileSync(new URL(`${name}.json`, folder), `${JSON.stringify(schema, null, 2)}\n`)
writeFileSync(new URL('../docs/access.md', import.meta.url), accessPage())
