import { randomUUID } from 'node:crypto'
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { parseJob } from '@/core/kinds/job'
import { sendDueMail } from './accounts/mail'
import { many, transaction } from './database'
import { createJob } from './jobs'
import { quoteSchema, sendQuote, type QuoteMail } from './quotes'
import { insertAccount } from './sql/accounts'
import { setJobDeleted } from './sql/jobs'
import { insertDesigner, insertTeam } from './sql/people'
import { openTestDatabase } from './testing'

process.env['SESSION_SECRET'] = 'q'.repeat(64)
const close = await openTestDatabase()
const folder = mkdtempSync(join(tmpdir(), 'tall-gable-quotes-'))
process.env['TALL_GABLE_DATA'] = folder
afterAll(async () => {
  await close()
  rmSync(folder, { recursive: true, force: true })
})

const teamId = randomUUID()
const ada = { id: randomUUID(), teamId, name: 'Ada' }
const stranger = { id: randomUUID(), teamId: randomUUID(), name: 'Eve' }
await transaction('people', async (runner) => {
  for (const one of [ada, stranger]) {
    await insertTeam(one.teamId, 'Team', runner)
    await insertDesigner(one.id, one.teamId, one.name, runner)
  }
  await insertAccount({ id: ada.id, mail: 'ada@tall-gable.example', passwordHash: 'x' }, runner)
})
const shipped = parseJob(JSON.parse(readFileSync('samples/shipped-job.json', 'utf8')))
const jobId = await createJob(teamId, shipped)
const quote = (fields: Partial<QuoteMail> = {}): QuoteMail => ({
  id: randomUUID(),
  to: 'quotes@supply.example',
  note: 'Delivery to the site, please.',
  currency: 'USD',
  lines: [
    { line: 'module/lumenfold-420', part: 'Module Lumenfold 420', count: 17, unit: 'piece' },
    { line: 'string-cable', part: 'PV cable, 4 mm²', count: 33, unit: 'm' },
  ],
  ...fields,
})
const ask = (mail: QuoteMail, who = ada, id = jobId) => sendQuote(who, id, mail, '127.0.0.1')
const codeOf = async (work: Promise<unknown>) =>
  ((await work.catch((error: unknown) => error)) as { code?: string } | undefined)?.code
const waiting = async () => (await many('waiting', 'SELECT id FROM outgoing_mail')).length
const asked = async () => (await many('asked', "SELECT about FROM audit WHERE what = 'prices-asked'")).length

test('a request goes out with its lines, its note and both files, and the answer to whoever asked', async () => {
  const mail = quote()
  await ask(mail)
  // Its answer was lost, and it is asked again: before it is sent and after.
  await ask(mail)
  expect(await waiting()).toBe(1)
  expect(await sendDueMail()).toBe(1)
  await ask(mail)
  expect(await waiting()).toBe(0)
  expect(await asked()).toBe(1)
  const [file] = readdirSync(join(folder, 'outbox'))
  const text = readFileSync(join(folder, 'outbox', file ?? ''), 'utf8')
  expect(text).toMatch(/^To: quotes@supply\.example/m)
  expect(text).toMatch(/^Reply-To: ada@tall-gable\.example/m)
  expect(text).toMatch(/^Subject: Request for prices, Okafor-Lindqvist/m)
  const plain = text.replace(/=\r?\n/g, '')
  expect(plain).toContain('17 x Module Lumenfold 420')
  expect(plain).toContain('Delivery to the site, please.')
  expect(text).toContain('filename=quote-request.csv')
  expect(text).toContain('filename=quote-request.json')
})

test('nobody asks for prices of another team’s job, nor of one that is gone, nor with a header in the address', async () => {
  const before = await waiting()
  expect(await codeOf(ask(quote(), stranger))).toBe('no-such-job')
  const gone = await createJob(teamId, shipped)
  await setJobDeleted(teamId, gone, true)
  expect(await codeOf(ask(quote(), ada, gone))).toBe('no-such-job')
  for (const to of ['', 'nobody', 'a@b.example\r\nBcc: eve@example.org', `${'a'.repeat(250)}@b.example`])
    expect(quoteSchema.safeParse(quote({ to })).success).toBe(false)
  expect(quoteSchema.safeParse(quote({ lines: [] })).success).toBe(false)
  expect(quoteSchema.safeParse(quote()).success).toBe(true)
  expect(await waiting()).toBe(before)
})

test('what is too long for a mail is refused, and a team asks so often a day and no more', async () => {
  const lines = Array.from({ length: 200 }, (_, k) => ({
    line: `own-${k}`,
    part: 'x'.repeat(200),
    count: 1,
    unit: 'piece' as const,
  }))
  expect(await codeOf(ask(quote({ lines })))).toBe('quote-long')
  const soFar = await asked()
  for (let k = soFar; k < 40; k++) await ask(quote())
  expect(await codeOf(ask(quote()))).toBe('too-many-quotes')
  expect(await asked()).toBe(40)
})
