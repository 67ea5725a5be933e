import { z } from 'zod'
import { Fault } from '@/core/model/fault'
import { quoteCsv, quoteJson, quoteLineSchema } from '@/core/readers/part-prices'
import { mailTo } from './accounts/mail'
import { transaction } from './database'
import { maybeOneAccount } from './sql/accounts'
import { countNotesOfDay, insertNote, isNoted } from './sql/audit'
import { maybeOneJobForUpdate } from './sql/jobs'
import { type Designer } from './sql/people'

/** Requests that a team may send in a day: nobody asks for more prices, and nobody can be flooded with them. */
const mostADay = 40
/** Text of all of a mail: what is kept until it is sent has its bounds. */
const mostCharacters = 30_000

/** A request for prices. The id is made by whoever sends it. */
export const quoteSchema = z.strictObject({
  id: z.uuid(),
  to: z.email().max(254),
  note: z.string().trim().max(2000),
  currency: z.string().regex(/^[A-Z]{3}$/),
  lines: z.array(quoteLineSchema).min(1).max(400),
})
export type QuoteMail = z.infer<typeof quoteSchema>

/**
 * Asks a distributor for prices by mail, with the request as table and JSON; sent twice under one id it goes out once.
 * @param place address that it is asked from
 * @throws Fault `no-such-job`, `too-many-quotes`, `quote-long`
 */
export async function sendQuote(
  who: Designer,
  jobId: string,
  { id, to, note: said, currency, lines }: QuoteMail,
  place: string,
): Promise<void> {
  const account = await maybeOneAccount(who.id)
  const csv = quoteCsv(lines)
  const json = quoteJson(lines, currency)
  const listed = lines.map(({ part, count, unit }) => `${count} ${unit === 'm' ? 'm' : 'x'} ${part}`)
  if (said.length + csv.length + json.length + listed.join('\n').length > mostCharacters)
    throw new Fault('quote-long')
  await transaction('send quote', async (runner) => {
    const job = await maybeOneJobForUpdate(who.teamId, jobId, runner)
    if (!job || job.deleted) throw new Fault('no-such-job')
    const note = {
      teamId: who.teamId,
      designerId: who.id,
      what: 'prices-asked',
      about: `${to}, ${id}`,
      place,
    } as const
    // Asked before, and its answer lost: it is under way, or sent.
    if (await isNoted(note, runner)) return
    if ((await countNotesOfDay(who.teamId, 'prices-asked', runner)) >= mostADay)
      throw new Fault('too-many-quotes', { limit: mostADay })
    const store = await mailTo(
      to,
      `Request for prices, ${job.name}`,
      [
        `${who.name} asks for your prices in ${currency}, for each piece or metre:`,
        ...listed,
        ...(said === '' ? [] : ['', said]),
        '',
        'The same is attached as a table and as JSON: fill in the prices and send one of them back.',
        '',
      ].join('\n'),
      {
        id,
        ...(account ? { replyTo: account.mail } : {}),
        attachments: [
          { filename: 'quote-request.csv', content: csv },
          { filename: 'quote-request.json', content: json },
        ],
      },
    )
    await store(runner)
    await insertNote(note, runner)
  })
}
