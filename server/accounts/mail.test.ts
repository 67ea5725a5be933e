import { randomUUID } from 'node:crypto'
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { createServer, type Server, type Socket } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { many, run, transaction } from '../database'
import { openTestDatabase } from '../testing'
import { forgetTransport, mailTo, sendDueMail } from './mail'

process.env['SESSION_SECRET'] = 'z'.repeat(64)
const close = await openTestDatabase()
const folder = mkdtempSync(join(tmpdir(), 'tall-gable-mail-'))
process.env['TALL_GABLE_DATA'] = folder
afterAll(async () => {
  await close()
  rmSync(folder, { recursive: true, force: true })
})
afterEach(() => {
  delete process.env['MAIL_URL']
  forgetTransport()
})

const put = async (recipient: string, text: string) => {
  const store = await mailTo(recipient, 'A word', text)
  await transaction('mail', store)
}
const waiting = async () =>
  (
    await many(
      'waiting',
      'SELECT recipient, attempts, due_at > CURRENT_TIMESTAMP(3) AS later FROM outgoing_mail',
    )
  ).map((row) => [row['recipient'], row['attempts'], row['later']] as const)

/** A mail server as RFC 5321 has it, on loopback; keeps what it was given. */
async function mailServer(isWilling: () => boolean): Promise<{ server: Server; url: string; got: string[] }> {
  const got: string[] = []
  const talk = (socket: Socket) => {
    const say = (line: string) => socket.write(`${line}\r\n`)
    let text: string | null = null
    let rest = ''
    say('220 mail.example')
    socket.on('error', () => undefined)
    socket.on('data', (data) => {
      rest += data.toString('utf8')
      const lines = rest.split('\r\n')
      rest = lines.pop() ?? ''
      for (const line of lines) {
        if (text !== null) {
          if (line !== '.') text += `${line}\n`
          else {
            got.push(text)
            text = null
            say('250 kept')
          }
        } else if (/^(EHLO|HELO)/i.test(line)) say('250 mail.example')
        else if (/^RCPT/i.test(line)) say(isWilling() ? '250 ok' : '451 later')
        else if (/^DATA/i.test(line)) {
          text = ''
          say('354 go on')
        } else if (/^QUIT/i.test(line)) {
          say('221 bye')
          socket.end()
        } else say('250 ok')
      }
    })
  }
  const server = createServer(talk)
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
  const address = server.address()
  if (address === null || typeof address === 'string') throw new Error('a port of loopback')
  return { server, url: `smtp://127.0.0.1:${address.port}?ignoreTLS=true`, got }
}

test('without a mail server mail lies as a file in the data folder, readable by its owner alone', async () => {
  await put('ada@example.org', 'Open https://solar.example/invitation/abc')
  const [row] = await many('sealed', 'SELECT sealed FROM outgoing_mail')
  // A copy of the database opens no link.
  expect(String(row?.['sealed'])).not.toContain('solar.example')
  expect(await sendDueMail()).toBe(1)
  expect(await waiting()).toEqual([])
  const [file = ''] = readdirSync(join(folder, 'outbox'))
  const text = readFileSync(join(folder, 'outbox', file), 'utf8')
  expect(text).toMatch(/^To: ada@example\.org\r?$/m)
  expect(text).toContain('https://solar.example/invitation/abc')
})

test('mail goes through the server once; while that is away or unwilling it waits and comes later', async () => {
  let isWilling = false
  const { server, url, got } = await mailServer(() => isWilling)
  process.env['MAIL_URL'] = 'smtp://127.0.0.1:1'
  await put('bo@example.org', 'First')
  expect(await sendDueMail()).toBe(0)
  expect(await waiting()).toEqual([['bo@example.org', 1, 1]])
  // It is not due yet.
  expect(await sendDueMail()).toBe(0)
  const hurry = () => run('hurry', 'UPDATE outgoing_mail SET due_at = CURRENT_TIMESTAMP(3)')
  process.env['MAIL_URL'] = url
  forgetTransport()
  await hurry()
  expect(await sendDueMail()).toBe(0)
  expect(await waiting()).toEqual([['bo@example.org', 2, 1]])
  isWilling = true
  await hurry()
  // Two processes at once send it once.
  const sent = await Promise.all([sendDueMail(), sendDueMail(), sendDueMail()])
  expect(sent.reduce((sum, count) => sum + count, 0)).toBe(1)
  expect(await waiting()).toEqual([])
  expect(got).toHaveLength(1)
  expect(got[0]).toContain('First')
  await new Promise((done) => server.close(done))
}, 30_000)

test('text that would begin another header stays where it is', async () => {
  const store = await mailTo('cy@example.org', `A word\r\nBcc: eve@example.org ${randomUUID()}`, 'Text')
  await transaction('mail', store)
  const before = new Set(readdirSync(join(folder, 'outbox')))
  expect(await sendDueMail()).toBe(1)
  const file = readdirSync(join(folder, 'outbox')).find((name) => !before.has(name)) ?? ''
  expect(readFileSync(join(folder, 'outbox', file), 'utf8')).not.toMatch(/^Bcc:/m)
})
