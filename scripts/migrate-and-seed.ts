import { closeDatabase } from '@/server/database'
import { migrate } from '@/server/migrate'
import { seedIfEmpty } from '@/server/seed'

const url = process.env['DATABASE_URL']
if (!url) throw new Error('DATABASE_URL is not set')
const ran = await migrate(url, new URL('../server/migrations', import.meta.url).pathname)
if (ran.length > 0) console.log(`Migrated: ${ran.join(', ')}`)
const sample = new URL('../samples/shipped-job.json', import.meta.url).pathname
if (await seedIfEmpty(sample)) console.log('Stored the shipped job.')
await closeDatabase()
