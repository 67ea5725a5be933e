import { z } from 'zod'
import { shareSchema } from '../../model/object-base'
import { between, wholeBetween } from '../../model/rules'

export const waysToPay = ['cash', 'loan', 'lease', 'ppa'] as const
export type WayToPay = (typeof waysToPay)[number]

const growth = between(-0.2, 0.3, 'share')
const years = wholeBetween(1, 50)
/** What it can be bought for when the contract ends; null: it is taken away, and nothing is saved any more. */
const buyout = between(0, 1e7, 'money').nullable()

/** What each way to pay asks; `pay` is the one that the offer goes by. */
export const paymentFields = {
  pay: z.enum(waysToPay),
  /** Other ways that the customer's page shows as well. */
  alsoShown: z.array(z.enum(waysToPay)).max(waysToPay.length),
  /** Paid off by the month. */
  loan: z.strictObject({
    /** Share of the net price that is paid at once. */
    downShare: shareSchema,
    /** Nominal interest a year; a twelfth of it is due each month. */
    rate: between(0, 1, 'share'),
    years,
    /** Share of the loan, added to it. */
    feeShare: shareSchema,
    /** Months at the beginning that only interest is paid in. */
    interestOnlyMonths: wholeBetween(0, 120),
    /** Share of the loan that is due with the last payment. */
    balloonShare: shareSchema,
    /** The month whose end the tax credit of the first year is paid in at, for lower payments from then on; null: never. */
    paidInMonth: wholeBetween(1, 60).nullable(),
  }),
  lease: z.strictObject({ perMonth: between(0, 100_000, 'money'), growth, years, buyout }),
  /** Power purchase: what is made is bought by the kWh. */
  ppa: z.strictObject({ perKwh: between(0, 10, 'money'), growth, years, buyout }),
}
