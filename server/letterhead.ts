import { z } from 'zod'
import { colourPattern, contrastWithWhite, leastContrast } from '@/core/model/colour'
import { Fault } from '@/core/model/fault'
import { pictureSize, type PictureSize } from '@/core/imports/picture-size'
import {
  largestLogo,
  letterheadMost,
  type Contractor,
  type Letterhead,
  type LetterheadShown,
} from '@/core/papers/letterhead'
import { transaction, type Runner } from './database'
import { insertNote, type Deed } from './sql/audit'
import { maybeOneLetterhead, maybeOneLogo, saveLetterhead, saveLogo } from './sql/letterheads'

const line = (most: number) =>
  z
    .string()
    .max(most)
    .transform((text) => text.replace(/\s+/g, ' ').trim())

/** As it is typed; what is left out is empty. */
export const letterheadSchema = z.strictObject({
  name: line(letterheadMost.name).pipe(z.string().min(1)),
  licence: line(letterheadMost.licence).default(''),
  postal: line(letterheadMost.postal).default(''),
  phone: line(letterheadMost.phone).default(''),
  mail: line(letterheadMost.mail).default(''),
  web: line(letterheadMost.web).default(''),
  colour: z.string().regex(colourPattern),
}) satisfies z.ZodType<Letterhead>

async function textsOf(teamId: string): Promise<Letterhead> {
  const kept = await maybeOneLetterhead(teamId)
  if (!kept) throw new Fault('no-such-member')
  return kept
}

/** What stands at the head of what a team sends now. @throws Fault `no-such-member` without such a team */
export async function letterheadOf(teamId: string): Promise<LetterheadShown> {
  const [texts, logo] = await Promise.all([textsOf(teamId), maybeOneLogo(teamId)])
  return { ...texts, logo: logo ? `data:${logo.mediaType};base64,${logo.bytes.toString('base64')}` : null }
}

/** Of it what a permit office is told. @throws Fault `no-such-member` without such a team */
export async function contractorOf(teamId: string): Promise<Contractor> {
  const { name, licence, phone } = await textsOf(teamId)
  return { name, licence, phone }
}

/** Whoever changes it, and from which address. */
interface Changer {
  readonly teamId: string
  readonly id: string
  readonly place: string
}

/** Changes it and notes by whom, or neither. */
const changed = (
  { teamId, id, place }: Changer,
  what: Deed,
  about: string,
  change: (runner: Runner) => Promise<unknown>,
): Promise<void> =>
  transaction('change the letterhead', async (runner) => {
    await change(runner)
    await insertNote({ teamId, designerId: id, what, about, place }, runner)
  })

/**
 * @throws Fault `pale-colour`: what is written in it could not be read on paper
 * @throws Fault `not-a-mail-address`
 */
export async function setLetterhead(who: Changer, letterhead: Letterhead): Promise<void> {
  const { mail } = letterhead
  if (mail !== '' && !z.email().safeParse(mail).success)
    throw new Fault('not-a-mail-address', { mail }, 'mail')
  const contrast = contrastWithWhite(letterhead.colour)
  if (contrast < leastContrast)
    throw new Fault(
      'pale-colour',
      { contrast: Math.floor(contrast * 10) / 10, least: leastContrast },
      'colour',
    )
  const kept = { ...letterhead, colour: letterhead.colour.toLowerCase() }
  await changed(who, 'letterhead-set', kept.name, (runner) => saveLetterhead(who.teamId, kept, runner))
}

/**
 * Keeps a logo: a PNG or JPEG picture, whole, small enough to go along with each offer.
 * @throws Fault `too-large`, `not-a-logo`, `broken-picture`, `logo-size`
 */
export async function setLogo(who: Changer, bytes: Uint8Array): Promise<void> {
  if (bytes.length > largestLogo.bytes)
    throw new Fault('too-large', { reason: 'body', limit: { value: largestLogo.bytes, unit: 'bytes' } })
  const { mediaType, widthPx, heightPx } = sizeOf(bytes)
  if (!isWhole(bytes, mediaType)) throw new Fault('broken-picture')
  if (Math.max(widthPx, heightPx) > largestLogo.sidePx)
    throw new Fault('logo-size', { widthPx, heightPx, most: largestLogo.sidePx })
  const logo = { bytes: Buffer.from(bytes), mediaType }
  await changed(who, 'logo-set', '', (runner) => saveLogo(who.teamId, logo, runner))
}

/** A drawing is laid under a model; here there are pictures alone, and the answer says so. */
function sizeOf(bytes: Uint8Array): PictureSize {
  try {
    return pictureSize(bytes)
  } catch (error) {
    throw error instanceof Fault && error.code === 'not-a-picture' ? new Fault('not-a-logo') : error
  }
}

export const removeLogo = (who: Changer): Promise<void> =>
  changed(who, 'logo-removed', '', (runner) => saveLogo(who.teamId, null, runner))

/** How a whole picture ends: the last chunk of a PNG, the end mark of a JPEG. */
const ends = { 'image/png': [0x49, 0x45, 0x4e, 0x44, 0xae, 0x42, 0x60, 0x82], 'image/jpeg': [0xff, 0xd9] }

const isWhole = (bytes: Uint8Array, mediaType: keyof typeof ends): boolean => {
  const end = ends[mediaType]
  return end.every((byte, i) => bytes[bytes.length - end.length + i] === byte)
}
