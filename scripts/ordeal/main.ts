import { startTestServer } from '../parts/test-server.mjs'
import { freePort } from '../parts/private-database.mjs'
import { badRequests } from './bad-requests'
import { cluster } from './cluster'
import { designers } from './designers'
import { history } from './history'
import { kills } from './kills'
import { list } from './list'
import { load } from './load'
import { type Report } from './report'
import { Visitor } from './visitor'
import { work } from './work'

const named = process.argv.slice(2)
const short = named.includes('--short')
const wanted = named.filter((name) => !name.startsWith('--'))
const parts = ['load', 'designers', 'bad', 'history', 'list', 'kills', 'work', 'cluster']
const unknown = wanted.filter((name) => !parts.includes(name))
if (unknown.length > 0) {
  console.error(`There is no part ${unknown.join(', ')}: choose from ${parts.join(', ')}.`)
  process.exit(1)
}
const has = (name: string) => wanted.length === 0 || wanted.includes(name)

/** The same where people sign in. */
async function badRequestsWithAccounts(times: number, isTimed: boolean): Promise<Report> {
  process.env['METRICS_SECRET'] = 'ordeal'
  const signedInto = await startTestServer('ordeal-accounts', 'accounts')
  try {
    const owner = new Visitor(signedInto.address)
    const given = { name: 'Ada', mail: 'ada@example.org', password: 'lamp kettle moss seven' }
    await owner.join(signedInto.ownerLink().split('/').at(-1) ?? '', given)
    return await badRequests(times, signedInto.address, isTimed, owner)
  } finally {
    await signedInto.stop()
  }
}

const reports: Report[] = []
const server = await startTestServer('ordeal')
try {
  if (has('load') && !short) reports.push(await load(server.address))
  if (has('designers')) {
    reports.push(await designers(2, short ? 8 : 120, server.address))
    reports.push(await designers(5, short ? 8 : 120, server.address))
  }
  if (has('bad')) {
    const visitor = new Visitor(server.address)
    await visitor.enter()
    reports.push(await badRequests(short ? 2000 : 50_000, server.address, !short, visitor))
  }
  if (has('history') && !short) reports.push(await history(10_000, server.address, server.databaseUrl))
  if (has('list') && !short) reports.push(await list(20_000, server.address, server.databaseUrl))
} finally {
  await server.stop()
}
if (has('bad')) reports.push(await badRequestsWithAccounts(short ? 2000 : 50_000, !short))
if (has('kills')) reports.push(await kills(short ? 6 : 500, await freePort(0), !short))
if (short ? wanted.includes('work') : has('work')) reports.push(await work(short ? 3 : 20))

// On its own: it needs more of Debian's packages than the others.
if (wanted.includes('cluster')) reports.push(await cluster(short ? 7 : 100))

if (reports.length === 0) {
  console.error(`Nothing was run: ${wanted.join(', ')} has no short form.`)
  process.exit(1)
}
const broken = reports.flatMap((report) => report.broken)
console.log(
  broken.length === 0 ? '\nAll of it holds.' : `\nBroken:\n${broken.map((line) => `  ${line}`).join('\n')}`,
)
process.exit(broken.length === 0 ? 0 : 1)
