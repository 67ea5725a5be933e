import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { Fault } from '@/core/model/fault'
import { type Role } from '@/core/model/roles'
import { checkAccess, isForMembers, rules, type RouteName } from './access'
import { addressOf, checkHost, isLoopback, isOperator } from './hosts'
import { checkRate } from './rate-limit'

/** Every route and page of the application, found in its folders: its name, and the text of its file. */
function* found(folder = 'app', path = ''): Generator<{ name: string; text: string }> {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    if (entry.isDirectory()) yield* found(join(folder, entry.name), `${path}/${entry.name}`)
    else if (entry.name === 'page.tsx' || entry.name === 'route.ts') {
      const text = readFileSync(join(folder, entry.name), 'utf8')
      const methods =
        entry.name === 'page.tsx'
          ? ['GET']
          : [
              ...text.matchAll(
                /export (?:const|async function|function) (GET|HEAD|POST|PUT|PATCH|DELETE|OPTIONS)\b/g,
              ),
            ].map(([, method]) => method)
      for (const method of methods) yield { name: `${method} ${path || '/'}`, text }
    }
  }
}

const everything = [...found()]
const names = Object.keys(rules) as RouteName[]

test('every route and page has a rule, goes through it, and no rule is for nothing', () => {
  expect(everything.length).toBeGreaterThan(20)
  expect(everything.map(({ name }) => name).sort()).toEqual([...names].sort())
  for (const { name, text } of everything) {
    const through = new RegExp(
      `(route|open(?:Member|Job)?Page)(<[^>]*>)?\\(\\s*'${name.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}'`,
    )
    expect({ name, through: through.test(text) }).toEqual({ name, through: true })
  }
})

const as = (role: Role) => ({ id: 'd', teamId: 't', name: 'Ada', role })
const codeOf = (work: () => void) => {
  try {
    work()
    return 'let in'
  } catch (error) {
    if (error instanceof Fault) return error.code
    throw error
  }
}

test('strangers get no farther than what is for anyone; what the operator sees is for the operator alone', () => {
  const open = names.filter((name) => codeOf(() => checkAccess(name, undefined, false)) === 'let in')
  expect(open.sort()).toEqual([
    'GET /enter',
    'GET /forgotten',
    'GET /health',
    'GET /invitation/[token]',
    'GET /link/[token]',
    'GET /link/[token]/enter',
    'GET /offer/[token]',
    'GET /offer/[token]/figures',
    'GET /offer/[token]/pdf',
    'GET /password/[token]',
    'GET /ready',
    'GET /sign-in',
    'GET /world/[...path]',
    'GET /world/tiles/[z]/[x]/[y]',
    'POST /api/forgotten',
    'POST /api/sign-in',
    'POST /api/sign-out',
    'POST /invitation/[token]/join',
    'POST /link/[token]/open',
    'POST /offer/[token]/accept',
    'POST /offer/[token]/question',
    'POST /password/[token]/set',
  ])
  expect(codeOf(() => checkAccess('GET /metrics', as('owner'), false))).toBe('not-allowed')
  expect(codeOf(() => checkAccess('GET /metrics', undefined, true))).toBe('let in')
  expect(codeOf(() => checkAccess('POST /api/jobs', as('designer'), false))).toBe('let in')
  expect(codeOf(() => checkAccess('POST /api/jobs', undefined, true))).toBe('not-signed-in')
})

/** Routes for members that a role is not let in to. */
const closedTo = (role: Role) =>
  names.filter((name) => codeOf(() => checkAccess(name, as(role), false)) === 'not-your-role').sort()

