import { z } from 'zod'
import { waysToPay, type WayToPay } from '@/core/kinds/offer/payment'

const unit = z.number().min(0).max(1)
const mostStrokes = 60
const mostPoints = 600

/** Strokes of a hand, in shares of the field's width and height. */
export const signatureSchema = z
  .array(
    z
      .array(z.tuple([unit, unit]))
      .min(1)
      .max(mostPoints),
  )
  .min(1)
  .max(mostStrokes)
export type Signature = z.infer<typeof signatureSchema>

const nameSchema = z.string().trim().min(2).max(120)

/** How a customer accepts an offer. */
export const acceptanceSchema = z.strictObject({
  name: nameSchema,
  way: z.enum(waysToPay).nullable(),
  /** Null where the typed name is to count. */
  signature: signatureSchema.nullable(),
  /** Of the offer as it was shown: nothing else is accepted. */
  digest: z.string().regex(/^[0-9a-f]{64}$/),
})
export type Acceptance = z.infer<typeof acceptanceSchema>

export const questionSchema = z.strictObject({
  name: nameSchema,
  question: z.string().trim().min(2).max(2000),
})

/** What has been answered to an offer, as its page shows it. */
export interface Answered {
  /** ISO 8601. */
  readonly at: string
  readonly name: string
  readonly way: WayToPay | null
  readonly signature: Signature | null
}

/** What belongs to an offer beside what was sent. */
export interface OfferState {
  /** SHA-256 of what was sent. */
  readonly digest: string
  /** ISO 8601; null where it holds without end. */
  readonly expiresAt: string | null
  readonly accepted: Answered | null
}
