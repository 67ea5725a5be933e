import { randomUUID } from 'node:crypto'
import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import nodemailer, { type Transporter } from 'nodemailer'
import { transaction, type Runner } from '../database'
import { log } from '../log'
import { seal, unseal } from '../seal'
import { insertMail, putOffMail, removeMail, takeDueMail, type OutgoingMail } from '../sql/outgoing-mail'

/**
 * Mail is stored with what it is about, in one transaction, and sent afterwards: what was promised is sent however often
 * the mail server or this process is away. `MAIL_URL` (`smtp://` or `smtps://`, with name and password) names the server;
 * without it mail lies as files in `outbox` of the data folder.
 */

/** Seconds for which a process has taken mail, and after which what failed is tried again at first and at last. */
const takenSeconds = 120
const firstAgainSeconds = 15
const lastAgainSeconds = 3600
/** After so many attempts, most of three days, it is given up. */
const mostAttempts = 80
const restMs = 5000

/** Where this server is reached by those it writes to. */
export const publicOrigin = (): string => process.env['PUBLIC_ORIGIN'] ?? process.env['APP_ORIGIN'] ?? ''

/** What some mail has beside its text. */
interface MailMore {
  /** Where it is asked for twice, it is sent once. */
  readonly id?: string
  /** Whom the answer goes to. */
  readonly replyTo?: string
  readonly attachments?: readonly { readonly filename: string; readonly content: string }[]
}

/** Stores mail to be sent. @returns what stores it within a transaction */
export async function mailTo(
  recipient: string,
  subject: string,
  text: string,
  { id = randomUUID(), ...more }: MailMore = {},
) {
  const sealed = await seal(JSON.stringify({ subject, text, ...more }))
  return (runner: Runner) => insertMail(id, recipient, sealed, runner)
}

const holder = globalThis as { tallGableMail?: Transporter }

/** Sends through the mail server, or makes the file that stands in for it. */
function transporter(): Transporter {
  const url = process.env['MAIL_URL']
  holder.tallGableMail ??= url
    ? nodemailer.createTransport({ url, connectionTimeout: 10_000, socketTimeout: 20_000 })
    : nodemailer.createTransport({ streamTransport: true, buffer: true })
  return holder.tallGableMail
}

/** What `MAIL_URL` says is read again. */
export function forgetTransport(): void {
  holder.tallGableMail?.close()
  delete holder.tallGableMail
}

async function send({ id, recipient, sealed }: OutgoingMail): Promise<void> {
  const text = await unseal(sealed)
  // Sealed with another key, by a server that is no more: nobody can read it again.
  if (text === null) return
  const mail = JSON.parse(text) as { readonly subject: string; readonly text: string } & Omit<MailMore, 'id'>
  const from = process.env['MAIL_FROM'] ?? 'Tall Gable <no-reply@localhost>'
  const sent: unknown = await transporter().sendMail({
    ...mail,
    attachments: [...(mail.attachments ?? [])],
    from,
    to: recipient,
    messageId: `<${id}@tall-gable>`,
  })
  const folder = process.env['TALL_GABLE_DATA']
  if (process.env['MAIL_URL'] || !folder) return
  const outbox = join(folder, 'outbox')
  mkdirSync(outbox, { recursive: true, mode: 0o700 })
  writeFileSync(join(outbox, `${id}.eml`), (sent as { readonly message: Buffer }).message, { mode: 0o600 })
}

/** Sends what is due. @returns how many were sent */
export async function sendDueMail(): Promise<number> {
  const due = await transaction('take mail', (runner) => takeDueMail(takenSeconds, 10, runner))
  let count = 0
  for (const mail of due)
    try {
      await send(mail)
      await removeMail(mail.id)
      count++
    } catch (error) {
      const message = error instanceof Error ? error.message : 'unknown'
      log.warn({ id: mail.id, attempts: mail.attempts + 1, error: message }, 'mail not sent')
      if (mail.attempts + 1 >= mostAttempts) await removeMail(mail.id)
      else await putOffMail(mail.id, Math.min(lastAgainSeconds, firstAgainSeconds * 2 ** mail.attempts))
    }
  return count
}

/** Sends for as long as this process lives; several that do it get in nobody's way. */
export function keepSending(): void {
  const go = () => {
    sendDueMail()
      .catch((error: unknown) =>
        log.warn({ error: error instanceof Error ? error.message : 'unknown' }, 'mail not looked for'),
      )
      .finally(() => setTimeout(go, restMs).unref())
  }
  setTimeout(go, restMs).unref()
}
