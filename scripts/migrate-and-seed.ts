import { join } from 'node:path'
import { closeDatabase } from '@/server/database'
import { migrate } from '@/server/migrate'
import { seedIfEmpty } from '@/server/seed'

const url = process.env['DATABASE_URL']
if (!url) throw new Error('DATABASE_URL is not set')
const ran = await migrate(url, join(process.cwd(), 'server', 'migrations'))
if (ran.length > 0) console.log(`Migrated: ${ran.join(', ')}`)
const samples = ['valdecorva-job.json', 'tarrowee-job.json', 'shipped-job.json']
const sample = (name: string) => join(process.cwd(), 'samples', name)
if (await seedIfEmpty(samples.map(sample), sample('tern-street-logo.png')))
  console.log('Stored the shipped jobs.')
await closeDatabase()