test('each role is let in to what is its own: owners to all, designers to all but the team', () => {
  expect(closedTo('owner')).toEqual([])
  const ofOwners = [
    'DELETE /api/letterhead/logo',
    'DELETE /api/team/invitations/[invitationId]',
    'DELETE /api/team/members/[memberId]',
    'DELETE /api/work/[workId]',
    'GET /dashboard',
    'GET /letterhead',
    'GET /team',
    'PATCH /api/team/members/[memberId]',
    'POST /api/team/invitations',
    'POST /api/work/[workId]',
    'PUT /api/letterhead',
    'PUT /api/letterhead/logo',
  ]
  expect(closedTo('designer')).toEqual(ofOwners)
  // A reader changes nothing but what they say, and what is their own.
  const ownOrSaid = /\/(account|comments|sign-out|presence|browser-errors)/
  const open = names.filter(
    (name) => isForMembers(rules[name]) && !closedTo('reader').includes(name) && !name.startsWith('GET '),
  )
  expect(open.filter((name) => !ownOrSaid.test(name))).toEqual([])
  // An installer sees nothing of money, and gives what goes into a job: photos and visits.
  for (const name of names)
    if (/\/(offers|history|versions|export)/.test(name) && name.includes('/api/jobs/'))
      expect(closedTo('installer')).toContain(name)
  expect(closedTo('reader').filter((name) => !closedTo('installer').includes(name))).toEqual([
    'POST /api/files',
    'POST /api/jobs/[id]/changes',
  ])
})

test('on one’s own machine there is nothing to sign in to', () => {
  process.env['SIGN_IN'] = 'local'
  for (const name of ['POST /api/sign-in', 'GET /team', 'POST /invitation/[token]/join'] as const)
    expect(codeOf(() => checkAccess(name, as('owner'), true))).toBe('no-accounts')
  expect(codeOf(() => checkAccess('POST /api/jobs', as('owner'), true))).toBe('let in')
  delete process.env['SIGN_IN']
})

test('a server answers to its own names alone', () => {
  for (const host of ['localhost', '127.0.0.1:4310', '[::1]:80']) expect(isLoopback(host)).toBe(true)
  for (const host of ['127.0.0.1.evil.example', 'localhost:80@evil.example', 'evil.example', '', null])
    expect(codeOf(() => checkHost(host))).toBe('wrong-host')
  process.env['HOSTS'] = 'solar.example, other.example:8443'
  expect(codeOf(() => checkHost('other.example:8443'))).toBe('let in')
  expect(codeOf(() => checkHost('other.example'))).toBe('wrong-host')
  delete process.env['HOSTS']
})

test('whoever runs the server is whoever asks their own machine by its name, or says the word', () => {
  const asks = (host: string, authorization?: string) =>
    isOperator(new Headers({ host, ...(authorization !== undefined && { authorization }) }))
  expect(asks('127.0.0.1:4310')).toBe(false)
  process.env['SIGN_IN'] = 'local'
  expect([asks('127.0.0.1:4310'), asks('solar.example')]).toEqual([true, false])
  delete process.env['SIGN_IN']
  process.env['METRICS_SECRET'] = 'a word'
  expect([asks('solar.example', 'Bearer a word'), asks('127.0.0.1', 'Bearer a')]).toEqual([true, false])
  expect(asks('127.0.0.1')).toBe(false)
  // No word is not an empty word.
  process.env['METRICS_SECRET'] = ''
  expect(asks('solar.example', 'Bearer ')).toBe(false)
  delete process.env['METRICS_SECRET']
})

test('where a request comes from is what the proxy in front says, not what a client claims', () => {
  const headers = new Headers({ 'x-forwarded-for': '6.6.6.6, 10.0.0.9' })
  expect(addressOf(headers)).toBe('here')
  process.env['HOSTS'] = 'solar.example'
  expect(addressOf(headers)).toBe('10.0.0.9')
  expect(addressOf(new Headers())).toBe('here')
  delete process.env['HOSTS']
})

test('a place may ask for a minute’s worth at once, then as it comes back; others are not touched by it', () => {
  const { perMinute } = rules['POST /api/weather']
  const ask = (from: string, second: number) =>
    codeOf(() => checkRate('POST /api/weather', from, 1_000_000 + second * 1000))
  for (let k = 0; k < perMinute; k++) expect(ask('here', 0)).toBe('let in')
  expect(ask('here', 0)).toBe('too-many-requests')
  expect(ask('there', 0)).toBe('let in')
  expect(ask('here', 0.5)).toBe('too-many-requests')
  expect(ask('here', 1.1)).toBe('let in')
  expect(ask('here', 1.2)).toBe('too-many-requests')
  expect(ask('here', 120)).toBe('let in')
})
