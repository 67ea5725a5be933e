import { seededRandom } from '@/core/model/random'
import { rules } from '@/server/access'
import { quantile, Report, rounded } from './report'
import { shippedFile } from './shipped'
import { Visitor } from './visitor'

/** Seeded nonsense over every route and method: no answer may be an error of the server's own, late, or talkative. */

const methods = ['GET', 'POST', 'PATCH', 'PUT', 'DELETE', 'HEAD', 'OPTIONS'] as const
const strange = [
  'constructor',
  '__proto__',
  'toString',
  '../../etc/passwd',
  '%00',
  '%ff%fe',
  "' OR 1=1 --",
  '🏠'.repeat(50),
  '\ud800',
  '-1',
  '1e308',
  'NaN',
  'null',
  'x'.repeat(4000),
  '<script>alert(1)</script>',
]
/** What no answer should ever hold. */
const inside = /at .*\.(ts|js|mjs):\d+|node_modules|ER_[A-Z_]+|SELECT |mysql2|ECONNREFUSED|SESSION_SECRET/

type Random = () => number

/**
 * @param isTimed whether times have to hold, or are only told
 * @param visitor somebody signed in
 */
export async function badRequests(
  times: number,
  address: string,
  isTimed: boolean,
  visitor: Visitor,
  seed = 5,
): Promise<Report> {
  const report = new Report(`${times} bad requests over ${Object.keys(rules).length} routes`)
  const random = seededRandom(seed)
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T
  const stranger = new Visitor(address)
  const known = await visitor.import(shippedFile())
  const offer = (await (
    await visitor.send(`/api/jobs/${known}/offers`, { optionId: 'option-a' })
  ).json()) as {
    path: string
  }
  const token = offer.path.split('/').at(-1) ?? ''
  const routes = Object.keys(rules).map((name) => name.split(' ')[1] ?? '/')
  const values = () =>
    pick([
      () => encodeURIComponent(pick(strange).toWellFormed()),
      () => known,
      () => crypto.randomUUID(),
      () => token,
      () => pick(['%ff%fe', '%', '%00']),
    ])()
  const path = () =>
    pick(routes).replace(/\[[^\]]+\]/g, values) +
    (random() < 0.3 ? `?${values()}=${values()}&since=${values()}&q=${values()}` : '')
  const times_: number[] = []
  const broken: string[] = []
  const memory: number[] = []
  const statuses = new Map<number, number>()
  const one = async () => {
    const method = pick(methods)
    const to = path()
    // A stream stays open as it should.
    if (method === 'GET' && /events/.test(to)) return
    const begin = performance.now()
    const body = method === 'GET' || method === 'HEAD' ? undefined : bodyOf(random, known)
    const headers = headersOf(random, pick)
    try {
      const answer = await (random() < 0.8 && !to.startsWith('/api/sign-out') ? visitor : stranger).ask(to, {
        method,
        headers,
        ...(body === undefined ? {} : { body }),
      })
      const text = await answer.text()
      const ms = performance.now() - begin
      // Printing takes its time.
      if (!to.includes('/pdf') && !/offers$/.test(to)) times_.push(ms)
      statuses.set(answer.status, (statuses.get(answer.status) ?? 0) + 1)
      const honest = answer.status < 500 || (answer.status === 503 && answer.headers.has('retry-after'))
      if (!honest) broken.push(`${method} ${to.slice(0, 120)}: ${answer.status}`)
      if (inside.test(text) && !to.startsWith('/metrics'))
        broken.push(`${method} ${to.slice(0, 120)}: tells its inside`)
    } catch (error) {
      // What fetch itself refuses to send never reached the server.
      if (!(error instanceof TypeError)) throw error
      if (error.cause)
        broken.push(
          `${method} ${to.slice(0, 120)}: ${error.cause instanceof Error ? error.cause.message : 'cut off'}`,
        )
    }
  }
  const atOnce = 8
  for (let k = 0; k < times; k += atOnce) {
    await Promise.all(Array.from({ length: atOnce }, one))
    if (k % Math.max(atOnce, Math.floor(times / 20 / atOnce) * atOnce) === 0)
      memory.push(await residentMb(visitor))
  }
  report.say(
    `answers: ${[...statuses]
      .sort(([a], [b]) => a - b)
      .map(([status, count]) => `${status} × ${count}`)
      .join(', ')}`,
  )
  report.say(
    `time: ${rounded(quantile(times_, 0.5))} ms (median), ${rounded(Math.max(...times_))} ms (longest)`,
  )
  report.say(`memory: ${memory.map(rounded).join(', ')} MB`)
  for (const line of new Set(broken.slice(0, 20))) report.say(line)
  report.holds(`no error of the server's own, nothing of its inside (${broken.length})`, broken.length === 0)
  report.measured(isTimed, 'no answer over 2 s', Math.max(...times_) < 2000)
  const half = Math.floor(memory.length / 2)
  const later = memory.slice(half)
  report.measured(
    isTimed,
    'memory on a plateau',
    Math.max(...later) < 1.35 * Math.max(...memory.slice(0, half + 1)) + 30,
  )
  return report
}

