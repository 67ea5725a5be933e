import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

const folder = mkdtempSync(join(tmpdir(), 'gable-offer-'))
afterAll(() => rmSync(folder, { recursive: true }))

interface Found {
  readonly holds: boolean
  readonly digest: { readonly same: boolean }
  readonly weather: { readonly same: boolean }
  readonly figures: number
  readonly differences: readonly { readonly id: string }[]
}
interface OfferJson {
  readonly job: Record<string, unknown>
  readonly figures: readonly { readonly id: string; readonly value: number | null }[]
}

function gable(...args: readonly string[]) {
  const { status, stdout, stderr } = spawnSync('node', ['bin/gable.mjs', ...args], {
    encoding: 'utf8',
    maxBuffer: 50_000_000,
  })
  const fault = stderr.split('\n').find((line) => line.startsWith('{"error"'))
  const error = fault ? (JSON.parse(fault) as { error: { code: string; path: string } }).error : null
  return { status, stdout, error }
}
const offer = JSON.parse(gable('offer', 'shipped', '--option', 'B').stdout) as OfferJson

function verify(value: unknown) {
  const file = join(folder, 'offer.json')
  writeFileSync(file, JSON.stringify(value))
  const { status, stdout, error } = gable('verify', file)
  return { status, error, found: stdout === '' ? null : (JSON.parse(stdout) as Found) }
}

test('an offer holds as it was written, with the fields of its inputs in any order', () => {
  const { status, found } = verify(offer)
  expect(status).toBe(0)
  expect(found).toMatchObject({
    holds: true,
    differences: [],
    digest: { same: true },
    weather: { same: true },
  })
  // The ledger, today and 25 years.
  expect(found?.figures).toBeGreaterThan(26 + 20)
  const { job, ...rest } = offer
  const turned = { job: Object.fromEntries(Object.entries(job).reverse()), ...rest }
  expect(verify(turned).found?.holds).toBe(true)
}, 60_000)

test('whatever is asked of a job can be asked of an offer: the design is in its file', () => {
  const file = join(folder, 'offer-as-job.json')
  writeFileSync(file, JSON.stringify(offer))
  const { status, stdout } = gable('run', file)
  expect(status).toBe(0)
  const [asked, shipped] = [stdout, gable('run', 'shipped', '--option', 'B').stdout].map(
    (text) => JSON.parse(text) as Record<string, unknown>,
  )
  expect({ ...asked, option: 'B' }).toEqual(shipped)
  expect(gable('run', file, '--option', 'B').error?.code).toBe('no-such-option')
  writeFileSync(file, JSON.stringify({ ...offer, digest: 'none' }))
  expect(gable('run', file).error?.code).toBe('bad-offer-file')
}, 60_000)

test('a figure that was altered is named; so are inputs that are not those of the digest', () => {
  const figures = offer.figures.map((one) =>
    one.id === 'payback' ? { ...one, value: (one.value ?? 0) - 1 } : one,
  )
  const altered = verify({ ...offer, figures })
  expect(altered.status).toBe(1)
  expect(altered.found?.differences.map(({ id }) => id)).toEqual(['payback'])
  const cheaper = JSON.stringify(offer).replace('"pricePerWatt":2.35', '"pricePerWatt":2.05')
  const { found } = verify(JSON.parse(cheaper))
  expect(found).toMatchObject({ holds: false, digest: { same: false } })
  expect(found?.differences.map(({ id }) => id)).toEqual(
    expect.arrayContaining(['price', 'net-price', 'cash-0']),
  )
  const elsewhere = verify({ ...offer, weather: 'a'.repeat(64) })
  expect(elsewhere.found).toMatchObject({ holds: false, weather: { same: false }, differences: [] })
}, 60_000)

test('what is no offer is told apart from an offer with a fault, and the place is named', () => {
  const faultOf = (value: unknown) => {
    const { status, error } = verify(value)
    expect(status).toBe(2)
    return `${error?.code} ${error?.path}`
  }
  expect(faultOf({})).toBe('no-offer-file ')
  expect(faultOf(null)).toBe('no-offer-file ')
  expect(faultOf(JSON.parse(readFileSync('samples/shipped-job.json', 'utf8')))).toBe('no-offer-file ')
  expect(faultOf({ ...offer, digest: 'x' })).toBe('bad-offer-file digest')
  expect(faultOf({ ...offer, figures: [] })).toBe('bad-offer-file figures')
  expect(faultOf({ ...offer, optionId: 'nope' })).toBe('no-such-option option')
  expect(faultOf({ ...offer, job: { ...offer.job, house: {} } })).toMatch(/^missing-object /)
}, 60_000)