async function residentMb(visitor: Visitor): Promise<number> {
  const headers = { authorization: `Bearer ${process.env['METRICS_SECRET'] ?? ''}` }
  const text = await (await visitor.ask('/metrics', { headers })).text()
  return Number(/tall_gable_process_resident_memory_bytes ([\d.e+]+)/.exec(text)?.[1] ?? NaN) / 1e6
}

function bodyOf(random: Random, jobId: string): string {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T
  const value = (depth: number): unknown => {
    const way = random()
    if (depth > 4 || way < 0.4)
      return pick<unknown>([
        null,
        true,
        0,
        -1,
        1e308,
        '',
        ...strange,
        jobId,
        [],
        {},
        { toString: 1 },
        { length: -1 },
      ])
    if (way < 0.6) return Array.from({ length: Math.floor(random() * 5) }, () => value(depth + 1))
    return Object.fromEntries(
      Array.from({ length: 1 + Math.floor(random() * 4) }, () => [pick(keys), value(depth + 1)]),
    )
  }
  const way = random()
  if (way < 0.1) return '{'.repeat(1000)
  if (way < 0.15) return 'x'.repeat(100_000)
  if (way < 0.2) return '[' + '1,'.repeat(10_000) + '1]'
  if (way < 0.6) {
    const change = { added: { [pick(strange)]: value(2) }, updated: { a: [value(2), value(2)] }, removed: {} }
    return JSON.stringify({
      edits: [{ id: crypto.randomUUID(), documentId: pick(['house', 'option-a', 'constructor']), change }],
    })
  }
  return JSON.stringify(value(0))
}

const keys = [
  'edits',
  'id',
  'documentId',
  'change',
  'added',
  'updated',
  'removed',
  'kind',
  'name',
  'deleted',
  'optionId',
  'address',
  'copyOf',
  'format',
  'version',
  'kinds',
  'house',
  'options',
  'screen',
  'selection',
  'since',
  'withdrawn',
  'message',
  'mail',
  'password',
  'next',
  'code',
  'key',
  'role',
  'days',
  '__proto__',
  'constructor',
]

function headersOf(random: Random, pick: <T>(list: readonly T[]) => T): Record<string, string> {
  const headers: Record<string, string> = {
    'content-type': pick(['application/json', 'text/csv', 'multipart/form-data', 'x']),
  }
  if (random() < 0.1) headers['origin'] = pick(['null', 'http://evil.example', 'not a url'])
  if (random() < 0.05) headers['cookie'] = `tall-gable=${pick(['forged', 'Fe26.2**x', '%ff'])}`
  if (random() < 0.05) headers['accept'] = pick(['text/x-component', '*/*;q=-1'])
  return headers
}
